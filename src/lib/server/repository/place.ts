import { and, desc, eq, gt, isNull, lte } from 'drizzle-orm';
import { chosenSince } from '$lib/core/access';
import type { Instant } from '$lib/core/time';
import { place, placeReader, readerPin, site } from '../db/schema/index.ts';
import type { Reader, Transaction } from './database.ts';
import type { ScopeFor, SiteScope } from './scope.ts';

export async function addPlaceRow(
	db: Transaction,
	scope: ScopeFor<'people'>,
	row: Omit<typeof place.$inferInsert, 'siteId' | 'addedBy'>
): Promise<void> {
	await db.insert(place).values({ ...row, siteId: scope.siteId, addedBy: scope.membershipId });
}

export async function placesAt(db: Reader, { siteId }: SiteScope) {
	return db
		.select({
			id: place.id,
			name: place.name,
			createdAt: place.createdAt,
			takenUpAt: place.takenUpAt,
			membershipId: place.membershipId
		})
		.from(place)
		.where(and(eq(place.siteId, siteId), isNull(place.revokedAt)))
		.orderBy(place.createdAt);
}

export async function revokePlaceRow(
	tx: Transaction,
	{ siteId }: SiteScope,
	id: string,
	now: Instant
): Promise<boolean> {
	const [done] = await tx
		.update(place)
		.set({ revokedAt: now })
		.where(and(eq(place.siteId, siteId), eq(place.id, id), isNull(place.revokedAt)));
	return done.affectedRows === 1;
}

const linkStands = (linkDigest: string, now: Instant) =>
	and(
		eq(place.linkDigest, linkDigest),
		isNull(place.tokenDigest),
		isNull(place.revokedAt),
		gt(place.linkExpiresAt, now)
	);

/** The place that a device would become by a link; null where it was used, taken back, or is too old. */
export async function placeOfLink(db: Reader, linkDigest: string, now: Instant) {
	const [found] = await db
		.select({
			siteId: place.siteId,
			id: place.id,
			name: place.name,
			membershipId: place.membershipId,
			site: site.name
		})
		.from(place)
		.innerJoin(site, eq(site.id, place.siteId))
		.where(linkStands(linkDigest, now));
	return found ?? null;
}

/** Makes a device the place of a link; false where another one did. */
export async function takeUpPlace(
	tx: Transaction,
	linkDigest: string,
	tokenDigest: string,
	now: Instant
): Promise<boolean> {
	const [done] = await tx
		.update(place)
		.set({ tokenDigest, takenUpAt: now })
		.where(linkStands(linkDigest, now));
	return done.affectedRows === 1;
}

export async function placeByToken(db: Reader, tokenDigest: string) {
	const [found] = await db
		.select({ siteId: place.siteId, id: place.id, name: place.name, membershipId: place.membershipId })
		.from(place)
		.where(and(eq(place.tokenDigest, tokenDigest), isNull(place.revokedAt)));
	return found ?? null;
}

export async function chooseReaderAt(
	db: Reader,
	row: {
		readonly siteId: string;
		readonly id: string;
		readonly placeId: string;
		readonly membershipId: string | null;
		readonly fromAt: Instant;
	}
): Promise<void> {
	await db.insert(placeReader).values(row);
}

/** Who was chosen as the reader at a place when something was done there; null: nobody. */
export async function readerAt(
	db: Reader,
	{ siteId, placeId }: { readonly siteId: string; readonly placeId: string },
	at: Instant
): Promise<string | null> {
	const [found] = await db
		.select({ membershipId: placeReader.membershipId })
		.from(placeReader)
		.where(
			and(
				eq(placeReader.siteId, siteId),
				eq(placeReader.placeId, placeId),
				lte(placeReader.fromAt, at),
				gt(placeReader.fromAt, chosenSince(at))
			)
		)
		.orderBy(desc(placeReader.fromAt), desc(placeReader.id))
		.limit(1);
	return found?.membershipId ?? null;
}

export async function pinHashOf(db: Reader, siteId: string, membershipId: string): Promise<string | null> {
	const [found] = await db
		.select({ hash: readerPin.hash })
		.from(readerPin)
		.where(and(eq(readerPin.siteId, siteId), eq(readerPin.membershipId, membershipId)));
	return found?.hash ?? null;
}

/** @param hash null takes the digits away */
export async function setPinHash(
	db: Reader,
	{ siteId, membershipId }: SiteScope,
	hash: string | null,
	setAt: Instant
): Promise<void> {
	if (hash === null) {
		await db
			.delete(readerPin)
			.where(and(eq(readerPin.siteId, siteId), eq(readerPin.membershipId, membershipId)));
		return;
	}
	await db
		.insert(readerPin)
		.values({ siteId, membershipId, hash, setAt })
		.onDuplicateKeyUpdate({ set: { hash, setAt } });
}
