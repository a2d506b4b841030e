import { serialize } from 'node:v8';
import type { Instant } from '$lib/core/time';
import type { Database } from '../db/connect.ts';
import { inSnapshot } from '../repository/database.ts';
import { revisionsOf } from '../repository/revision.ts';
import type { SiteScope } from '../repository/scope.ts';
import { waterAt } from '../repository/water.ts';
import type { Deps, Memory } from '../service/deps.ts';
import { RECKONINGS, type ReckoningName } from './reckonings.ts';

/** One thing to be reckoned, as it is sent to whoever does it. Plain data. */
export interface Task {
	readonly name: ReckoningName;
	readonly scope: SiteScope;
	readonly waterId: string;
	/** The other waters that the answer rests on. */
	readonly besides: readonly string[];
	readonly asked: readonly unknown[];
	readonly now: Instant;
}

export interface Done {
	/** The answer, packed: who asks gets an own copy of it. */
	readonly packed: Uint8Array;
	/** The revisions that the records had when they were read. */
	readonly madeFrom: string;
}

/** Counters in one word; of the site, of the water, of the others. */
export function madeFromOf(counters: readonly number[]): string {
	return counters.join('.');
}

/**
 * Reckons one thing from one snapshot of the records, in which the revisions are read too: an answer is never made from
 * the records of two moments, and never kept under a revision that it was not made from.
 *
 * @throws {RangeError | TypeError} where what is stored cannot be reckoned with
 */
export async function reckon(
	db: Database,
	{ name, scope, waterId, besides, asked, now }: Task,
	others: Pick<Deps, 'newId' | 'report'> & { readonly memory?: Memory }
): Promise<Done> {
	return inSnapshot(db, async (tx) => {
		const of = await revisionsOf(tx, [scope.siteId, waterId, ...besides]);
		const own = [of(scope.siteId), of(waterId)];
		const water = await waterAt(tx, scope, waterId, now);
		if (!water) throw new Error(`water ${waterId} is gone`);
		const deps: Deps = { ...others, db: tx, clock: { now: () => now } };
		const work = RECKONINGS[name] as (...given: unknown[]) => Promise<unknown>;
		const answer = await work(deps, scope, { ...water, revision: madeFromOf(own) }, ...asked);
		return { packed: serialize(answer), madeFrom: madeFromOf([...own, ...besides.map(of)]) };
	});
}
