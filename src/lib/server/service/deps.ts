import type { Clock } from '$lib/core/time';
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
}
