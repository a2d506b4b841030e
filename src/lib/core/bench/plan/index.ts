/** The laid-out session: an order of all hands-on steps for one pair of hands. */
export {
	CHANGEOVER_S,
	type Lag,
	type Placed,
	type Plan,
	type PlanProblem,
	type PlanStep,
	type PlanTest,
	type Wish
} from './problem.ts';
export { layOut, type PlanBudget } from './lay-out.ts';
export { layOutOrSay, type PlanOutcome } from './conflicts.ts';
export { planOfOrder, sequentialPlan } from './sequence.ts';
export { faultsOfPlan, type PlanFault } from './check-plan.ts';
export {
	handsSecondsOf,
	isAtOnce,
	mayBeAhead,
	planTestOf,
	stepName,
	stretchesOf,
	usualEquipment,
	waitOf
} from './plan-test.ts';
