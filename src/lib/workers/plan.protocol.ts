import type { Plan, PlanOutcome, PlanProblem } from '$lib/core/bench';

export interface PlanRequest {
	readonly problem: PlanProblem;
	/** How long the search may go on. */
	readonly ms: number;
	readonly seed: number;
}

export type PlanMessage =
	{ readonly kind: 'better'; readonly plan: Plan } | { readonly kind: 'done'; readonly outcome: PlanOutcome };
