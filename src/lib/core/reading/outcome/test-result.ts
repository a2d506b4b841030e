import { PARAMETERS, POSSIBLE_IN_WATER, type ParameterId, type UnitId } from '../../quantity/index.ts';
import { COVERAGE, standardUncertaintyOf } from '../../uncertainty/index.ts';

interface Measured {
	readonly parameter: ParameterId;
	readonly unit: UnitId;
}

export interface ValueResult extends Measured {
	readonly kind: 'value';
	readonly value: number;
	/** Standard uncertainty that a repeat would average down. */
	readonly uRandom: number;
	/** Standard uncertainty shared by every test with this kit. */
	readonly uCommon: number;
	/** What its 95 % half-width is of its standard uncertainty, where that is not 2: one even spread decides it. */
	readonly coverage?: number;
}

export interface IntervalResult extends Measured {
	readonly kind: 'interval';
	readonly lower: number;
	readonly upper: number;
	/** What is shown for it: the step it matched, or the middle; null where the keeper records the interval alone. */
	readonly best: number | null;
	/** Standard uncertainty of something evenly spread over the interval, and what the kit adds. */
	readonly uRandom: number;
	readonly uCommon: number;
}

export interface BoundResult extends Measured {
	readonly kind: 'bound';
	readonly sense: '<' | '>';
	readonly limit: number;
}

/** What a test says, in the parameter's canonical unit. Intervals and bounds are kinds of their own. */
export type TestResult = ValueResult | IntervalResult | BoundResult;

/** The 95 % half-width of a value: k = 2, unless it has a factor of its own. @see JCGM 100:2008, G.1.3 */
export function expandedUOf(result: Pick<ValueResult, 'uRandom' | 'uCommon' | 'coverage'>): number {
	return (result.coverage ?? COVERAGE) * standardUncertaintyOf(result);
}

/** A value whose uncertainty was changed since: what decided its interval does so no longer. */
export function withUsualCoverage(result: ValueResult): ValueResult {
	const { coverage: _own, ...rest } = result;
	return rest;
}

/** The 95 % interval of a value, the ends of an interval, the one end of a bound; nothing holds less than 0. */
export function boundsOf(result: TestResult): { readonly lower: number; readonly upper: number | null } {
	const least = Math.min(0, POSSIBLE_IN_WATER[result.parameter].least);
	switch (result.kind) {
		case 'value': {
			const half = expandedUOf(result);
			return { lower: Math.max(least, result.value - half), upper: result.value + half };
		}
		case 'interval':
			return { lower: result.lower, upper: result.upper };
		case 'bound':
			return result.sense === '<'
				? { lower: least, upper: result.limit }
				: { lower: result.limit, upper: null };
	}
}

/** The one number that a result is put in order by: its value, its best guess or middle, its limit. */
export function middleOf(result: TestResult): number {
	switch (result.kind) {
		case 'value':
			return result.value;
		case 'interval':
			return result.best ?? (result.lower + result.upper) / 2;
		case 'bound':
			return result.limit;
	}
}

/** A result as one number with its standard uncertainty; null for a bound, which is no number. */
export function pointOf(
	result: TestResult
): { readonly value: number; readonly uRandom: number; readonly uCommon: number } | null {
	switch (result.kind) {
		case 'value':
			return result;
		case 'interval':
			return {
				value: result.best ?? (result.lower + result.upper) / 2,
				uRandom: result.uRandom,
				uCommon: result.uCommon
			};
		case 'bound':
			return null;
	}
}

/** A bound leaves room for so many of what waters differ by (convention). */
const BEYOND_SPREADS = 2;

/**
 * The ends of what a result leaves room for, both finite: beyond a bound as far as is plausible in a water.
 *
 * @example plausibleRangeOf({ kind: 'bound', parameter: 'ph', unit: 'ph', sense: '>', limit: 8.8 }) // 8.8 to 9.6
 */
export function plausibleRangeOf(result: TestResult): { readonly lower: number; readonly upper: number } {
	const { lower, upper } = boundsOf(result);
	if (result.kind !== 'bound') return { lower, upper: upper ?? lower };
	const { least, most } = POSSIBLE_IN_WATER[result.parameter];
	const reach = BEYOND_SPREADS * PARAMETERS[result.parameter].plausibleSpread;
	return result.sense === '>'
		? { lower: result.limit, upper: Math.max(result.limit, Math.min(most, result.limit + reach)) }
		: { lower: Math.min(result.limit, Math.max(least, result.limit - reach)), upper: result.limit };
}

/** Relative difference of two numbers that are one, worked out in another order. */
const SAME = 1e-9;

/**
 * Whether two results say the same. Their last digits may differ: a version that adds up in another order moves
 * nothing that anybody sees.
 */
export function isSameResult(a: TestResult, b: TestResult): boolean {
	const one: ReadonlyMap<string, unknown> = new Map(Object.entries(a));
	const other: ReadonlyMap<string, unknown> = new Map(Object.entries(b));
	return [...new Set([...one.keys(), ...other.keys()])].every((key) => {
		const [x, y] = [one.get(key), other.get(key)];
		return typeof x === 'number' && typeof y === 'number'
			? Math.abs(x - y) <= SAME * Math.max(Math.abs(x), Math.abs(y))
			: x === y;
	});
}
