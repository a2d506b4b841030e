/** Where a concentration is going, and how fast it is used up. */
export { twoPointRate, weightedRate, type Rate, type WeightedRate } from './rate.ts';
export {
	type Estimate,
	type Estimator,
	type History,
	type MeasuredPoint,
	type Prediction,
	type RatePerDay
} from './estimate.ts';
export { robustLine } from './robust-line.ts';
export { daysUntilOutside } from './leaving.ts';
