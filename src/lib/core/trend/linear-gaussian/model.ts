/** How fast one state moves another: d(state[row])/dt += perDay · state[column]. */
export interface Coupling {
	readonly row: number;
	readonly column: number;
	readonly perDay: number;
}

/**
 * States of two sorts: those that are driven (levels, sums) and those that only wander (rates, departures, biases).
 * A driver is never driven itself, so that a stretch of any length is carried over in one exact step.
 */
export interface LinearModel {
	readonly size: number;
	readonly couplings: readonly Coupling[];
	/** Variance that a state gains per day, one for each. */
	readonly wanderPerDay: Float64Array;
	/** What a level wanders is drawn from, or left to, its sum. */
	readonly mirrored: readonly { readonly level: number; readonly sum: number }[];
	readonly startDay: number;
	readonly mean: Float64Array;
	/** Row by row, size × size. */
	readonly covariance: Float64Array;
}

/** What is looked at: a sum of states, each with its share. */
export type Sight = readonly (readonly [state: number, share: number])[];

export type LinearItem =
	| {
			readonly kind: 'value';
			readonly day: number;
			readonly sight: Sight;
			readonly value: number;
			readonly u: number;
	  }
	| {
			readonly kind: 'interval';
			readonly day: number;
			readonly sight: Sight;
			readonly lower: number;
			readonly upper: number;
			readonly u: number;
	  }
	| {
			readonly kind: 'step';
			readonly day: number;
			readonly state: number;
			readonly amount: number;
			readonly u: number;
	  }
	| {
			readonly kind: 'exchange';
			readonly day: number;
			readonly state: number;
			readonly fraction: number;
			readonly newWater: number | null;
			readonly uNewWater: number;
			readonly uFraction: number;
	  }
	| { readonly kind: 'flow'; readonly day: number; readonly state: number; readonly perDay: number }
	| { readonly kind: 'loosen'; readonly day: number; readonly state: number; readonly variance: number }
	| {
			/** What is seen is set to a mean and variance found otherwise; all else follows by its correlation. */
			readonly kind: 'settle';
			readonly day: number;
			readonly sight: Sight;
			readonly value: number;
			readonly variance: number;
	  }
	/** A state begins anew: a sum at nothing, a level with its own prior. */
	| {
			readonly kind: 'restart';
			readonly day: number;
			readonly state: number;
			readonly mean: number;
			readonly variance: number;
	  };
