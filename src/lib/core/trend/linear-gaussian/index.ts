/** Several states at once: levels that are driven, rates and biases that wander. */
export { type Coupling, type LinearItem, type LinearModel, type Sight } from './model.ts';
export { filterLinear, type LinearTrack, type Working } from './filter.ts';
export {
	adjointOfLinear,
	beliefAt,
	filteredAfter,
	seenAt,
	type Belief,
	type LinearAdjoint
} from './smooth.ts';
