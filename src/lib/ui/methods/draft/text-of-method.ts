import { textOfStep, titrationsOf, type Method, type Titration } from '$lib/core/method';
import { convert, PARAMETERS, type UnitId } from '$lib/core/quantity';
import {
	emptyMethod,
	emptyTitration,
	isEnteredKind,
	type MethodText,
	type TitrationText
} from './method-text';
import { typedOrNot } from './typed';

function worthText({ worth, parameter }: Titration): Partial<TitrationText> {
	switch (worth.by) {
		case 'titrant':
			return { worthBy: 'titrant', molPerL: String(worth.molPerL) };
		case 'excess':
			return {
				worthBy: 'excess',
				unit: PARAMETERS[parameter].canonicalUnit,
				molPerL: String(worth.titrantMolPerL),
				excessMolPerL: String(worth.excessMolPerL),
				excessMl: String(worth.excessMl),
				filtrateOfMl: typedOrNot(worth.filtrate?.ofMl),
				filtrateTakenMl: typedOrNot(worth.filtrate?.takenMl)
			};
		case 'table':
			return {
				worthBy: 'table',
				unit: worth.unit,
				tableReads: worth.reads,
				table: worth.points.map(([x, y]) => `${x} ${y}`).join('\n')
			};
		case 'line':
			return worth.atZero === 0
				? { worthBy: 'factor', unit: worth.unit, factor: String(worth.perUnit) }
				: {
						worthBy: 'points',
						unit: worth.unit,
						points: `0 ${worth.atZero}\n1 ${worth.atZero + worth.perUnit}`
					};
	}
}

function titrationText(titration: Titration): TitrationText {
	const { meter, colours, parameter } = titration;
	return {
		...emptyTitration(parameter),
		meterBy: meter.kind,
		...(meter.kind === 'syringe'
			? {
					capacityMl: String(meter.capacityMl),
					graduationMl: String(meter.graduationMl),
					readAs: meter.readAs,
					headStartMl: typedOrNot(meter.headStartMl || null)
				}
			: { dropMl: String(meter.dropMl), loadMl: typedOrNot(meter.loadMl) }),
		titrant: titration.titrant,
		strengthPercent: typedOrNot(100 * titration.titrantRelativeTolerance),
		startColour: colours.start.name,
		startCss: colours.start.css,
		endColour: colours.end.name,
		endCss: colours.end.css,
		...worthText(titration)
	};
}

/** What only its kind has. */
function ownText(method: Method): Partial<MethodText> {
	switch (method.kind) {
		case 'colour-card':
		case 'comparator':
			return {
				unit: method.unit,
				blank: method.blank,
				view: method.view,
				colours: method.colourSteps.map(({ value, colour }) => ({ value: String(value), ...colour }))
			};
		case 'display':
			return {
				unit: method.unit,
				resolution: String(method.resolution),
				accuracyAbsolute: typedOrNot(method.accuracy.absolute || null),
				accuracyPercent: typedOrNot(method.accuracy.relative ? 100 * method.accuracy.relative : null),
				rangeLow: String(method.range.low),
				rangeHigh: String(method.range.high),
				withTemperature: method.withTemperature
			};
		case 'scale-line':
		case 'float': {
			const { scale } = method;
			return {
				waterC: String(scale.waterC),
				referenceC: String(scale.referenceC),
				scaleMark: String(scale.graduation),
				scaleFrom: String(scale.from),
				scaleTo: String(scale.to),
				scaleTolerance: String(scale.tolerance),
				expansionPerK: String(scale.expansionPerK),
				temperatureTolerance: String(scale.temperatureTolerance)
			};
		}
		case 'thermometer':
			return {
				scaleMark: String(method.graduationC),
				accuracyAbsolute: String(method.toleranceC),
				rangeLow: String(method.rangeC.low),
				rangeHigh: String(method.rangeC.high)
			};
		case 'difference':
			return { subtractBy: method.subtract.by };
		case 'paired-titration':
			return { second: { ...titrationText(method.second), parameter: method.second.parameter } };
		default:
			return {};
	}
}

/** A method that exists as it would have been typed, to be changed. Null of a value that was stated elsewhere. */
export function textOfMethod(method: Method): MethodText | null {
	const { kind } = method;
	if (!isEnteredKind(kind)) return null;
	const empty = emptyMethod(kind, method.parameter);
	const [titration] = titrationsOf(method);
	const first: Partial<TitrationText> = titration ? titrationText(titration) : {};
	const own = ownText(method);
	const unit: UnitId = own.unit ?? first.unit ?? empty.unit;
	const limit = (x: number | null) =>
		x === null ? '' : typedOrNot(convert(x, PARAMETERS[method.parameter].canonicalUnit, unit));
	return {
		...empty,
		...first,
		name: method.name,
		species: method.species,
		fullMl: typedOrNot(method.sampleMl?.full),
		halfMl: typedOrNot(method.sampleMl?.half),
		dilutions: method.dilutions.join(' '),
		limitLow: limit(method.limits.low),
		limitHigh: limit(method.limits.high),
		tests: typedOrNot(method.pack.tests),
		openedMonths: typedOrNot(method.pack.openedMonths),
		equipment: method.equipment.join('\n'),
		hazards: [...new Set(method.reagents.flatMap((r) => r.hazards))],
		steps: method.steps.map(textOfStep).join('; '),
		...own
	};
}
