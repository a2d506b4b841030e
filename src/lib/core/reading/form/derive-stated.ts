import type { StatedMethod } from '../../method/index.ts';
import {
	convert,
	convertSpan,
	isUnitId,
	PARAMETERS,
	POSSIBLE,
	POSSIBLE_IN_WATER,
	possibleU,
	UNITS,
	type ParameterId,
	type UnitId
} from '../../quantity/index.ts';
import { fail, ok, type Fault, type Result } from '../../result/index.ts';
import type { MeasurementModel } from '../../uncertainty/index.ts';
import { BoundOutcome, ModelledOutcome, type ArithmeticLine, type Derivation } from '../outcome/outcome.ts';
import type { TestResult } from '../outcome/test-result.ts';
import { faultOnScale, type Scale } from './check-number.ts';
import type { StatedReading } from './raw-reading.ts';

/** Taken where a laboratory states none: sampling, transport and drift together (husbandry convention). */
export const ASSUMED_RELATIVE_U = 0.05;

type Says<K extends StatedReading['says']['kind']> = Extract<StatedReading['says'], { readonly kind: K }>;

/** What it takes to bring a stated value into the canonical unit. */
interface Told {
	readonly parameter: ParameterId;
	readonly unit: UnitId;
	/** The unit in which it is stated, and what can be in it. */
	readonly from: UnitId;
	readonly scale: Scale;
	readonly source: string;
}

const lineOf = ({ source }: Told, assumedU: boolean): ArithmeticLine => ({
	kind: 'stated',
	source,
	assumedU
});

function derivedBound(told: Told, { sense, limit }: Says<'bound'>): Result<Derivation> {
	const { parameter, unit, from, scale } = told;
	const fault = faultOnScale(limit, 'limit', scale);
	if (fault) return { ok: false, fault };
	const result = { kind: 'bound', parameter, unit, sense, limit: convert(limit, from, unit) } as const;
	return ok({ outcomes: [new BoundOutcome(result, [lineOf(told, false)])] });
}

function derivedInterval(told: Told, says: Says<'interval'>): Result<Derivation> {
	const { parameter, unit, from, scale } = told;
	const fault = faultOnScale(says.lower, 'lower', scale) ?? faultOnScale(says.upper, 'upper', scale);
	if (fault) return { ok: false, fault };
	if (says.lower >= says.upper) return fail('range-reversed', 'upper');
	const [lower, upper] = [convert(says.lower, from, unit), convert(says.upper, from, unit)];
	const best = (lower + upper) / 2;
	const u = (upper - lower) / Math.sqrt(12);
	const result: TestResult = {
		kind: 'interval',
		parameter,
		unit,
		lower,
		upper,
		best,
		uRandom: u,
		uCommon: 0
	};
	const model: MeasurementModel = {
		inputs: [{ source: 'stated', repeats: 'random', shape: 'rectangular', mean: best, u }],
		evaluate: (x) => x[0]!
	};
	return ok({ outcomes: [new ModelledOutcome(result, model, [lineOf(told, false)])] });
}

/** What cannot be of a value and of what is stated of its uncertainty. */
function faultOfValue({ parameter, unit, from, scale }: Told, says: Says<'value'>): Fault | null {
	const fault = faultOnScale(says.value, 'value', scale);
	if (fault) return fault;
	if (says.expandedU !== null && !(Number.isFinite(says.expandedU) && says.expandedU > 0)) {
		return { code: 'not-a-number', field: 'expandedU' };
	}
	const ofK = faultOnScale(says.k, 'k', POSSIBLE.kOfU);
	if (ofK || says.expandedU === null) return ofK;
	const { least, most } = possibleU(parameter);
	const [leastInUnit, mostInUnit] = [convertSpan(least, unit, from), convertSpan(most, unit, from)];
	const inUnit = { least: leastInUnit, most: mostInUnit, unit: scale.unit };
	return faultOnScale(says.expandedU, 'expandedU', inUnit);
}

function derivedValue(told: Told, says: Says<'value'>): Result<Derivation> {
	const fault = faultOfValue(told, says);
	if (fault) return { ok: false, fault };
	const { parameter, unit, from } = told;
	const value = convert(says.value, from, unit);
	const u =
		says.expandedU === null
			? ASSUMED_RELATIVE_U * Math.max(value, 1e-3)
			: convertSpan(says.expandedU / says.k, from, unit);
	const part = u / Math.SQRT2;
	const model: MeasurementModel = {
		inputs: [
			{ source: 'stated', repeats: 'random', shape: 'normal', mean: 0, u: part },
			{ source: 'stated', repeats: 'common', shape: 'normal', mean: 0, u: part }
		],
		evaluate: (x) => value + x[0]! + x[1]!
	};
	const result: TestResult = { kind: 'value', parameter, unit, value, uRandom: part, uCommon: part };
	const lines = [lineOf(told, says.expandedU === null)];
	return ok({ outcomes: [new ModelledOutcome(result, model, lines)] });
}

/**
 * A value from elsewhere, in the canonical unit, with the uncertainty stated for it. Nothing is known of what in it
 * would differ on another day, so half of its variance is taken to be common to all from there.
 */
export function deriveStated(method: StatedMethod, reading: StatedReading): Result<Derivation> {
	const { parameter } = method;
	const { canonicalUnit: unit, units } = PARAMETERS[parameter];
	if (!isUnitId(reading.unit) || !units.includes(reading.unit)) {
		return fail('unit-unknown', 'unit');
	}
	const from = reading.unit;
	const possible = POSSIBLE_IN_WATER[parameter];
	const ends = [possible.least, possible.most].map((x) => convert(x, unit, from));
	const scale = { least: Math.min(...ends), most: Math.max(...ends), unit: UNITS[from].symbol };
	const told: Told = { parameter, unit, from, scale, source: reading.source };
	const { says } = reading;
	switch (says.kind) {
		case 'bound':
			return derivedBound(told, says);
		case 'interval':
			return derivedInterval(told, says);
		case 'value':
			return derivedValue(told, says);
	}
}
