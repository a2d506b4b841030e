/** What to add or change, how much, how fast, and what else moves. */
export { COMPOUNDS, COMPOUND_IDS, type Brought, type Compound, type CompoundId } from './compound.ts';
export {
	effectOfMass,
	massForRise,
	NO_EFFECT,
	overDays,
	stockForRise,
	sumOfEffects,
	type DoseEffect,
	type Raised
} from './dose.ts';
/** What is at hand. */
export { recipeFor, STOCK, type Recipe, type SaltDanger, type TooStrong } from './stock.ts';
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
} from './supplement.ts';
export { bestMix, type AtHand, type Mix, type MixGiven } from './mix.ts';
export { magnesiumSalts } from './magnesium.ts';
/** The water, and what it bears. */
export {
	GUESSED_VOLUME_U,
	KNOWN_VOLUME_U,
	knownFrom,
	type Assumption,
	type Known,
	type WaterNow
} from './water-state.ts';
export { limitFault, limitFor, type LimitRefusal, type OwnLimit } from './limits.ts';
export { isSeen, strangeMove, WATCHED_MOVES, type StrangeMove } from './strange-move.ts';
export { answerOfDoses, answersOtherwise } from './answer.ts';
export { highestPh, largestPortion, type Portion } from './portion.ts';
export { carbonateCourse, MOST_OMEGA, MOST_PH_TOTAL } from './chemistry-after.ts';
export {
	beforeAndAfter,
	type BeforeAfter,
	type Moved,
	type MovedRow,
	type PlanWarning
} from './before-after.ts';
/** From a finding to days, and whether they work. */
export {
	isNeglected,
	NEGLECTED_ORDER,
	repairsFor,
	type LeaveReason,
	type NeglectedStep,
	type Repair,
	type Standing
} from './repairs.ts';
export {
	HUSBANDRY,
	HUSBANDRY_IDS,
	type CauseId,
	type Husbandry,
	type HusbandryId,
	type RemedyId
} from './husbandry.ts';
export { addedBy, planDoses } from './plan.ts';
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
} from './plan-types.ts';
export { driftOf } from './drift.ts';
export {
	cautiousResponse,
	follow,
	NOTICE_LOG_ODDS,
	sharedReason,
	type Followed,
	type FollowReading,
	type GivenDose
} from './follow.ts';
/** The daily dose, by school. */
export { limewaterPerDay, saltResidue } from './limewater.ts';
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
} from './daily-dose.ts';
/** Water changes, salinity, batches and blending. */
export {
	afterChanges,
	afterContinuous,
	changesFor,
	fractionFor,
	steadyChanges,
	turnoversFor,
	volumeByDose
} from './exchange.ts';
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
} from './change-series.ts';
export { blend, evaporated, saltFor, thinned } from './salinity.ts';
export { salinityDays, type SalinityDay } from './salinity-plan.ts';
export { findingsOfBatch, magnesiumForBatch, saltForBatch, type BatchFinding } from './batch.ts';
export { freshSaltFor, hardnessWay, type FreshSalt, type HardnessWay } from './fresh.ts';
