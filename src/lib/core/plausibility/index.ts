/** Is a reading what it seems? The usual slips, weighed against what the water was expected to be. */
export {
	learnedPriors,
	SLIP_KINDS,
	USUAL_PRIORS,
	type SlipCounts,
	type SlipKind,
	type SlipPriors
} from './priors.ts';
export { weighReading, type Expected, type SlipAssessment, type SlipCandidate } from './slips.ts';
export type { DoubtfulReading, SlipExplanation } from './doubtful.ts';
