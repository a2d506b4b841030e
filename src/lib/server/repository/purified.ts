import { and, desc, eq } from 'drizzle-orm';
import type { PurifiedFact } from '$lib/core/purified';
import type { Instant } from '$lib/core/time';
import { membership, person, purifiedNote } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

export interface PurifiedEntry {
	readonly id: string;
	readonly at: Instant;
	readonly fact: PurifiedFact;
	readonly note: string;
	readonly by: string;
}

/** More than years of it are never looked at. */
const MOST = 400;

/** What was read and changed of a site's purified water, newest first. */
export async function purifiedEntries(db: Reader, scope: SiteScope): Promise<PurifiedEntry[]> {
	return db
		.select({
			id: purifiedNote.id,
			at: purifiedNote.happenedAt,
			fact: purifiedNote.fact,
			note: purifiedNote.note,
			by: person.displayName
		})
		.from(purifiedNote)
		.innerJoin(
			membership,
			and(eq(membership.siteId, purifiedNote.siteId), eq(membership.id, purifiedNote.notedBy))
		)
		.innerJoin(person, eq(person.id, membership.personId))
		.where(eq(purifiedNote.siteId, scope.siteId))
		.orderBy(desc(purifiedNote.happenedAt), desc(purifiedNote.id))
		.limit(MOST);
}

export async function addPurifiedEntry(
	db: Reader,
	scope: SiteScope,
	{ at, ...row }: Omit<PurifiedEntry, 'by'> & { readonly receivedAt: Instant }
): Promise<void> {
	await db.insert(purifiedNote).values({
		...row,
		siteId: scope.siteId,
		happenedAt: at,
		notedBy: scope.membershipId
	});
}
