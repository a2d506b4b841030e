/** What to add or change, how much, how fast, and what else moves. */
export { COMPOUNDS, COMPOUND_IDS, type Brought, type Compound, type CompoundId } from './dose/compound.ts';
export {
	effectOfMass,
	massForRise,
	NO_EFFECT,
	overDays,
	stockForRise,
	sumOfEffects,
	type DoseEffect,
	type Raised
} from './dose/dose.ts';
/** What is at hand. */
export { recipeFor, STOCK, type Recipe, type SaltDanger, type TooStrong } from './dose/stock.ts';
export {
	ALKALINITY_FORMS,
	amountFor,
	doseByTable,
	DOSE_UNITS,
	effectOf,
	LABEL_U,
	RAISED,
	offeredFor,
	raisedBy,
	riseIn,
	SATURATED_LIMEWATER,
	strengthByTrial,
	strengthOf,
	unitOf,
	type AlkalinityForm,
	type DoseUnit,
	type DosingRow,
	type ProductStrength,
	type RaisedParameter,
	type Supplement
} from './dose/supplement.ts';
export { supplementFor } from './dose/usual-supplement.ts';
export { bestMix, type AtHand, type Mix, type MixGiven } from './dose/mix.ts';
export { magnesiumSalts } from './dose/magnesium.ts';
/** The water, and what it bears. */
export {
	GUESSED_VOLUME_U,
	KNOWN_VOLUME_U,
	knownFrom,
	type Assumption,
	type Known,
	type WaterNow
} from './water-state.ts';
export { limitFault, limitFor, type LimitRefusal, type OwnLimit } from './plan/limits.ts';
export { isSeen, strangeMove, type StrangeMove } from './follow/strange-move.ts';
export { strangeMoves } from './follow/strange-moves.ts';
export { answerOfDoses, answersOtherwise } from './follow/answer.ts';
export { highestPh, largestPortion, type Portion } from './dose/portion.ts';
export { carbonateCourse, MOST_OMEGA, MOST_PH_TOTAL } from './dose/chemistry-after.ts';
export {
	beforeAndAfter,
	type BeforeAfter,
	type Moved,
	type MovedRow,
	type PlanWarning
} from './plan/before-after.ts';
/** From a finding to days, and whether they work. */
export {
	isNeglected,
	NEGLECTED_ORDER,
	repairsFor,
	type LeaveReason,
	type NeglectedStep,
	type Repair,
	type Standing
} from './remedy/repairs.ts';
export {
	HUSBANDRY,
	HUSBANDRY_IDS,
	type CauseId,
	type Husbandry,
	type HusbandryId,
	type RemedyId
} from './remedy/husbandry.ts';
export { addedBy, planDoses } from './plan/plan.ts';
export type {
	CoursePoint,
	DosePlan,
	Goal,
	GoalRefusal,
	PlanGiven,
	PlannedDose,
	PlannedTest,
	PlanRemark,
	Retune,
	RisePerDay
} from './plan/plan-types.ts';
export { driftOf } from './follow/drift.ts';
export {
	cautiousResponse,
	follow,
	NOTICE_LOG_ODDS,
	sharedReason,
	type Followed,
	type FollowReading,
	type GivenDose
} from './follow/follow.ts';
/** A plan as it is kept, and what becomes of it. */
export {
	type KeptPlan,
	type PlanCourse,
	type PlanGoal,
	type PlanNoteDetails,
	type PlanNoteKind,
	type PlanRequest,
	type PlanStep,
	type PlanWithNotes,
	type StoredPlan,
	type StoredPlanNote
} from './plan/kept.ts';
export { eventOfStep } from './plan/event-of-step.ts';
export {
	OVER_DAYS,
	planDay,
	seenSteps,
	type PlanState,
	type SeenStep,
	type SeenSteps,
	type StepState
} from './plan/seen-steps.ts';
/** The daily dose, by school, and those that run. */
export { dosedPerDay, givenToday, runningDoses, singleDoses, type Lived } from './dose/running.ts';
export { limewaterPerDay, saltResidue } from './dose/limewater.ts';
export {
	balanceOf,
	heldByChanges,
	limewaterDose,
	reactorDose,
	reactorFlow,
	saltCreep,
	SCHOOLS,
	dailyStep,
	tunedDose,
	type Balance,
	type DailyStep,
	type DailyUse,
	type School,
	type TunedDose
} from './dose/daily-dose.ts';
/** Water changes, salinity, batches and blending. */
export {
	afterChanges,
	afterContinuous,
	changesFor,
	fractionFor,
	steadyChanges,
	turnoversFor,
	volumeByDose
} from './exchange/exchange.ts';
export {
	CHANGE_STEPS,
	largestChange,
	MATCHED,
	movesOfChange,
	seriesOf,
	type ChangeMove,
	type ChangeStep,
	type LevelsOf,
	type SeriesStep
} from './exchange/change-series.ts';
export { blend, evaporated, saltFor, thinned } from './exchange/salinity.ts';
export { salinityDays, type SalinityDay } from './exchange/salinity-plan.ts';
export { findingsOfBatch, magnesiumForBatch, saltForBatch, type BatchFinding } from './exchange/batch.ts';
export { freshSaltFor, hardnessWay, type FreshSalt, type HardnessWay } from './exchange/fresh.ts';
/** What a form asks, reckoned as one types: from plain data to plain data. */
export {
	reckonChange,
	type ChangeGiven,
	type ChangeReach,
	type ChangeReckoned,
	type ChangeWish,
	type DayLimit
} from './reckon/change.ts';
export {
	reckonDaily,
	TUNED,
	type DailyGiven,
	type DailyReckoned,
	type DailyWish,
	type LevelAhead,
	type Tuned
} from './reckon/daily.ts';
export { reckonBlend, type BlendReckoned, type BlendWish } from './reckon/blend.ts';
