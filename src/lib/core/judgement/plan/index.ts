/** A water's corrections: what a plan would be from where it stands now, and how those that were begun run. */
export { levelsRead } from './batch.ts';
export { makePlan } from './make-plan.ts';
export type { PlanBase } from './plan-base.ts';
export { betweenChanges, newWaterOf } from './plan-of-changes.ts';
export type {
	Batch,
	DosingTable,
	MixSeen,
	NamedSupplement,
	PlanLine,
	PlanPreview,
	SeenGoal,
	SeenPlan
} from './plan-types.ts';
export { planLines, runningPlans, stillAdded } from './running-plans.ts';
export { seenPlan } from './seen-plan.ts';
export { stepsAhead, type StepAhead } from './steps-ahead.ts';
export { waysAhead, type WayAhead } from './ways-ahead.ts';
