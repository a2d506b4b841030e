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
export { standardCheck, type Agreement, type StandardCheck } from './standard-check.ts';
export {
	kitFinding,
	type KitFinding,
	type KitState,
	type StandardFound,
	type StandardTried
} from './kit-finding.ts';
