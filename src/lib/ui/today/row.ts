import type { Verdict } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { Prediction, RatePerDay } from '$lib/core/trend';

/** One parameter as the server sends it, canonical units. */
export interface TodayRow {
	readonly parameter: ParameterId;
	readonly band: {
		readonly low: number | null;
		readonly high: number | null;
		readonly source: string;
	} | null;
	readonly now: Prediction;
	readonly inAWeek: Prediction;
	readonly verdict: Verdict;
	readonly netChangePerDay: RatePerDay;
	readonly consumptionPerDay: RatePerDay;
	readonly leavesInDays: number | null;
	readonly basedOn: number;
	readonly last: { readonly at: Instant; readonly result: TestResult };
}
