/** Repeats of one sample: do they agree, what do they say together, which one stands apart? */
export {
	replicates,
	repeatRange,
	outlierAmong,
	agreedValue,
	type Replicates,
	type RangeCheck
} from './replicates.ts';
export { weightedMean, type WeightedMean } from './weighted-mean.ts';
export { type Agreement } from './agreement.ts';
export { standardCheck, type StandardCheck } from './standard-check.ts';
export {
	kitFinding,
	type KitFinding,
	type KitState,
	type StandardFound,
	type StandardTried
} from './kit-finding.ts';
/** Two methods, two readers, two waters. */
export {
	blandAltman,
	PAIRS_TO_TELL,
	slopeIsSeen,
	type BlandAltman,
	type LimitOfAgreement
} from './bland-altman.ts';
export { againstInterval, comparePair, type PairComparison, type Side } from './compare-pair.ts';
export { likelierOff, type LikelierOff, type OwnError } from './likelier-off.ts';
export { differenceThatMatters } from './matters.ts';
export {
	confounds,
	occasionsOf,
	pairsOf,
	type ComparableReading,
	type Confound,
	type Pair
} from './pairing.ts';
export {
	compareOnce,
	compareOverTime,
	type Read,
	type TwoMethodGrade,
	type TwoMethodVerdict
} from './two-methods.ts';
export { nextStepFor, type ComparisonState, type NextStep } from './what-next.ts';
