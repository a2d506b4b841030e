/** What a value means: bands, where they come from, and verdicts with their reasons. */
export { againstBand, type Band, type BandDecision, type BandProbabilities } from './band.ts';
export { PROFILES, PROFILE_IDS, isProfileId, type ProfileId, type TargetProfile } from './profiles.ts';
export { repeatWouldTell } from './repeat.ts';
export { gradeOf, judge, type Grade, type Verdict, type Expectation } from './verdict.ts';
export {
	byLongestInterval,
	fittingInto,
	HAPPENINGS,
	isDue,
	panelFor,
	type Cadence,
	type CadenceInput,
	type DueTest,
	type Happening,
	type TestingPhase,
	type WhyDue
} from './due.ts';
