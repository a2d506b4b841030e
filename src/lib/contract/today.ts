import type { AdviceId, DueTest, StageId, Verdict } from '$lib/core/judgement';
import type { PlanLine } from '$lib/core/judgement/plan';
import type { CycleToday, LeftOut, MatterToday, ParameterToday } from '$lib/core/judgement/water';
import type { ParameterId } from '$lib/core/quantity';
import type { RecurringDose } from '$lib/core/record';
import type { TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';

/** One line for a water among several, with the worst of what it asks for. */
export interface WaterLine {
	readonly id: string;
	readonly name: string;
	readonly site: string;
	readonly stage: StageId | null;
	readonly worst: MatterToday | null;
	/** How many matters it has besides. */
	readonly others: number;
	readonly due: readonly ParameterId[];
	readonly lastReadAt: Instant | null;
	/** How many readings it has that are out of all reckoning. */
	readonly leftOut: number;
	/** It could not be judged at all; its page says more. */
	readonly failed: boolean;
	readonly weight: number;
}

/** The last day on which the water was tested, and what was read. */
export interface LastSession {
	readonly at: Instant;
	readonly results: readonly {
		readonly parameter: ParameterId;
		readonly result: TestResult;
		readonly verdict: Verdict | null;
	}[];
}

export interface TodayAnswer {
	/** At most three, but every danger; then what is folded below. */
	readonly shown: readonly MatterToday[];
	readonly folded: readonly MatterToday[];
	readonly due: readonly DueTest[];
	readonly stage: StageId | null;
	readonly advice: readonly AdviceId[];
	readonly cycle: CycleToday | null;
	readonly lastSession: LastSession | null;
	readonly rows: readonly ParameterToday[];
	readonly untested: readonly ParameterId[];
	readonly leftOut: readonly LeftOut[];
	/** Bottles that were put aside for the laboratory, newest first. */
	readonly bottles: readonly { readonly id: string; readonly at: Instant }[];
	/** What is given every day. */
	readonly doses: readonly Pick<RecurringDose, 'supplement' | 'amountMlPerDay' | 'unit'>[];
	/** Corrections that run, with what they ask for today. */
	readonly plans: readonly PlanLine[];
}
