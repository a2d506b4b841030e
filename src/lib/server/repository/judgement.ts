import { and, desc, eq, isNull } from 'drizzle-orm';
import type { SaveProfile } from '$lib/contract/judgement';
import type { ProfileId } from '$lib/core/judgement';
import type { JudgementSettings } from '$lib/core/judgement/water';
import type { Instant } from '$lib/core/time';
import { calendarFeed, judgementSetting, ownProfile, waterProfile } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

/** The settings in force for a water; null where nobody changed any. */
export async function settingsOf(
	db: Reader,
	scope: SiteScope,
	waterId: string
): Promise<JudgementSettings | null> {
	const rows = await db
		.select({ settings: judgementSetting.settings })
		.from(judgementSetting)
		.where(and(eq(judgementSetting.siteId, scope.siteId), eq(judgementSetting.waterId, waterId)))
		.orderBy(desc(judgementSetting.receivedAt), desc(judgementSetting.id))
		.limit(1);
	return rows[0]?.settings ?? null;
}

export async function addSettings(
	db: Reader,
	scope: SiteScope,
	row: { id: string; waterId: string; settings: JudgementSettings; receivedAt: Instant }
): Promise<void> {
	await db.insert(judgementSetting).values({ ...row, siteId: scope.siteId, savedBy: scope.membershipId });
}

export interface OwnProfile {
	readonly id: string;
	readonly name: string;
	readonly source: string;
	readonly bands: SaveProfile['bands'];
}

/** Profiles of the site's own, each name once as it was saved last, by name. */
export async function ownProfiles(db: Reader, scope: SiteScope): Promise<OwnProfile[]> {
	const rows = await db
		.select({
			id: ownProfile.id,
			name: ownProfile.name,
			source: ownProfile.source,
			bands: ownProfile.bands
		})
		.from(ownProfile)
		.where(eq(ownProfile.siteId, scope.siteId))
		.orderBy(desc(ownProfile.receivedAt), desc(ownProfile.id));
	const newest = new Map<string, OwnProfile>();
	for (const row of rows) if (!newest.has(row.name)) newest.set(row.name, row);
	return [...newest.values()].sort((a, b) => a.name.localeCompare(b.name));
}

export async function addOwnProfile(
	db: Reader,
	scope: SiteScope,
	row: OwnProfile & { receivedAt: Instant }
): Promise<void> {
	await db.insert(ownProfile).values({ ...row, siteId: scope.siteId, savedBy: scope.membershipId });
}

/** From a time on a water is of another kind or stage. */
export async function addWaterProfile(
	db: Reader,
	scope: SiteScope,
	row: { id: string; waterId: string; profile: ProfileId; fromAt: Instant; receivedAt: Instant }
): Promise<void> {
	await db.insert(waterProfile).values({ ...row, siteId: scope.siteId });
}

export async function addFeed(
	db: Reader,
	scope: SiteScope,
	row: { id: string; tokenDigest: string; createdAt: Instant }
): Promise<void> {
	await db
		.insert(calendarFeed)
		.values({ ...row, siteId: scope.siteId, membershipId: scope.membershipId, revokedAt: null });
}

/** The calendar addresses that a member holds. */
export async function feedsOf(db: Reader, scope: SiteScope): Promise<{ id: string; createdAt: Instant }[]> {
	return db
		.select({ id: calendarFeed.id, createdAt: calendarFeed.createdAt })
		.from(calendarFeed)
		.where(
			and(
				eq(calendarFeed.siteId, scope.siteId),
				eq(calendarFeed.membershipId, scope.membershipId),
				isNull(calendarFeed.revokedAt)
			)
		)
		.orderBy(desc(calendarFeed.createdAt));
}

/** Closes a member's own calendar address for good. @returns false where there is none such */
export async function revokeFeed(
	db: Reader,
	scope: SiteScope,
	id: string,
	revokedAt: Instant
): Promise<boolean> {
	const known = (await feedsOf(db, scope)).some((f) => f.id === id);
	if (!known) return false;
	await db
		.update(calendarFeed)
		.set({ revokedAt })
		.where(and(eq(calendarFeed.siteId, scope.siteId), eq(calendarFeed.id, id)));
	return true;
}
