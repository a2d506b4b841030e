/** One concentration and its consumption: the filter in its plainest and fastest form. */
export { isMeasurement, timelineOf, EXCHANGE, VALUE, type Timeline, type TimelineItem } from './timeline.ts';
export {
	carried,
	emptyTrack,
	filterLevelRate,
	stateAt,
	type LevelRate,
	type LevelRateModel,
	type StateColumns,
	type Tolerance,
	type Track,
	type WanderNoise
} from './filter.ts';
export { adjointOf, smoothedAt, type Adjoint } from './smooth.ts';
export {
	nextTest,
	outsideChance,
	reachesFloor,
	type NextTest,
	type OpenBand,
	type OutsideChance
} from './forecast.ts';
