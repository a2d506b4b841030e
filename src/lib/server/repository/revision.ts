import { inArray, sql } from 'drizzle-orm';
import { revision } from '../db/schema/index.ts';
import type { Reader, Transaction } from './database.ts';

/** Nothing was changed yet since counting began. */
const NEVER = 0;

/**
 * Raises the counters of waters and sites, in the transaction that changes them. A number is the time in microseconds
 * or one more than the last, whichever is more: a backup that was put back never comes to a number that meant
 * something else before.
 */
export async function raiseRevisions(tx: Transaction, ids: Iterable<string>): Promise<void> {
	// In one order always, so that two who raise the same two do not wait for each other.
	for (const id of [...new Set(ids)].sort()) {
		const now = sql`cast(unix_timestamp(sysdate(6)) * 1000000 as unsigned)`;
		await tx
			.insert(revision)
			.values({ id, counter: now })
			.onDuplicateKeyUpdate({ set: { counter: sql`greatest(${revision.counter} + 1, values(counter))` } });
	}
}

/**
 * Waits until nobody else changes a water by what is read of it, and keeps the others waiting until the transaction
 * ends. It has to come before the first look: what a transaction reads, it reads as of that moment.
 */
export function takeTurn(tx: Transaction, waterId: string): Promise<void> {
	return raiseRevisions(tx, [waterId]);
}

/** The counters of waters and sites. One that was never raised stands at nought. */
export async function revisionsOf(db: Reader, ids: readonly string[]): Promise<(id: string) => number> {
	const rows =
		ids.length === 0
			? []
			: await db
					.select()
					.from(revision)
					.where(inArray(revision.id, [...ids]));
	const counters = new Map(rows.map((r) => [r.id, r.counter]));
	return (id) => counters.get(id) ?? NEVER;
}
