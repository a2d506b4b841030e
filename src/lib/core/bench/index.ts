/** Running a protocol: progress is a pure function of the steps and an append-only log. */
export {
	isMadeToday,
	isSetDay,
	nextTimeOf,
	orderWishes,
	setsOf,
	tomorrowInLight,
	type SetTest,
	type TestSet
} from './test-set.ts';
export { cleanUpActs, cleanUpS, lastActs, type CleanUpAct, type LastAct } from './clean-up.ts';
export { stepsTogether } from './together.ts';
export { progressOf, admit, type BenchEntry, type BenchPress, type Progress } from './progress.ts';
export { endsByItself, entriesBack, withWhatFollows } from './by-itself.ts';
export { remainingProblem, type Laying, type Overdue, type UnderWay } from './remaining.ts';
/** The laid-out session: an order of all hands-on steps for one pair of hands. */
export {
	CHANGEOVER_S,
	faultsOfPlan,
	handsSecondsOf,
	isAtOnce,
	layOut,
	layOutOrSay,
	mayBeAhead,
	planOfOrder,
	planTestOf,
	sequentialPlan,
	stepName,
	usualEquipment,
	type Placed,
	type Plan,
	type PlanBudget,
	type PlanFault,
	type PlanOutcome,
	type PlanProblem,
	type PlanStep,
	type PlanTest,
	type Wish
} from './plan/index.ts';
export {
	planRound,
	type Round,
	type RoundKit,
	type RoundNeed,
	type RoundStop,
	type RoundTank,
	type RoundTest
} from './round.ts';
