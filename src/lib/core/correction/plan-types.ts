import type { ParameterId } from '../quantity/index.ts';
import type { BeforeAfter } from './before-after.ts';
import type { DoseUnit, RaisedParameter, Supplement } from './supplement.ts';
import type { Known, WaterNow } from './water-state.ts';

/** One parameter that is to be raised, and with what. */
export interface Goal {
	readonly parameter: RaisedParameter;
	readonly from: Known;
	readonly aim: number;
	/** Net change a day as things run now: what is dosed already, less what is used. */
	readonly drift: { readonly value: number; readonly u: number };
	/** Random standard uncertainty of one reading with the keeper's kit. */
	readonly readingU: number;
	readonly supplementId: string;
	readonly supplement: Supplement;
}

/** The daily dose is off by this: set anew together with the plan, so that the plan corrects and nothing else. */
export interface Retune {
	readonly parameter: RaisedParameter;
	/** Canonical unit a day, more where positive. */
	readonly risePerDay: number;
	readonly supplementId: string;
	/** The same as an amount of the plan's supplement. */
	readonly amountPerDay: number;
	readonly unit: DoseUnit;
}

export interface PlannedDose {
	/** 0 is the plan's first day. */
	readonly day: number;
	readonly parameter: RaisedParameter;
	readonly supplementId: string;
	readonly amount: number;
	readonly unit: DoseUnit;
	/** In how many parts over the day. */
	readonly portions: number;
	/** Of the parameter, canonical unit. */
	readonly rise: number;
}

export interface CoursePoint {
	readonly day: number;
	readonly value: number;
	readonly u: number;
}

/** Why nothing is added for a goal, or not all of it; the nearest that can be reached where there is one. */
export type GoalRefusal =
	| { readonly kind: 'nothing-to-do'; readonly parameter: RaisedParameter }
	| { readonly kind: 'cannot-lower'; readonly parameter: RaisedParameter }
	| { readonly kind: 'rises-by-itself'; readonly parameter: RaisedParameter; readonly days: number }
	| {
			readonly kind: 'brings-too-much';
			readonly parameter: RaisedParameter;
			/** What comes along with it. */
			readonly of: RaisedParameter;
	  }
	| {
			readonly kind: 'too-far';
			readonly parameter: RaisedParameter;
			/** What could be reached in the longest plan. */
			readonly nearest: number;
	  }
	| {
			readonly kind: 'beyond-bacteria';
			readonly parameter: RaisedParameter;
			/** What the bacteria of a water without animals bear. */
			readonly nearest: number;
	  }
	| {
			readonly kind: 'overcharged';
			readonly parameter: RaisedParameter;
			readonly by: 'ph' | 'saturation';
			/** What the water bears. */
			readonly nearest: number;
	  };

/** Things worth saying about a plan that is possible. */
export type PlanRemark = 'second-reading' | 'long' | 'stretched' | 'cannot-tell' | 'many-portions';

export interface DosePlan {
	readonly doses: readonly PlannedDose[];
	/** Days on which something is added. */
	readonly days: number;
	readonly courses: readonly {
		readonly parameter: RaisedParameter;
		readonly points: readonly CoursePoint[];
	}[];
	readonly tests: readonly PlannedTest[];
	readonly retunes: readonly Retune[];
	readonly refusals: readonly GoalRefusal[];
	readonly remarks: readonly PlanRemark[];
	readonly moves: BeforeAfter;
}

export interface PlannedTest {
	readonly day: number;
	readonly parameters: readonly ParameterId[];
	/** Readings of each, so that a weak product could be told. */
	readonly repeats: number;
	readonly why: 'before' | 'midway' | 'end';
}

export interface PlanGiven {
	readonly water: WaterNow;
	readonly goals: readonly Goal[];
	/** Largest net rise a day; null where none holds. */
	readonly limits: Readonly<Partial<Record<RaisedParameter, number | null>>>;
	/** The present level rests on one reading that surprised. */
	readonly surprising: readonly ParameterId[];
}
