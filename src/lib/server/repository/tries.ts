import { eq, lte, sql } from 'drizzle-orm';
import type { FailedTries } from '$lib/core/access';
import type { Instant } from '$lib/core/time';
import { failedTry } from '../db/schema/index.ts';
import type { Reader, Transaction } from './database.ts';

/** What failed at a door of late; nobody else changes it until the transaction is over. */
export async function failedTries(tx: Transaction, keyDigest: string): Promise<FailedTries | null> {
	const [found] = await tx
		.select({ failures: failedTry.failures, lastAt: failedTry.lastAt })
		.from(failedTry)
		.where(eq(failedTry.keyDigest, keyDigest))
		.for('update');
	return found ?? null;
}

export async function keepTries(db: Reader, keyDigest: string, tries: FailedTries): Promise<void> {
	await db
		.insert(failedTry)
		.values({ keyDigest, ...tries })
		.onDuplicateKeyUpdate({ set: tries });
}

/** Takes away what is forgotten anyhow: names that were only guessed at would pile up. */
export async function dropTriesBefore(db: Reader, before: Instant): Promise<void> {
	await db.delete(failedTry).where(lte(failedTry.lastAt, before));
}

export async function takeBackTry(db: Reader, keyDigest: string): Promise<void> {
	await db
		.update(failedTry)
		.set({ failures: sql`greatest(${failedTry.failures} - 1, 0)` })
		.where(eq(failedTry.keyDigest, keyDigest));
}

export async function forgetTries(db: Reader, keyDigest: string): Promise<void> {
	await db.delete(failedTry).where(eq(failedTry.keyDigest, keyDigest));
}
