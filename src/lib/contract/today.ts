import type { DoubtfulReading } from './doubt.ts';
import type { EventKind } from './event.ts';
import type { Band, Verdict } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { Prediction, RatePerDay } from '$lib/core/trend';

/** A band with where it comes from and since when it holds. */
export interface SourcedBand extends Band {
	readonly source: string;
	readonly fromAt: Instant;
}

/** What is estimated of a parameter, canonical units. */
export interface EstimateToday {
	readonly now: Prediction;
	readonly inAWeek: Prediction;
	readonly verdict: Verdict;
	readonly netChangePerDay: RatePerDay;
	readonly consumptionPerDay: RatePerDay;
	readonly leavesInDays: number | null;
	readonly basedOn: number;
}

/** One parameter as Today shows it. Without an estimate there were only bounds so far. */
export interface ParameterToday {
	readonly parameter: ParameterId;
	readonly band: SourcedBand | null;
	readonly estimate: EstimateToday | null;
	readonly last: { readonly at: Instant; readonly result: TestResult };
	/** A major ion brought to S = 35, where salinity was read lately. */
	readonly atS35: { readonly value: number; readonly u: number; readonly salinity: number } | null;
}

/** A consumption that is not what it was. */
export interface RateMove {
	readonly parameter: ParameterId;
	/** A step that was found, or a drift over five weeks. */
	readonly how: 'step' | 'drift';
	readonly before: RatePerDay;
	readonly after: RatePerDay;
	/** Of a step: the likeliest day, and the days between which it lies with 95 %. */
	readonly at: Instant | null;
	readonly earliest: Instant | null;
	readonly latest: Instant | null;
	/** What happened about that time. */
	readonly besides: readonly {
		/** An event, or another kit read from then on, which may show a step that the water never took. */
		readonly kind: EventKind | 'another-kit';
		readonly note: string;
		readonly at: Instant;
	}[];
}

/** Alkalinity used beyond what calcium explains. */
export interface DepartureToday {
	readonly perDay: RatePerDay;
	readonly z: number;
}

export interface TodayAnswer {
	readonly doubts: readonly DoubtfulReading[];
	readonly moves: readonly RateMove[];
	readonly departure: DepartureToday | null;
	readonly rows: readonly ParameterToday[];
	readonly untested: readonly ParameterId[];
}
