import type { ParameterId, UnitId } from '../quantity/index.ts';
import { COVERAGE } from '../uncertainty/index.ts';

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
}

/** What a test says, in the parameter's canonical unit. A bound is a kind of its own, not a number with a flag. */
export type TestResult =
	| ValueResult
	| (Measured & { readonly kind: 'interval'; readonly lower: number; readonly upper: number })
	| (Measured & { readonly kind: 'bound'; readonly sense: '<' | '>'; readonly limit: number });

export function standardUncertaintyOf(result: ValueResult): number {
	return Math.sqrt(result.uRandom * result.uRandom + result.uCommon * result.uCommon);
}

/** The 95 % interval (k = 2) of a value, the ends of an interval, the one end of a bound; never below zero. */
export function boundsOf(result: TestResult): { readonly lower: number; readonly upper: number | null } {
	switch (result.kind) {
		case 'value': {
			const half = COVERAGE * standardUncertaintyOf(result);
			return { lower: Math.max(0, result.value - half), upper: result.value + half };
		}
		case 'interval':
			return { lower: result.lower, upper: result.upper };
		case 'bound':
			return result.sense === '<' ? { lower: 0, upper: result.limit } : { lower: result.limit, upper: null };
	}
}
