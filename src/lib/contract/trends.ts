import type { LeftOut, RateMove } from '$lib/core/judgement/water';
import type { DoubtfulReading } from '$lib/core/plausibility';
import type { ParameterId } from '$lib/core/quantity';
import type { SourcedBand } from '$lib/core/record';
import type { Instant } from '$lib/core/time';
import type { Departure, Prediction, RatePerDay } from '$lib/core/trend';

/** The spans that one press shows, in days; null is everything. */
export const TREND_SPANS = { week: 7, month: 31, quarter: 92, year: 366, all: null } as const;
export type TrendSpan = keyof typeof TREND_SPANS;

/** Minutes since 1970: half the length of milliseconds, and finer than anybody reads. */
export type Minutes = number;

export const READING_KINDS = ['value', 'interval', 'bound'] as const;

/** Readings of one parameter as columns, in the order of time; canonical unit. Ten years of them are many. */
export interface ReadingColumns {
	readonly at: readonly Minutes[];
	/** The value, what is shown for an interval, the limit of a bound. */
	readonly value: readonly number[];
	readonly lower: readonly number[];
	/** Null: open upwards. */
	readonly upper: readonly (number | null)[];
	/** Index into `READING_KINDS`. */
	readonly kind: readonly number[];
	/** Index into the row's kits. */
	readonly kit: readonly number[];
	/** 1 where it was corrected later, and no longer counts. */
	readonly superseded: readonly number[];
}

/** The estimate at chosen times: middle and standard uncertainty, all parts. */
export interface EstimateColumns {
	readonly at: readonly Minutes[];
	readonly value: readonly number[];
	readonly u: readonly number[];
}

/** One parameter on the time axis. */
export interface TrendRow {
	readonly parameter: ParameterId;
	/** The band in force now. */
	readonly band: SourcedBand | null;
	/** What was wanted since when, the first one first; null is that nothing was. A past reading keeps its own band. */
	readonly bands: readonly {
		readonly fromAt: Instant;
		readonly low: number | null;
		readonly high: number | null;
	}[];
	readonly kits: readonly { readonly code: string; readonly name: string; readonly laboratory: boolean }[];
	/** How often it was ever read, corrected readings among them. */
	readonly count: number;
	/** Those of the window; of very many the extremes. */
	readonly readings: ReadingColumns;
	/** Not every reading of the window is there. */
	readonly thinned: boolean;
	/** Empty where there is no line to show. */
	readonly line: EstimateColumns;
	readonly estimate: {
		readonly now: Prediction;
		readonly basedOn: number;
		readonly netChangePerDay: RatePerDay;
		readonly consumptionPerDay: RatePerDay;
		readonly mostlyBounds: boolean;
		/** Enough was read for a step of the use to be told from drift. */
		readonly couldShowSteps: boolean;
	} | null;
}

/** A span of whole days since 1970, both of them in it. */
export interface DaySpan {
	readonly fromDay: number;
	readonly toDay: number;
}

/** The days of a time window. */
export function daysOfWindow(from: Instant, to: Instant): DaySpan {
	return { fromDay: Math.floor(from / DAY_MS), toDay: Math.floor(to / DAY_MS) };
}
const DAY_MS = 86_400_000;

export interface TrendSeries {
	/** From the first reading to the end of the forecast. */
	readonly from: Instant;
	readonly to: Instant;
	/** What of it is told here. */
	readonly window: { readonly from: Instant; readonly to: Instant };
	readonly now: Instant;
	/** How many samples were drawn in each of as many equal parts of all the time from its begin to its end. */
	readonly density: readonly number[];
	readonly rows: readonly TrendRow[];
	readonly moves: readonly RateMove[];
	readonly doubts: readonly DoubtfulReading[];
	readonly departure: Departure | null;
	readonly leftOut: readonly LeftOut[];
}
