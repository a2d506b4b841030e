import { atMost } from '../numeric/index.ts';
import {
	convert,
	firstImpossible,
	PARAMETERS,
	POSSIBLE,
	POSSIBLE_IN_WATER,
	UNITS,
	type ParameterId,
	type Possible,
	type UnitId
} from '../quantity/index.ts';
import { fail, ok, type Fault, type Result } from '../result/index.ts';
import { chart } from './chart.ts';
import { titrationsOf, type Method, type Titration } from './method.ts';
import { isTitrated } from './stoichiometry.ts';

/** Units that measure this parameter; a table or a card in another would be a table of something else. */
export function unitsFor(parameter: ParameterId): readonly UnitId[] {
	const { family } = UNITS[PARAMETERS[parameter].canonicalUnit];
	return (Object.keys(UNITS) as UnitId[]).filter((u) => UNITS[u].family === family);
}

const isWhole = (x: number) => Math.abs(x - Math.round(x)) <= 1e-6;

/** Half a division divides one unit, so that marks and the places between them are plain decimal numbers. */
const isReadable = (graduation: number) => isWhole(2 / graduation);

function checkTitration(titration: Titration, path: string): Result<null> {
	const { worth, meter, parameter } = titration;
	if ('unit' in worth && !unitsFor(parameter).includes(worth.unit)) {
		return fail('unit-unknown', `${path}.worth.unit`);
	}
	if (worth.by === 'table') {
		const made = chart(worth.points);
		if (!made.ok) return fail(made.fault.code, `${path}.worth.points`, made.fault.details);
		if (meter.kind === 'drops' && worth.reads === 'left')
			return fail('drops-are-used', `${path}.worth.reads`);
	}
	if (worth.by === 'line' && worth.perUnit === 0) return fail('worth-nothing', `${path}.worth.perUnit`);
	if ((worth.by === 'titrant' || worth.by === 'excess') && !isTitrated(parameter)) {
		return fail('not-titrated', `${path}.parameter`);
	}
	if (worth.by === 'excess' && worth.filtrate && worth.filtrate.takenMl > worth.filtrate.ofMl) {
		return fail('filtrate-too-small', `${path}.worth.filtrate.takenMl`);
	}
	if (meter.kind === 'syringe') {
		const marks = meter.capacityMl / meter.graduationMl;
		const perOne = 1 / meter.graduationMl;
		if (marks < 2 || !isWhole(marks) || !isWhole(perOne)) {
			return fail('marks-do-not-fit', `${path}.meter.graduationMl`);
		}
		if (!atMost(meter.headStartMl, meter.capacityMl)) {
			return fail('beyond-syringe', `${path}.meter.headStartMl`, { capacityMl: meter.capacityMl });
		}
	}
	return ok(null);
}

/** What of a method's numbers cannot be, by the table of what can. */
function impossiblePart(method: Method): Fault | null {
	const { low, high } = method.limits;
	if (low !== null && high !== null && low >= high) {
		return { code: 'target-reversed', field: 'limits.high', details: { low, high } };
	}
	const water = POSSIBLE_IN_WATER[method.parameter];
	const inUnit = (unit: UnitId): Possible => {
		// Of a unit that measures something else nothing can be said; that it does is told below.
		if (!unitsFor(method.parameter).includes(unit)) return { ...water, least: -Infinity, most: Infinity };
		const ends = [water.least, water.most].map((x) =>
			convert(x, PARAMETERS[method.parameter].canonicalUnit, unit)
		);
		return { ...water, least: Math.min(...ends), most: Math.max(...ends), unit: UNITS[unit].symbol };
	};
	return firstImpossible([
		[water, low, 'limits.low'],
		[water, high, 'limits.high'],
		[POSSIBLE.sampleMl, method.sampleMl?.full, 'sampleMl.full'],
		[POSSIBLE.sampleMl, method.sampleMl?.half, 'sampleMl.half'],
		[POSSIBLE.price, method.pack.price, 'pack.price'],
		[POSSIBLE.bottleTests, method.pack.tests, 'pack.tests'],
		...titrationsOf(method).map(({ meter }, i) => {
			const path = i === 0 ? 'titration' : 'second';
			return meter.kind === 'drops'
				? ([POSSIBLE.dropMl, meter.dropMl, `${path}.meter.dropMl`] as const)
				: ([POSSIBLE.syringeMl, meter.capacityMl, `${path}.meter.capacityMl`] as const);
		}),
		...('colourSteps' in method
			? method.colourSteps.map(
					({ value }, i) => [inUnit(method.unit), value, `colourSteps.${i}.value`] as const
				)
			: [])
	]);
}

/**
 * What no schema can see: whether the parts of a method fit together. A method that passes can be run and read.
 *
 * @returns fails with the path of the part that does not fit
 */
export function checkMethod(method: Method): Result<null> {
	const fault = impossiblePart(method);
	if (fault) return { ok: false, fault };
	for (const [i, titration] of titrationsOf(method).entries()) {
		const checked = checkTitration(titration, i === 0 ? 'titration' : 'second');
		if (!checked.ok) return checked;
	}
	if (titrationsOf(method).length > 0 && !method.sampleMl) return fail('sample-missing', 'sampleMl');
	if (titrationsOf(method)[0] && titrationsOf(method)[0]!.parameter !== method.parameter) {
		return fail('parameter-differs', 'titration.parameter');
	}
	const meters = titrationsOf(method).map((t) => t.meter.kind);
	if (
		(method.kind === 'syringe-titration' && meters[0] !== 'syringe') ||
		((method.kind === 'drop-titration' || method.kind === 'difference') && meters[0] !== 'drops') ||
		(method.kind === 'paired-titration' && meters.some((m) => m !== 'syringe'))
	) {
		return fail('meter-differs', 'titration.meter.kind');
	}
	if ('unit' in method && !unitsFor(method.parameter).includes(method.unit))
		return fail('unit-unknown', 'unit');
	if (method.kind === 'colour-card' || method.kind === 'comparator') {
		const values = method.colourSteps.map((s) => s.value);
		const at = values.findIndex((v, i) => i > 0 && v <= values[i - 1]!);
		if (at >= 0) return fail('steps-not-rising', `colourSteps.${at}.value`);
	}
	if (method.kind === 'display') {
		if (method.range.low >= method.range.high) return fail('range-reversed', 'range');
		if (method.resolution < 1 && !isWhole(1 / method.resolution)) {
			return fail('marks-do-not-fit', 'resolution');
		}
	}
	if (method.kind === 'scale-line' || method.kind === 'float') {
		if (method.parameter !== 'salinity') return fail('parameter-differs', 'parameter');
		if (method.scale.from >= method.scale.to) return fail('range-reversed', 'scale');
		if (!isReadable(method.scale.graduation)) return fail('marks-do-not-fit', 'scale.graduation');
	}
	if (method.kind === 'thermometer') {
		if (method.rangeC.low >= method.rangeC.high) return fail('range-reversed', 'rangeC');
		if (!isReadable(method.graduationC)) return fail('marks-do-not-fit', 'graduationC');
	}
	const ids = new Set(method.steps.map((s) => s.id));
	if (ids.size !== method.steps.length) return fail('steps-alike', 'steps');
	const wanted = method.kind === 'stated' ? 0 : Math.max(1, titrationsOf(method).length);
	const kind = titrationsOf(method).length > 0 ? 'titrate' : 'read';
	if (method.steps.filter((s) => s.action.kind === kind).length !== wanted) {
		return fail('no-reading-step', 'steps', { kind, wanted });
	}
	if (wanted > 0 && method.steps.at(-1)?.action.kind !== kind)
		return fail('reading-not-last', 'steps', { kind });
	return ok(null);
}
