import { and, eq } from 'drizzle-orm';
import type { Instant } from '$lib/core/time';
import { keptTrack } from '../db/schema/index.ts';
import type { Reader } from './database.ts';

interface Whose {
	readonly waterId: string;
	readonly since: Instant;
	readonly madeFrom: string;
}

/** What was kept of a water, packed; null where it was made from anything else than this. */
export async function keptOf(db: Reader, { waterId, since, madeFrom }: Whose): Promise<Buffer | null> {
	const rows = await db
		.select({ content: keptTrack.content })
		.from(keptTrack)
		.where(and(eq(keptTrack.waterId, waterId), eq(keptTrack.since, since), eq(keptTrack.madeFrom, madeFrom)));
	return rows[0]?.content ?? null;
}

/** Keeps it in the place of what was kept before. */
export async function keep(db: Reader, whose: Whose, content: Buffer): Promise<void> {
	const { madeFrom } = whose;
	await db
		.insert(keptTrack)
		.values({ ...whose, content })
		.onDuplicateKeyUpdate({ set: { madeFrom, content } });
}
