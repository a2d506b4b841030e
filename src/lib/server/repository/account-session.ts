import { and, desc, eq, gt, isNull, ne } from 'drizzle-orm';
import type { Instant } from '$lib/core/time';
import { authPasskey, authSession } from '../db/schema/index.ts';
import type { Reader } from './database.ts';

/** Where somebody is signed in. */
export interface AccountSession {
	readonly id: string;
	readonly createdAt: Date;
	readonly updatedAt: Date;
	readonly userAgent: string | null;
	readonly address: string | null;
}

export async function sessionsOf(db: Reader, userId: string, now: Instant): Promise<AccountSession[]> {
	return db
		.select({
			id: authSession.id,
			createdAt: authSession.createdAt,
			updatedAt: authSession.updatedAt,
			userAgent: authSession.userAgent,
			address: authSession.ipAddress
		})
		.from(authSession)
		.where(and(eq(authSession.userId, userId), gt(authSession.expiresAt, new Date(now))))
		.orderBy(desc(authSession.updatedAt));
}

/** Ends one of somebody's sessions; false where it is none of theirs. */
export async function endSession(db: Reader, userId: string, id: string): Promise<boolean> {
	const [done] = await db
		.delete(authSession)
		.where(and(eq(authSession.userId, userId), eq(authSession.id, id)));
	return done.affectedRows === 1;
}

/** @param kept the one that stays; all end without one */
export async function endSessions(db: Reader, userId: string, kept: string | null): Promise<void> {
	const others = kept === null ? undefined : ne(authSession.id, kept);
	await db.delete(authSession).where(and(eq(authSession.userId, userId), others));
}

/** How a session's token was renewed; digests. */
export interface Renewal {
	readonly id: string;
	readonly userId: string;
	readonly createdAt: Date;
	readonly token: string;
	readonly previousToken: string | null;
	readonly renewedAt: Instant | null;
	readonly takenUpAt: Instant | null;
}

const renewalColumns = {
	id: authSession.id,
	userId: authSession.userId,
	createdAt: authSession.createdAt,
	token: authSession.token,
	previousToken: authSession.previousToken,
	renewedAt: authSession.renewedAt,
	takenUpAt: authSession.takenUpAt
};

export async function renewalOf(db: Reader, id: string): Promise<Renewal | null> {
	const [found] = await db.select(renewalColumns).from(authSession).where(eq(authSession.id, id));
	return found ?? null;
}

/** The session whose token before the present one this was. */
export async function renewedFrom(db: Reader, tokenDigest: string, now: Instant): Promise<Renewal | null> {
	const [found] = await db
		.select(renewalColumns)
		.from(authSession)
		.where(and(eq(authSession.previousToken, tokenDigest), gt(authSession.expiresAt, new Date(now))));
	return found ?? null;
}

/**
 * Gives a session a new token in the place of the present one; false where somebody else did so meanwhile.
 *
 * @param shown the token that its browser showed
 */
export async function renewToken(
	db: Reader,
	{ id, token }: Pick<Renewal, 'id' | 'token'>,
	shown: string,
	to: { readonly token: string; readonly now: Instant }
): Promise<boolean> {
	const [done] = await db
		.update(authSession)
		.set({ token: to.token, previousToken: shown, renewedAt: to.now, takenUpAt: null })
		.where(and(eq(authSession.id, id), eq(authSession.token, token)));
	return done.affectedRows === 1;
}

/** The browser of the session showed its new token. */
export async function takeUpToken(db: Reader, id: string, now: Instant): Promise<void> {
	await db
		.update(authSession)
		.set({ takenUpAt: now })
		.where(and(eq(authSession.id, id), isNull(authSession.takenUpAt)));
}

export interface KeptPasskey {
	readonly id: string;
	readonly name: string | null;
	readonly createdAt: Date | null;
}

export async function passkeysOf(db: Reader, userId: string): Promise<KeptPasskey[]> {
	return db
		.select({ id: authPasskey.id, name: authPasskey.name, createdAt: authPasskey.createdAt })
		.from(authPasskey)
		.where(eq(authPasskey.userId, userId))
		.orderBy(authPasskey.createdAt);
}

export async function removePasskey(db: Reader, userId: string, id: string): Promise<boolean> {
	const [done] = await db
		.delete(authPasskey)
		.where(and(eq(authPasskey.userId, userId), eq(authPasskey.id, id)));
	return done.affectedRows === 1;
}
