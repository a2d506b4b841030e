import { and, desc, eq, isNotNull, lte, ne, type SQL } from 'drizzle-orm';
import type { ProfileId } from '$lib/core/judgement';
import type { DatedBand, Water as WaterFacts } from '$lib/core/record';
import type { Instant } from '$lib/core/time';
import { target, water, waterLights, waterProfile, waterVolume } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

export interface Water extends WaterFacts {
	/** How often it and its site were changed, where the records are read in one snapshot: what is kept is kept by it. */
	readonly revision?: string;
}

const waterColumns = {
	id: water.id,
	name: water.name,
	kind: water.kind,
	hasAnimals: water.hasAnimals,
	startedAt: water.startedAt,
	knownSince: water.createdAt,
	endedAt: water.endedAt,
	guestUntil: water.guestUntil
};

export async function watersOf(
	db: Reader,
	scope: SiteScope
): Promise<Pick<Water, 'id' | 'name' | 'kind' | 'hasAnimals' | 'startedAt' | 'endedAt' | 'guestUntil'>[]> {
	return db
		.select(waterColumns)
		.from(water)
		.where(eq(water.siteId, scope.siteId))
		.orderBy(water.place, water.id);
}

/** The water as it is at a time: its volume and profile are those in force then. */
export async function waterAt(
	db: Reader,
	scope: SiteScope,
	waterId: string,
	at: Instant
): Promise<Water | null> {
	const rows = await db
		.select({
			...waterColumns,
			begunOn: water.lightsOnMinute,
			begunOff: water.lightsOffMinute,
			netVolumeL: waterVolume.netVolumeL,
			volumeUL: waterVolume.uL,
			profile: waterProfile.profile
		})
		.from(water)
		.leftJoin(
			waterVolume,
			and(
				eq(waterVolume.siteId, water.siteId),
				eq(waterVolume.waterId, water.id),
				lte(waterVolume.fromAt, at)
			)
		)
		.leftJoin(
			waterProfile,
			and(
				eq(waterProfile.siteId, water.siteId),
				eq(waterProfile.waterId, water.id),
				lte(waterProfile.fromAt, at)
			)
		)
		.where(and(eq(water.siteId, scope.siteId), eq(water.id, waterId)))
		.orderBy(
			desc(waterVolume.fromAt),
			desc(waterVolume.receivedAt),
			desc(waterProfile.fromAt),
			desc(waterProfile.receivedAt)
		)
		.limit(1);
	const row = rows[0];
	if (!row) return null;
	const { begunOn, begunOff, ...found } = row;
	const volumes = await db
		.select({ fromAt: waterVolume.fromAt, litres: waterVolume.netVolumeL })
		.from(waterVolume)
		.where(and(eq(waterVolume.siteId, scope.siteId), eq(waterVolume.waterId, waterId)))
		.orderBy(waterVolume.fromAt, waterVolume.receivedAt);
	const changed = await db
		.select({ fromAt: waterLights.fromAt, onMinute: waterLights.onMinute, offMinute: waterLights.offMinute })
		.from(waterLights)
		.where(and(eq(waterLights.siteId, scope.siteId), eq(waterLights.waterId, waterId)))
		.orderBy(waterLights.fromAt, waterLights.receivedAt);
	const begun = { fromAt: found.startedAt, onMinute: begunOn, offMinute: begunOff };
	return { ...found, volumes, lights: [begun, ...changed] };
}

/** What a water is called, whether something lives in it, where it stands, whether it runs: as it is now. */
export async function renewWater(
	db: Reader,
	scope: SiteScope,
	waterId: string,
	set: Partial<Pick<typeof water.$inferInsert, 'name' | 'hasAnimals' | 'endedAt' | 'guestUntil' | 'place'>>
): Promise<void> {
	const own: SQL | undefined = and(eq(water.siteId, scope.siteId), eq(water.id, waterId));
	await db.update(water).set(set).where(own);
}

/** Bottles of all sites whose time is over lose the name of whom they belong to. */
export async function nameGuestsOver(db: Reader, now: Instant, name: string): Promise<void> {
	await db
		.update(water)
		.set({ name })
		.where(and(isNotNull(water.guestUntil), lte(water.guestUntil, now), ne(water.name, name)));
}

export async function addVolume(
	db: Reader,
	scope: SiteScope,
	row: Omit<typeof waterVolume.$inferInsert, 'siteId'>
): Promise<void> {
	await db.insert(waterVolume).values({ ...row, siteId: scope.siteId });
}

export async function addLights(
	db: Reader,
	scope: SiteScope,
	row: Omit<typeof waterLights.$inferInsert, 'siteId'>
): Promise<void> {
	await db.insert(waterLights).values({ ...row, siteId: scope.siteId });
}

/** Every band ever set, newest first: the first of a parameter whose time has come is in force. */
export async function targetsOf(db: Reader, scope: SiteScope, waterId: string): Promise<DatedBand[]> {
	return db
		.select({
			parameter: target.parameter,
			low: target.low,
			high: target.high,
			aim: target.aim,
			source: target.source,
			fromAt: target.fromAt
		})
		.from(target)
		.where(and(eq(target.siteId, scope.siteId), eq(target.waterId, waterId)))
		.orderBy(desc(target.fromAt), desc(target.receivedAt));
}

export async function addTarget(
	db: Reader,
	scope: SiteScope,
	row: DatedBand & { id: string; waterId: string; receivedAt: Instant }
): Promise<void> {
	await db.insert(target).values({ ...row, siteId: scope.siteId });
}

/** What a water was, and since when, the newest first. */
export async function profilesOf(
	db: Reader,
	scope: SiteScope,
	waterId: string
): Promise<{ readonly profile: ProfileId; readonly fromAt: Instant }[]> {
	return db
		.select({ profile: waterProfile.profile, fromAt: waterProfile.fromAt })
		.from(waterProfile)
		.where(and(eq(waterProfile.siteId, scope.siteId), eq(waterProfile.waterId, waterId)))
		.orderBy(desc(waterProfile.fromAt));
}
