import { and, desc, eq, gt, isNull } from 'drizzle-orm';
import type { SheetWords } from '$lib/contract/sheet';
import type { Instant } from '$lib/core/time';
import { visitorSheet } from '../db/schema/index.ts';
import type { Reader, Transaction } from './database.ts';
import type { ScopeFor, SiteScope } from './scope.ts';

export async function addSheet(
	db: Transaction,
	scope: ScopeFor<'share'>,
	row: Omit<typeof visitorSheet.$inferInsert, 'siteId' | 'givenBy'>
): Promise<void> {
	await db.insert(visitorSheet).values({ ...row, siteId: scope.siteId, givenBy: scope.membershipId });
}

export async function sheetsOf(db: Reader, { siteId }: SiteScope, waterId: string) {
	return db
		.select({
			id: visitorSheet.id,
			forWhom: visitorSheet.forWhom,
			createdAt: visitorSheet.createdAt,
			expiresAt: visitorSheet.expiresAt,
			revokedAt: visitorSheet.revokedAt
		})
		.from(visitorSheet)
		.where(and(eq(visitorSheet.siteId, siteId), eq(visitorSheet.waterId, waterId)))
		.orderBy(desc(visitorSheet.createdAt));
}

/** What a visitor was handed; null where it was taken back, or its time is over. */
export async function sheetByToken(
	db: Reader,
	tokenDigest: string,
	now: Instant
): Promise<SheetWords | null> {
	const [found] = await db
		.select({ words: visitorSheet.words })
		.from(visitorSheet)
		.where(
			and(
				eq(visitorSheet.tokenDigest, tokenDigest),
				isNull(visitorSheet.revokedAt),
				gt(visitorSheet.expiresAt, now)
			)
		);
	return found?.words ?? null;
}

/** Takes a sheet back; for whom it was and of what water, or null. */
export async function revokeSheetRow(tx: Transaction, { siteId }: SiteScope, id: string, now: Instant) {
	const [done] = await tx
		.update(visitorSheet)
		.set({ revokedAt: now })
		.where(and(eq(visitorSheet.siteId, siteId), eq(visitorSheet.id, id), isNull(visitorSheet.revokedAt)));
	if (done.affectedRows !== 1) return null;
	const [row] = await tx
		.select({ forWhom: visitorSheet.forWhom, words: visitorSheet.words })
		.from(visitorSheet)
		.where(and(eq(visitorSheet.siteId, siteId), eq(visitorSheet.id, id)));
	return row ?? null;
}
