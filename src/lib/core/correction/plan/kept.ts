import type { SupplementStrength } from '../../balance/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import type { Instant } from '../../time/index.ts';
import type { DoseUnit, RaisedParameter, Supplement } from '../dose/supplement.ts';
import type { HusbandryId } from '../remedy/husbandry.ts';
import type { Known } from '../water-state.ts';
import type { BeforeAfter } from './before-after.ts';
import type { CoursePoint, PlanRemark } from './plan-types.ts';

/** What a plan is asked for; everything else is reckoned. */
export type PlanRequest =
	| {
			readonly kind: 'doses';
			readonly goals: readonly {
				readonly parameter: RaisedParameter;
				readonly aim: number;
				readonly supplementId: string;
			}[];
			/** The net volume was found by filling or by a dose, not guessed from the glass. */
			readonly volumeKnown: boolean;
			/** Where a level moves as no tank moves it: pumps, bottles, volume and strength were looked at, and are right. */
			readonly looked?: boolean;
	  }
	| { readonly kind: 'salinity'; readonly aim: number; readonly volumeKnown: boolean }
	| {
			readonly kind: 'changes';
			readonly litres: number;
			readonly count: number;
			readonly everyDays: number;
			readonly batch: string;
	  }
	| { readonly kind: 'husbandry'; readonly id: HusbandryId };

/** One thing to do on a day of a plan. */
export interface PlanStep {
	readonly id: string;
	/** 0 is the plan's first day. */
	readonly day: number;
	readonly what:
		| {
				readonly kind: 'dose';
				readonly parameter: RaisedParameter;
				readonly supplementId: string;
				readonly name: string;
				readonly amount: number;
				readonly unit: DoseUnit;
				readonly portions: number;
				readonly rise: number;
		  }
		| {
				readonly kind: 'daily-dose';
				readonly parameter: RaisedParameter;
				readonly name: string;
				readonly fromPerDay: number;
				readonly toPerDay: number;
				readonly unit: DoseUnit;
				/** What one mL or g of it does to 100 L, as the estimate takes it. */
				readonly strength: readonly SupplementStrength[];
		  }
		| {
				readonly kind: 'test';
				readonly parameters: readonly ParameterId[];
				readonly repeats: number;
				readonly why: 'before' | 'midway' | 'end' | 'regular';
		  }
		| {
				readonly kind: 'salinity';
				readonly from: number;
				readonly to: number;
				readonly saltKg: number;
				readonly exchangeL: number;
		  }
		| { readonly kind: 'change'; readonly number: number; readonly litres: number; readonly batch: string }
		| { readonly kind: 'remedy'; readonly remedy: string };
}

export interface PlanCourse {
	readonly parameter: ParameterId;
	readonly points: readonly CoursePoint[];
}

/** What a goal started from, kept with its plan: following it needs what was believed then. */
export interface PlanGoal {
	readonly parameter: ParameterId;
	readonly from: Known;
	/** The random part of `from.u`: what the kit's readings share cancels in following. */
	readonly fromU: number;
	readonly aim: number;
	readonly drift: { readonly value: number; readonly u: number };
	readonly limitPerDay: number | null;
}

/** A plan as it is kept. */
export interface KeptPlan {
	readonly request: PlanRequest;
	readonly volumeL: Known | null;
	readonly days: number;
	readonly goals: readonly PlanGoal[];
	readonly supplements: readonly {
		readonly id: string;
		readonly name: string;
		readonly what: Supplement;
		/** What its label forbids to combine it with. */
		readonly notWith: string;
	}[];
	readonly steps: readonly PlanStep[];
	readonly courses: readonly PlanCourse[];
	readonly moves: BeforeAfter | null;
	readonly remarks: readonly PlanRemark[];
}

/** A plan as it was begun. */
export interface StoredPlan {
	readonly id: string;
	readonly waterId: string;
	readonly plan: KeptPlan;
	readonly startsAt: Instant;
	readonly offsetMinutes: number;
}

export type PlanNoteKind = PlanNoteDetails['kind'];

export type PlanNoteDetails =
	| {
			readonly kind: 'done';
			readonly stepId: string;
			readonly amount: number | null;
			readonly eventId: string | null;
	  }
	| { readonly kind: 'skipped'; readonly stepId: string }
	| {
			readonly kind: 'adapted';
			/** From this day of the plan on, these steps take the place of those that were not done yet. */
			readonly fromDay: number;
			readonly days: number;
			readonly steps: readonly PlanStep[];
			readonly courses: readonly PlanCourse[];
			/** What it started from, for following it from here on. */
			readonly goals: readonly PlanGoal[];
			/** What the water answered to a dose so far, as a share of what was expected. */
			readonly response: number;
	  }
	| { readonly kind: 'ended'; readonly why: 'reached' | 'stopped' };

export interface StoredPlanNote {
	readonly id: string;
	readonly planId: string;
	readonly kind: PlanNoteKind;
	readonly details: PlanNoteDetails;
	readonly note: string;
	readonly happenedAt: Instant;
}

/** A plan as it was begun, with what became of it. */
export interface PlanWithNotes {
	readonly stored: StoredPlan;
	readonly notes: readonly StoredPlanNote[];
}
