import type { ParameterId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';

/** One parameter of a sample, to be held against the seas; canonical unit, the interval with k = 2. */
export interface SeaRow {
	readonly parameter: ParameterId;
	readonly value: number;
	readonly u: number;
	readonly readAt: Instant;
}
