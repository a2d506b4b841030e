import { and, eq, like, or } from 'drizzle-orm';
import type { Instant } from '$lib/core/time';
import { keptTrack } from '../db/schema/index.ts';
import type { Reader } from './database.ts';

interface Whose {
	readonly waterId: string;
	readonly since: Instant;
	readonly madeFrom: string;
}

export interface KeptTrack {
	readonly madeFrom: string;
	readonly content: Buffer;
}

/**
 * What was kept of a water, packed: made from exactly this, or from an earlier state of the records by the same program.
 *
 * @param program begins what it is made from; null where an earlier state is of no use
 */
export async function keptOf(
	db: Reader,
	{ waterId, since, madeFrom }: Whose,
	program: string | null
): Promise<KeptTrack | null> {
	const fits = eq(keptTrack.madeFrom, madeFrom);
	const rows = await db
		.select({ madeFrom: keptTrack.madeFrom, content: keptTrack.content })
		.from(keptTrack)
		.where(
			and(
				eq(keptTrack.waterId, waterId),
				eq(keptTrack.since, since),
				program === null ? fits : or(fits, like(keptTrack.madeFrom, `${program} %`))
			)
		);
	return rows[0] ?? null;
}

/** Keeps it in the place of what was kept before. */
export async function keep(db: Reader, whose: Whose, content: Buffer): Promise<void> {
	const { madeFrom } = whose;
	await db
		.insert(keptTrack)
		.values({ ...whose, content })
		.onDuplicateKeyUpdate({ set: { madeFrom, content } });
}
