import type { ConcentrationInput } from '../balance/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import type { TestResult } from '../reading/index.ts';
import type { Instant } from '../time/index.ts';

/** One result as the estimate uses it, with the kit that it came from. */
export interface Observation {
	/** Names the reading to whoever asks which one did not fit. */
	readonly id: string;
	readonly at: Instant;
	/** Readings of one kit share its common error; those of another kit have their own. */
	readonly kit: string;
	readonly result: TestResult;
}

export interface History {
	readonly parameter: ParameterId;
	/** In the order of time. */
	readonly observations: readonly Observation[];
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

/** Two ways to take a reading that does not fit. Until it is repeated, both stay. */
export interface Doubt {
	readonly id: string;
	readonly at: Instant;
	/** What was expected of the reading, with its standard deviation, the reading's own uncertainty included. */
	readonly expected: number;
	readonly sd: number;
	readonly z: number;
	/** Probability that the reading is wrong; otherwise the water changed, or chance played. */
	readonly wrong: number;
	readonly changed: number;
	/** False until later readings told which it was. */
	readonly settled: boolean;
}

/** The consumption stepped from one rate to another. */
export interface ConsumptionChange {
	readonly at: Instant;
	/** The day lies in here with 95 %. */
	readonly earliest: Instant;
	readonly latest: Instant;
	readonly before: RatePerDay;
	readonly after: RatePerDay;
	/** Posterior probability that there was a step at all. */
	readonly probability: number;
}

export interface Estimate {
	/** Nothing lives in it: it is what was read, and has no rate. */
	readonly isStill?: boolean;
	/** How many readings it stands on, and when the first of them was. */
	readonly basedOn: number;
	readonly from: Instant;
	/** What the water takes up per day, on the average of the last fortnight; negative when it gains by itself. */
	readonly consumptionPerDay: RatePerDay;
	/** Change per day with the doses that run now: doses minus consumption, without water changes. */
	readonly netChangePerDay: RatePerDay;
	/** Only bounds so far, most of them on one side: a rate from these is no number to show. */
	readonly mostlyBounds: boolean;
	readonly doubts: readonly Doubt[];
	readonly changes: readonly ConsumptionChange[];
	/** Enough was read for a step to be told from drift, if there was one. */
	readonly couldShowSteps: boolean;
	/** What is used per day at one time, with hindsight. */
	rateAt(time: Instant): RatePerDay;
	/** In the past with hindsight, ahead a forecast with the doses that run. */
	at(time: Instant): Prediction;
}
