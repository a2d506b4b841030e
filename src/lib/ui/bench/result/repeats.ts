import { agreedValue, outlierAmong, repeatRange, replicates } from '$lib/core/comparison';
import type { TestResult, ValueResult } from '$lib/core/reading';

/** What several tests of one sample say together. */
export interface Together {
	readonly values: readonly number[];
	/** Null where two disagree: a third must tell. */
	readonly combined: ValueResult | null;
	readonly acceptable: boolean;
	/** The one that stands apart, counted from 0. */
	readonly outlier: number | null;
}

/** More repeats than this are judged by their mean alone. */
const MOST_JUDGED = 4;

/**
 * Combines the value of this test with those of the same sample before it. Two or three repeats say little of their
 * own spread, so the budget's random part stands for it.
 */
export function together(result: TestResult, earlier: readonly (readonly TestResult[])[]): Together | null {
	if (result.kind !== 'value' || !(result.uRandom > 0)) return null;
	const before = earlier.flatMap((run) =>
		run.flatMap((r) => (r.parameter === result.parameter && r.kind === 'value' ? [r.value] : []))
	);
	if (before.length === 0) return null;
	const values = [...before, result.value];
	const judged = values.length <= MOST_JUDGED;
	const value = agreedValue(values, result.uRandom);
	const { uRandom } = replicates(values, result.uCommon, result.uRandom);
	return {
		values,
		acceptable: !judged || repeatRange(values, result.uRandom).acceptable,
		outlier: judged ? outlierAmong(values, result.uRandom) : null,
		combined: value === null ? null : { ...result, value, uRandom }
	};
}
