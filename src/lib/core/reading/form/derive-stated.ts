import type { StatedMethod } from '../../method/index.ts';
import {
	convert,
	convertSpan,
	PARAMETERS,
	POSSIBLE,
	POSSIBLE_IN_WATER,
	possibleU,
	UNITS,
	isUnitId
} from '../../quantity/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import type { MeasurementModel } from '../../uncertainty/index.ts';
import { faultOnScale } from './check-number.ts';
import { BoundOutcome, ModelledOutcome, type ArithmeticLine, type Derivation } from '../outcome/outcome.ts';
import type { StatedReading } from './raw-reading.ts';
import type { TestResult } from '../outcome/test-result.ts';

/** Taken where a laboratory states none: sampling, transport and drift together (husbandry convention). */
export const ASSUMED_RELATIVE_U = 0.05;

/**
 * A value from elsewhere, in the canonical unit, with the uncertainty stated for it. Nothing is known of what in it
 * would differ on another day, so half of its variance is taken to be common to all from there.
 */
export function deriveStated(method: StatedMethod, reading: StatedReading): Result<Derivation> {
	const { parameter } = method;
	const { canonicalUnit: unit, units } = PARAMETERS[parameter];
	const possible = POSSIBLE_IN_WATER[parameter];
	if (!isUnitId(reading.unit) || !units.includes(reading.unit)) {
		return fail('unit-unknown', 'unit');
	}
	const to = (x: number) => convert(x, reading.unit, unit);
	const ends = [possible.least, possible.most].map((x) => convert(x, unit, reading.unit));
	const scale = {
		least: Math.min(...ends),
		most: Math.max(...ends),
		unit: UNITS[reading.unit].symbol
	};
	const { says } = reading;
	const lineOf = (assumedU: boolean): ArithmeticLine => ({
		kind: 'stated',
		source: reading.source,
		assumedU
	});

	if (says.kind === 'bound') {
		const fault = faultOnScale(says.limit, 'limit', scale);
		if (fault) return { ok: false, fault };
		const result = { kind: 'bound', parameter, unit, sense: says.sense, limit: to(says.limit) } as const;
		return ok({ outcomes: [new BoundOutcome(result, [lineOf(false)])] });
	}
	if (says.kind === 'interval') {
		const fault = faultOnScale(says.lower, 'lower', scale) ?? faultOnScale(says.upper, 'upper', scale);
		if (fault) return { ok: false, fault };
		if (says.lower >= says.upper) return fail('range-reversed', 'upper');
		const [lower, upper] = [to(says.lower), to(says.upper)];
		const u = (upper - lower) / Math.sqrt(12);
		const result: TestResult = {
			kind: 'interval',
			parameter,
			unit,
			lower,
			upper,
			best: (lower + upper) / 2,
			uRandom: u,
			uCommon: 0
		};
		const model: MeasurementModel = {
			inputs: [{ source: 'stated', repeats: 'random', shape: 'rectangular', mean: (lower + upper) / 2, u }],
			evaluate: (x) => x[0]!
		};
		return ok({ outcomes: [new ModelledOutcome(result, model, [lineOf(false)])] });
	}
	const fault = faultOnScale(says.value, 'value', scale);
	if (fault) return { ok: false, fault };
	if (says.expandedU !== null && !(Number.isFinite(says.expandedU) && says.expandedU > 0)) {
		return fail('not-a-number', 'expandedU');
	}
	const ofK = faultOnScale(says.k, 'k', POSSIBLE.kOfU);
	if (ofK) return { ok: false, fault: ofK };
	if (says.expandedU !== null) {
		const { least, most } = possibleU(parameter);
		const spans = [least, most].map((x) => convertSpan(x, unit, reading.unit));
		const inUnit = { least: spans[0]!, most: spans[1]!, unit: scale.unit };
		const ofU = faultOnScale(says.expandedU, 'expandedU', inUnit);
		if (ofU) return { ok: false, fault: ofU };
	}
	const value = to(says.value);
	const u =
		says.expandedU === null
			? ASSUMED_RELATIVE_U * Math.max(value, 1e-3)
			: convertSpan(says.expandedU / says.k, reading.unit, unit);
	const part = u / Math.SQRT2;
	const model: MeasurementModel = {
		inputs: [
			{ source: 'stated', repeats: 'random', shape: 'normal', mean: 0, u: part },
			{ source: 'stated', repeats: 'common', shape: 'normal', mean: 0, u: part }
		],
		evaluate: (x) => value + x[0]! + x[1]!
	};
	return ok({
		outcomes: [
			new ModelledOutcome({ kind: 'value', parameter, unit, value, uRandom: part, uCommon: part }, model, [
				lineOf(says.expandedU === null)
			])
		]
	});
}
