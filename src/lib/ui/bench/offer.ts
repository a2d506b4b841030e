import type { SyringeMethod } from '$lib/core/method';
import type { Instant } from '$lib/core/time';
import type { BenchContext } from './measure';

/** A method ready for the bench, as the server sends it. */
export interface BenchOffer extends BenchContext {
	readonly method: SyringeMethod;
	readonly basedOn: number;
	readonly lastAt: Instant | null;
}
