/** Several states at once: levels that are driven, rates and biases that wander. */
export { type Coupling, type LinearItem, type LinearModel, type Sight } from './model.ts';
export { filterLinear, type LinearTrack, type Working } from './filter.ts';
export { beliefAt, filteredAfter, seenAt, type Belief, LinearAdjoint } from './smooth.ts';
