import type { Clock } from '$lib/core/time';
import type { Database } from '../db/connect.ts';

/** What every use case stands on. */
export interface Deps {
	readonly db: Database;
	readonly clock: Clock;
	/** Makes a UUID v7 whose time is the clock's. */
	readonly newId: () => string;
}
