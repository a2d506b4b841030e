/** Practice: end points, scales and steps that are simulated, and what they tell of whoever reads them. */
export { acidToReach, phAfterAcid, type AcidTitration } from './vial/acid-titration.ts';
export { bareShare, conditionalLogK, EDTA_PKA, freeIon } from './vial/complex-titration.ts';
export {
	absorbanceOf,
	CLEAR_DAY,
	cssOf,
	lightOfTable,
	lightThrough,
	mixedAbsorbance,
	type Bands,
	type Surroundings
} from './vial/light.ts';
export {
	afterTime,
	dropMlOf,
	FIRST_SIGHT,
	freshVial,
	FULL_CHANGE,
	restingShare,
	sightOf,
	titrantToShow,
	vialOf,
	withDrop,
	type SimulatedVial,
	type VialSight,
	type VialState
} from './vial/vial.ts';
export { eyeOf, type Answer, type Eye, type EyePrior, type Spanned } from './reader/eye.ts';
export { priorOf } from './reader/related.ts';
export {
	eyeAtBench,
	NO_REAL_VIALS,
	realReadings,
	SCREEN_BIAS_SD,
	type Beside,
	type RealVials
} from './reader/real-vials.ts';
export { realVialsOf, worthOfStep, type BlindReading } from './reader/from-record.ts';
export {
	answersOn,
	endPointEye,
	knownReader,
	mixedUpOf,
	ownEyeOf,
	scaleEye,
	scaleOf,
	subjectKey,
	triedEndPoints,
	usualEndPointU,
	USUAL_SCALE_U,
	type ReaderDecision,
	type ReaderFinding,
	type Subject
} from './reader/known.ts';
export { slipsInPractice } from './reader/slip-rates.ts';
export {
	MOST_QUESTIONS,
	nextPair,
	pairsKnown,
	TOLD,
	UNTOLD,
	type PairAnswer,
	type PairKnown
} from './steps/told-apart.ts';
export {
	LINES,
	linesKnown,
	type LineKnown,
	nextOdd,
	ODD_QUESTIONS,
	oddOne,
	weakestLine,
	type Line,
	type OddAnswer,
	type OddOne
} from './steps/odd-one.ts';
export {
	MISREADINGS,
	SCALES,
	scaleExercise,
	scoreOfScale,
	type Misreading,
	type ScaleExercise,
	type ScaleKind
} from './exercise/scales.ts';
export { countExercise, type CountExercise } from './exercise/counting.ts';
export {
	END_POINT_MODES,
	SCOOPS,
	type EndPointMode,
	type Scoop,
	type Trial,
	type TrialKind
} from './trial.ts';
export { whatNext, type Practisable, type WorthPractising } from './what-next.ts';
export { saidScores, type Said, type SaidScore } from './said-before.ts';
