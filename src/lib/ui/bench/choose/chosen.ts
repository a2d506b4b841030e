import type { BenchOffer } from '$lib/contract/bench';
import type { StartChoice } from '../make-draft';

/** A test for the session to lay out. */
export interface Chosen {
	readonly waterId: string;
	readonly offer: BenchOffer;
	readonly choice: StartChoice;
	/** Replicates of the same sample. */
	readonly times: number;
}
