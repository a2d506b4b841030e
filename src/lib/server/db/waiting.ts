import type { Pool, PoolConnection } from 'mysql2';
import type { Pool as PromisePool } from 'mysql2/promise';

/** All connections are taken and stayed taken. The code is what the edge turns into "try again in a moment". */
export class RecordsBusy extends Error {
	readonly code = 'RECORDS_BUSY';
	constructor(waitedMs: number) {
		super(`no connection to the database became free within ${waitedMs} ms`);
	}
}

type Taken = (error: NodeJS.ErrnoException | null, connection: PoolConnection) => unknown;

/**
 * Bounds how long anybody waits for a connection of a pool. The driver has a limit for connecting, but none for
 * waiting; queries and transactions alike take their connection by the one function that is wrapped here.
 */
export function limitWaiting(pool: PromisePool, waitMs: number): void {
	const core = (pool as unknown as { pool: Pool }).pool;
	const take = core.getConnection.bind(core) as (taken: Taken) => void;
	core.getConnection = (taken: Taken) => {
		let waiting = true;
		const timer = setTimeout(() => {
			waiting = false;
			taken(new RecordsBusy(waitMs), undefined as never);
		}, waitMs);
		take((error, connection) => {
			clearTimeout(timer);
			if (waiting) taken(error, connection);
			// It came too late for whoever asked: the next one has it.
			else connection?.release();
		});
	};
}
