import type { ParameterId } from '../../quantity/index.ts';
import type { DoseUnit, RaisedParameter, Supplement } from '../dose/supplement.ts';
import type { StrangeMove } from '../follow/strange-move.ts';
import type { Known, WaterNow } from '../water-state.ts';
import type { BeforeAfter } from './before-after.ts';

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
			/** It moves as no tank makes it move: what failed is looked for first. */
			readonly kind: 'ask-first';
			readonly parameter: RaisedParameter;
			readonly move: StrangeMove;
	  }
	| {
			/** Earlier doses did far more than they should have: the volume or the strength is wrong. */
			readonly kind: 'answers-otherwise';
			readonly parameter: RaisedParameter;
			/** As a share of what was expected. */
			readonly response: Known;
	  }
	| {
			/** What moves by itself, or is added besides, takes all that a day may change. */
			readonly kind: 'no-room';
			readonly parameter: RaisedParameter;
			readonly by: 'rise' | 'other-plans';
	  }
	| {
			/** So much, or so little, that the volume or the strength cannot be right. */
			readonly kind: 'unlikely-amount';
			readonly parameter: RaisedParameter;
			readonly perDay: number;
			readonly unit: DoseUnit;
			readonly side: 'much' | 'little';
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
export type PlanRemark =
	| 'second-reading'
	| 'long'
	| 'stretched'
	| 'cannot-tell'
	| 'many-portions'
	/** It falls by more than the daily dose may be raised at once. */
	| 'not-caught-up'
	/** The first dose waits for tomorrow: today was dosed already. */
	| 'from-tomorrow';

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

/** Of each parameter, canonical unit; none where it is missing. */
export type RisePerDay = Readonly<Partial<Record<RaisedParameter, number>>>;

export interface PlanGiven {
	readonly water: WaterNow;
	readonly goals: readonly Goal[];
	/** Largest net rise a day; null where none holds. */
	readonly limits: Readonly<Partial<Record<RaisedParameter, number | null>>>;
	/** The present level rests on one reading that surprised. */
	readonly surprising: readonly ParameterId[];
	/** What the daily doses that run bring a day. */
	readonly dosed: RisePerDay;
	/** What other plans that run still add on a day, at most. */
	readonly besides: RisePerDay;
	/** What was added by hand within the last day. */
	readonly givenToday: RisePerDay;
	/** What the water answered to earlier doses, as a share of what was expected; none where it cannot be told. */
	readonly answers: Readonly<Partial<Record<RaisedParameter, Known>>>;
	/** Somebody looked: volume and strength are right, pumps run, bottles are not empty, nothing else is added. */
	readonly looked: boolean;
}
