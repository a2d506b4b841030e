import { textOfStep, titrationsOf, type Method } from '$lib/core/method';
import { emptyMethod, isEnteredKind, type MethodText } from './method-text';

/** A number as it would be typed, without the dust of binary fractions; nothing where there is none. */
function typedOrNot(x: number | null | undefined): string {
	return x == null ? '' : String(Number(x.toPrecision(12)));
}

/** A method that exists as it would have been typed, to be changed. Null for kinds that are not entered here. */
export function textOfMethod(method: Method): MethodText | null {
	const { kind } = method;
	if (!isEnteredKind(kind)) return null;
	const text: MethodText = {
		...emptyMethod(kind, method.parameter),
		name: method.name,
		fullMl: typedOrNot(method.sampleMl?.full),
		halfMl: typedOrNot(method.sampleMl?.half),
		dilutions: method.dilutions.join(' '),
		tests: typedOrNot(method.pack.tests),
		hazards: [...new Set(method.reagents.flatMap((r) => r.hazards))],
		steps: method.steps.map(textOfStep).join('; ')
	};
	if (method.kind === 'colour-card' || method.kind === 'comparator') {
		return {
			...text,
			unit: method.unit,
			colours: method.colourSteps.map((s) => ({
				value: String(s.value),
				name: s.colour.name,
				css: s.colour.css
			}))
		};
	}
	if (method.kind === 'display') {
		return {
			...text,
			unit: method.unit,
			resolution: String(method.resolution),
			accuracyAbsolute: typedOrNot(method.accuracy.absolute || null),
			accuracyPercent: typedOrNot(method.accuracy.relative ? 100 * method.accuracy.relative : null),
			rangeHigh: String(method.range.high)
		};
	}
	const [titration] = titrationsOf(method);
	if (!titration) return null;
	const { worth, meter, colours } = titration;
	return {
		...text,
		...(meter.kind === 'syringe'
			? {
					capacityMl: String(meter.capacityMl),
					graduationMl: String(meter.graduationMl),
					readAs: meter.readAs
				}
			: {}),
		startColour: colours.start.name,
		startCss: colours.start.css,
		endColour: colours.end.name,
		endCss: colours.end.css,
		...(worth.by === 'titrant' ? { worthBy: 'titrant', molPerL: String(worth.molPerL) } : {}),
		...(worth.by === 'line' && worth.atZero === 0
			? { worthBy: 'factor', unit: worth.unit, factor: String(worth.perUnit) }
			: {}),
		...(worth.by === 'line' && worth.atZero !== 0
			? {
					worthBy: 'points',
					unit: worth.unit,
					points: `0 ${worth.atZero}\n1 ${worth.atZero + worth.perUnit}`
				}
			: {}),
		...(worth.by === 'table'
			? {
					worthBy: 'table',
					unit: worth.unit,
					tableReads: worth.reads,
					table: worth.points.map(([x, y]) => `${x} ${y}`).join('\n')
				}
			: {})
	};
}
