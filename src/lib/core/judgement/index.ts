/** What a value means: bands, where they come from, and verdicts with their reasons. */
export { seaRangeOf, SEAS, type Sea } from './sea-ranges.ts';
export { againstBand, aimOf, type Band, type BandDecision, type BandProbabilities } from './band.ts';
export { PROFILES, PROFILE_IDS, isProfileId, type ProfileId, type TargetProfile } from './profiles.ts';
export { cycleReadingOf } from './cycle-reading.ts';
export { sourceFit, type SourceFit, type WantedBand } from './source-fit.ts';
export { repeatWouldTell } from './repeat.ts';
export {
	gradeOf,
	isOutside,
	judge,
	judgeResult,
	type Grade,
	type Verdict,
	type Expectation
} from './verdict.ts';
export { isActedOnEarly, isTakenForOutside, urgencyOf, type Urgency } from './act.ts';
export { goingOf, type Going } from './going.ts';
export { runOnOneSide, type RunOfSide } from './run-of-side.ts';
export {
	againstReference,
	baselineOf,
	seaWaterFor,
	type AgainstReference,
	type Reference
} from './reference.ts';
export { besideAmmonia, freeAmmonia, NH3_WATCH, type FreeAmmonia } from './free-ammonia.ts';
/** Where a water stands in its life. */
export { bandsIn, isFresh, STAGES, stageOf, type AdviceId, type Stage, type StageId } from './stage.ts';
export {
	afterCycle,
	CYCLE_SCHOOLS,
	followCycle,
	USUAL_CYCLE,
	type AfterCycle,
	type CyclePhase,
	type CycleReading,
	type CycleSchool,
	type CycleSettings,
	type CycleState,
	type CycleTrack
} from './cycle.ts';
export {
	factsOf,
	ReadingsInTime,
	findingsOf,
	RULES,
	RULE_IDS,
	type DatedReading,
	type FactName,
	type Facts,
	type FactsGiven,
	type Finding,
	type Rule,
	type RuleId,
	type RuleStrength
} from './rules/index.ts';
/** What to test, when, and why. */
export {
	HAPPENINGS,
	isNoneWanted,
	PANEL_DAYS,
	PANELS,
	type Happening,
	type PanelHappening
} from './panel.ts';
export {
	fittingInto,
	isDue,
	panelFor,
	type Cadence,
	type AskedTest,
	type CadenceInput,
	type DueTest,
	type TestingHabit,
	type TestingPhase,
	type WhyDue
} from './due.ts';
export { byHabit, byLongestInterval, byOutlook, dueTests, longestDays, shortestDays } from './cadence.ts';
export { acceptedChance, outlookOf, type Outlook, type OutlookLimits, type TestCost } from './outlook.ts';
export { DANGER_WEIGHT, pressing, worstOf, type Matter } from './pressing.ts';
