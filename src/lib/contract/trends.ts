import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { Prediction, RatePerDay } from '$lib/core/trend';
import type { SourcedBand } from './today.ts';

/** The spans that can be chosen, in days; null is everything. */
export const TREND_SPANS = { month: 31, quarter: 92, year: 366, all: null } as const;
export type TrendSpan = keyof typeof TREND_SPANS;

export interface LinePoint extends Prediction {
	readonly at: Instant;
}

/** One parameter on the time axis, canonical units. */
export interface TrendRow {
	readonly parameter: ParameterId;
	readonly band: SourcedBand | null;
	readonly readings: readonly { readonly at: Instant; readonly result: TestResult }[];
	readonly line: readonly LinePoint[];
	/** Null where there were only bounds. */
	readonly estimate: {
		readonly now: Prediction;
		readonly basedOn: number;
		readonly netChangePerDay: RatePerDay;
		readonly consumptionPerDay: RatePerDay;
	} | null;
}
