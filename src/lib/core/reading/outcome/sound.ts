import { isPossible, POSSIBLE_IN_WATER, possibleU, usualIn, type WaterSort } from '../../quantity/index.ts';
import type { Fault } from '../../result/index.ts';
import { standardUncertaintyOf } from '../../uncertainty/index.ts';
import { boundsOf, pointOf, type TestResult } from './test-result.ts';

/** Why a result cannot be reckoned with. */
export type Unsound =
	/** It has no numbers, or none that are finite. */
	| 'no-number'
	/** No water holds that. */
	| 'impossible'
	/** It leaves no place between its ends. */
	| 'empty'
	/** A bound at or beyond the end of what can be: every water is so. */
	| 'says-nothing';

/** Standard uncertainties as they can be: neither is missing, endless or negative. */
const areUncertainties = (uRandom: number, uCommon: number) =>
	uRandom >= 0 && uCommon >= 0 && Number.isFinite(uRandom + uCommon);

/** Whether a result can be reckoned with, whoever stored it and by whatever version; null where it can. */
export function unsoundness(result: TestResult): Unsound | null {
	const possible = POSSIBLE_IN_WATER[result.parameter];
	const { least, most } = possible;
	switch (result.kind) {
		case 'value': {
			const { value, uRandom, uCommon } = result;
			if (!Number.isFinite(value) || !areUncertainties(uRandom, uCommon)) return 'no-number';
			// Squared in every filter: what is beyond this is no uncertainty of a reading.
			if (standardUncertaintyOf(result) > most - least) return 'impossible';
			return isPossible(possible, value) ? null : 'impossible';
		}
		case 'interval': {
			const { lower, upper, best, uRandom, uCommon } = result;
			const { least: finest } = possibleU(result.parameter);
			if (!Number.isFinite(lower) || !Number.isFinite(upper) || !Number.isFinite(best ?? 0))
				return 'no-number';
			if (!areUncertainties(uRandom, uCommon)) return 'no-number';
			if (!(upper - lower > finest)) return 'empty';
			if (lower >= most - finest || upper <= least + finest) return 'impossible';
			return isPossible(possible, best ?? (lower + upper) / 2) ? null : 'impossible';
		}
		case 'bound': {
			const { sense, limit } = result;
			const { least: finest } = possibleU(result.parameter);
			if (!Number.isFinite(limit)) return 'no-number';
			if (sense === '<') return limit > least + finest ? (limit > most ? 'says-nothing' : null) : 'empty';
			return limit < most - finest ? (limit < least ? 'says-nothing' : null) : 'empty';
		}
	}
}

/** Why a result cannot be reckoned with, in words that say what can be; null where it can. */
export function faultInResult(result: TestResult): Fault | null {
	const why = unsoundness(result);
	if (why === null) return null;
	const { least, most, unit } = POSSIBLE_IN_WATER[result.parameter];
	const limits = { least, most, unit };
	const field = 'reading';
	if (why === 'impossible') return { code: 'beyond-scale', field, details: limits };
	if (why === 'says-nothing' || (why === 'empty' && result.kind === 'bound')) {
		return { code: 'says-nothing', field, details: limits };
	}
	return { code: why === 'empty' ? 'range-reversed' : 'not-a-number', field };
}

/** Asks about a result that is possible, but that hardly any water of its kind holds; null where it is usual. */
export function unusualIn(sort: WaterSort, results: readonly TestResult[]): Fault | null {
	for (const result of results) {
		const usual = usualIn(sort, result.parameter);
		if (!usual) continue;
		const [least, most] = usual;
		const { lower, upper } = boundsOf(result);
		const point = pointOf(result)?.value ?? (result.kind === 'bound' ? result.limit : lower);
		// Of an interval or a bound, what it surely says.
		const beyond =
			result.kind === 'value' ? point < least || point > most : lower > most || (upper ?? most) < least;
		if (beyond) {
			const { unit } = POSSIBLE_IN_WATER[result.parameter];
			return {
				code: 'unusual',
				field: 'value',
				details: { value: Number(point.toPrecision(4)), least, most, unit }
			};
		}
	}
	return null;
}
