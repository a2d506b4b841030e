import type { Clock, Instant } from '$lib/core/time';
import type { KeptPasses, LearnedWater } from '$lib/core/trend';
import type { Database } from '../db/connect.ts';
import type { Reader, Transaction } from '../repository/database.ts';

/** What reading stands on: the pool, or the transaction that it is part of. */
export interface Deps {
	readonly db: Reader;
	readonly clock: Clock;
	/** Makes a UUID v7 whose time is the clock's. */
	readonly newId: () => string;
	/** Tells whoever keeps the log what failed and was answered all the same, with what it was about. */
	readonly report?: (fault: Error, about: string) => void;
	/** Keeps what was reckoned, where somebody reckons often. */
	readonly memory?: Memory;
}

/** What was reckoned before, by what it was made from. */
export interface Memory {
	/** Within one process: makes it where it is not there. */
	judged<T>(key: string, make: () => Promise<T>): Promise<T>;
	/** Within one process: the passes that the last estimates of a water were told from. */
	passes(waterId: string): KeptPasses;
	/**
	 * Over all processes and restarts; looked up by the connection that is held already. What is made is told what was
	 * known before the last change, where that is at hand.
	 */
	learned(
		db: Reader,
		of: LearnedFrom,
		make: (before: LearnedWater | null) => LearnedWater
	): Promise<LearnedWater>;
}

/** What is learned of a water rests on its readings since a time, and on a state of its records. */
export interface LearnedFrom {
	readonly waterId: string;
	readonly since: Instant;
	readonly madeFrom: string;
}

/** What a use case stands on that opens a transaction of its own. Inside of one there is only `Within`. */
export interface PooledDeps extends Deps {
	readonly db: Database;
}

/**
 * The same inside a transaction. Whoever reaches for the pool there asks for a second connection while holding one,
 * and as many at once as the pool has connections then wait for each other for ever.
 */
export interface Within extends Deps {
	readonly db: Transaction;
	/** Says what this transaction changes. One that says nothing is taken to change its whole site. */
	readonly touch: (what: Touched) => void;
}

/** What is judged anew because of a change: nothing, one water, or every water of the site. */
export type Touched = 'nothing' | 'site' | { readonly waterId: string };
