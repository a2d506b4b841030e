/** Where a concentration is going, and how fast it is used up. */
export { twoPointRate, weightedRate, type Rate, type WeightedRate } from './rate.ts';
export {
	type ConsumptionChange,
	type Doubt,
	type Estimate,
	type History,
	type Observation,
	type Prediction,
	type RatePerDay
} from './estimate.ts';
export { learnedWander } from './wander.ts';
export { SURPRISING_Z } from './surprise.ts';
export { measurementNoise } from './history-items.ts';
export {
	CONSUMPTION_DAYS,
	estimateFrom,
	estimateOne,
	estimateWater,
	learnWater,
	type Departure,
	type LearnedWater,
	type WaterEstimate
} from './water-estimate.ts';
export { estimateStill, type Keeping } from './still-water.ts';
export { KeptPasses } from './pass.ts';
export { daysUntilOutside } from './leaving.ts';
export { isLine, tellsUse } from './line.ts';
export {
	CALCIUM_PER_DKH,
	checkStoichiometry,
	MAGNESIUM_PER_DKH,
	type StoichiometryCheck
} from './stoichiometry.ts';
export {
	adjointOf,
	carried,
	emptyTrack,
	filterLevelRate,
	isMeasurement,
	nextTest,
	outsideChance,
	reachesFloor,
	smoothedAt,
	stateAt,
	timelineOf,
	VALUE,
	type LevelRate,
	type LevelRateModel,
	type OpenBand,
	type TimelineItem
} from './level-rate/index.ts';
