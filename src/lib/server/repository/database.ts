import type { Database } from '../db/connect.ts';

/** Inside a transaction or outside of one. */
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];
export type Reader = Database | Transaction;

const DEADLOCK = 1213;
const LOCK_WAIT = 1205;
const DUPLICATE = 1062;
const TRIES = 5;
/** Two that lost against each other begin again at different times, within so long. */
const PAUSES_MS = [3, 17, 9, 29, 13, 23, 5];
let lost = 0;

function errnoOf(error: unknown): number | undefined {
	const cause = (error as { cause?: unknown } | null)?.cause;
	return (cause as { errno?: number } | undefined)?.errno ?? (error as { errno?: number } | null)?.errno;
}

export function isDuplicate(error: unknown): boolean {
	return errnoOf(error) === DUPLICATE;
}

/** Runs a transaction; one that lost against another (deadlock, lock wait) is tried again. */
export async function inTransaction<T>(db: Database, work: (tx: Transaction) => Promise<T>): Promise<T> {
	for (let attempt = 1; ; attempt++) {
		try {
			return await db.transaction(work);
		} catch (error) {
			const errno = errnoOf(error);
			if (attempt >= TRIES || (errno !== DEADLOCK && errno !== LOCK_WAIT)) throw error;
			const pauseMs = attempt * PAUSES_MS[lost++ % PAUSES_MS.length]!;
			await new Promise((next) => setTimeout(next, pauseMs));
		}
	}
}

/** Reads the records as they stood at one moment, whatever others write meanwhile. */
export async function inSnapshot<T>(db: Database, work: (tx: Transaction) => Promise<T>): Promise<T> {
	// The first look sets the moment.
	return db.transaction(work, { isolationLevel: 'repeatable read', accessMode: 'read only' });
}
