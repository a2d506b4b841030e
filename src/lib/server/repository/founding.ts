import { and, eq, inArray, isNull } from 'drizzle-orm';
import type { Role } from '$lib/core/access';
import type { ProfileId } from '$lib/core/judgement';
import type { Instant } from '$lib/core/time';
import { membership, person, site, water, waterProfile, waterVolume } from '../db/schema/index.ts';
import type { Reader } from './database.ts';

/** Rows that must be there before anybody can be a member of anything. */

export async function addSite(db: Reader, row: typeof site.$inferInsert): Promise<void> {
	await db.insert(site).values(row);
}

export async function renewSite(
	db: Reader,
	siteId: string,
	set: Partial<Pick<typeof site.$inferInsert, 'timeZone'>>
): Promise<void> {
	await db.update(site).set(set).where(eq(site.id, siteId));
}

export async function siteByName(
	db: Reader,
	name: string
): Promise<{ id: string; createdAt: Instant } | null> {
	const rows = await db
		.select({ id: site.id, createdAt: site.createdAt })
		.from(site)
		.where(eq(site.name, name));
	return rows[0] ?? null;
}

export async function siteName(db: Reader, id: string): Promise<string | null> {
	const [found] = await db.select({ name: site.name }).from(site).where(eq(site.id, id));
	return found?.name ?? null;
}

export async function memberByRole(db: Reader, siteId: string, role: Role): Promise<string | null> {
	const rows = await db
		.select({ personId: membership.personId })
		.from(membership)
		.where(and(eq(membership.siteId, siteId), eq(membership.role, role)));
	return rows[0]?.personId ?? null;
}

export async function addPerson(db: Reader, row: typeof person.$inferInsert): Promise<void> {
	await db.insert(person).values(row);
}

export async function addMembership(db: Reader, row: typeof membership.$inferInsert): Promise<void> {
	await db.insert(membership).values(row);
}

/** The sites of the made-up world that is looked at beside one's own. */
export async function madeUpSites(db: Reader): Promise<readonly string[]> {
	const rows = await db.select({ id: site.id }).from(site).where(eq(site.madeUp, true));
	return rows.map((r) => r.id);
}

/** Ends what a person is at some sites. */
export async function endMemberships(
	db: Reader,
	personId: string,
	siteIds: readonly string[],
	untilAt: Instant
): Promise<void> {
	if (siteIds.length === 0) return;
	await db
		.update(membership)
		.set({ untilAt })
		.where(
			and(
				eq(membership.personId, personId),
				inArray(membership.siteId, [...siteIds]),
				isNull(membership.untilAt)
			)
		);
}

export async function addWater(
	db: Reader,
	row: typeof water.$inferInsert,
	setting: {
		volumeId: string;
		netVolumeL: number | null;
		/** Standard uncertainty of the volume; left out where nobody said. */
		uL?: number;
		profileId: string;
		profile: ProfileId | null;
	}
): Promise<void> {
	await db.insert(water).values(row);
	const dated = { siteId: row.siteId, waterId: row.id, fromAt: row.startedAt, receivedAt: row.createdAt };
	if (setting.netVolumeL !== null) {
		await db.insert(waterVolume).values({
			...dated,
			id: setting.volumeId,
			netVolumeL: setting.netVolumeL,
			uL: setting.uL ?? null
		});
	}
	if (setting.profile !== null) {
		await db.insert(waterProfile).values({ ...dated, id: setting.profileId, profile: setting.profile });
	}
}
