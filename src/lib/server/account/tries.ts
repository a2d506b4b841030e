import { afterFailure, forgottenBefore, pausedUntil } from '$lib/core/access';
import { fail, type Result } from '$lib/core/result';
import type { Clock } from '$lib/core/time';
import type { Database } from '../db/connect.ts';
import { digestOf } from '../digest.ts';
import { inTransaction } from '../repository/database.ts';
import { dropTriesBefore, failedTries, forgetTries, keepTries, takeBackTry } from '../repository/tries.ts';

/** Somebody's tries at one door. */
export interface TryKey {
	/** What is tried, where, and by whom; kept as a digest. */
	readonly key: string;
	/** How many tries cost nothing. */
	readonly free?: number;
	/** What succeeds says nothing of the others that are counted here: it takes back its own try alone. */
	readonly shared?: boolean;
	/** Every try counts, whatever comes of it: nobody is told what did. */
	readonly always?: boolean;
}

const MINUTE_MS = 60_000;

/**
 * Lets a secret be tried, unless too many failed of late. A try is counted before it is looked at, so that many at once
 * are no more than many in a row; where it succeeds, what failed before is forgotten.
 */
export async function tried<T>(
	{ db, clock }: { readonly db: Database; readonly clock: Clock },
	keys: readonly TryKey[],
	work: () => Promise<Result<T>>
): Promise<Result<T>> {
	const now = clock.now();
	const digests = keys.map(({ key }) => digestOf(key));
	const until = await inTransaction(db, async (tx) => {
		const before = await Promise.all(digests.map((digest) => failedTries(tx, digest)));
		const pauses = before.flatMap((tries, i) => (tries ? [pausedUntil(tries, keys[i]!.free)] : []));
		const longest = Math.max(0, ...pauses.map((p) => p ?? 0));
		if (longest > now) return longest;
		for (const [i, digest] of digests.entries()) {
			await keepTries(tx, digest, afterFailure(before[i] ?? null, now));
		}
		return null;
	});
	if (until !== null) {
		return fail('too-many-tries', undefined, { minutes: Math.ceil((until - now) / MINUTE_MS) });
	}
	await dropTriesBefore(db, forgottenBefore(now));
	const outcome = await work();
	if (outcome.ok) {
		for (const [i, digest] of digests.entries()) {
			const { shared, always } = keys[i]!;
			if (!always) await (shared ? takeBackTry(db, digest) : forgetTries(db, digest));
		}
	}
	return outcome;
}
