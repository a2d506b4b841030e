import { and, eq, gt, lte } from 'drizzle-orm';
import type { Instant } from '$lib/core/time';
import { person, signInSession } from '../db/schema/index.ts';
import type { Reader } from './database.ts';

export interface Person {
	readonly id: string;
	readonly displayName: string;
	/** Where this is asked from the device of a place: that site alone, and no more than may be done there. */
	readonly place?: AtPlace;
}

/** The device of a place, and who reads there at present. */
export interface AtPlace {
	readonly siteId: string;
	readonly placeId: string;
	readonly name: string;
	/** Null where nobody was chosen: then everything is looked at, and nothing written. */
	readonly readerId: string | null;
}

/** What somebody is called who signs in no more. */
export const FORMER = 'Former member';

export async function personBySession(db: Reader, tokenDigest: string, now: Instant): Promise<Person | null> {
	const rows = await db
		.select({ id: person.id, displayName: person.displayName })
		.from(signInSession)
		.innerJoin(person, eq(person.id, signInSession.personId))
		.where(and(eq(signInSession.tokenDigest, tokenDigest), gt(signInSession.expiresAt, now)));
	return rows[0] ?? null;
}

export async function personById(db: Reader, id: string): Promise<Person | null> {
	const rows = await db
		.select({ id: person.id, displayName: person.displayName })
		.from(person)
		.where(eq(person.id, id));
	return rows[0] ?? null;
}

/** Somebody who signs in no more: what they read stays, under no name. */
export async function makeFormer(db: Reader, id: string, formerAt: Instant): Promise<void> {
	await db.update(person).set({ displayName: FORMER, formerAt }).where(eq(person.id, id));
	await db.delete(signInSession).where(eq(signInSession.personId, id));
}

export async function addSession(
	db: Reader,
	session: { tokenDigest: string; personId: string; createdAt: Instant; expiresAt: Instant }
): Promise<void> {
	await db.insert(signInSession).values(session);
}

export async function removeExpiredSessions(db: Reader, now: Instant): Promise<void> {
	await db.delete(signInSession).where(lte(signInSession.expiresAt, now));
}
