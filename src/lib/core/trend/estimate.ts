import type { ConcentrationInput } from '../balance/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import type { Instant } from '../time/index.ts';

/** A result as the estimate uses it, in the parameter's canonical unit. */
export interface MeasuredPoint {
	readonly at: Instant;
	readonly value: number;
	readonly uRandom: number;
	readonly uCommon: number;
}

export interface History {
	readonly parameter: ParameterId;
	/** In the order of time. */
	readonly points: readonly MeasuredPoint[];
	/** All that is known to enter the water, running regimes continued as far as one wants to look ahead. */
	readonly inputs: readonly ConcentrationInput[];
}

export interface Prediction {
	readonly value: number;
	/** Standard uncertainty of the state, without what is common to every test with the kit. */
	readonly uRandom: number;
	readonly uCommon: number;
}

export interface RatePerDay {
	readonly value: number;
	readonly u: number;
}

export interface Estimate {
	/** How many readings it stands on, and the first and last of them. */
	readonly basedOn: number;
	readonly from: Instant;
	readonly to: Instant;
	/** What the water takes up per day; negative when it gains by itself. */
	readonly consumptionPerDay: RatePerDay;
	/** Change per day with the doses that run now: doses minus consumption, without water changes. */
	readonly netChangePerDay: RatePerDay;
	at(time: Instant): Prediction;
}

/**
 * Estimates one parameter of one water at and around `now`. Every estimator answers in this shape, so that a
 * better one can take the place of a simple one. Null when there is no reading at all.
 */
export type Estimator = (history: History, now: Instant) => Estimate | null;
