import { and, eq, gt, isNull } from 'drizzle-orm';
import type { Instant } from '$lib/core/time';
import { resetLink } from '../db/schema/index.ts';
import type { Reader } from './database.ts';

/** A new link for an account; those that it had before are void. */
export async function addResetLink(
	db: Reader,
	row: { tokenDigest: string; userId: string; createdAt: Instant; expiresAt: Instant }
): Promise<void> {
	await db
		.update(resetLink)
		.set({ usedAt: row.createdAt })
		.where(and(eq(resetLink.userId, row.userId), isNull(resetLink.usedAt)));
	await db.insert(resetLink).values(row);
}

const stands = (tokenDigest: string, now: Instant) =>
	and(eq(resetLink.tokenDigest, tokenDigest), isNull(resetLink.usedAt), gt(resetLink.expiresAt, now));

/** Whose password a link lets be chosen; null where it was used, or its time is over. */
export async function accountOfReset(db: Reader, tokenDigest: string, now: Instant): Promise<string | null> {
	const [found] = await db
		.select({ userId: resetLink.userId })
		.from(resetLink)
		.where(stands(tokenDigest, now));
	return found?.userId ?? null;
}

/** Takes a link, so that nobody else can; false where somebody did. */
export async function claimReset(db: Reader, tokenDigest: string, now: Instant): Promise<boolean> {
	const [done] = await db.update(resetLink).set({ usedAt: now }).where(stands(tokenDigest, now));
	return done.affectedRows === 1;
}
