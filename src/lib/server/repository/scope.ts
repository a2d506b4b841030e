import { and, eq, gt, isNull, lte, or } from 'drizzle-orm';
import type { Instant } from '$lib/core/time';
import { calendarFeed, membership, site, water } from '../db/schema/index.ts';
import type { Reader } from './database.ts';

/**
 * The right to one site's rows, given to one acting person. Only the look-ups below make one, and every
 * repository function that touches a site takes one.
 */
export interface SiteScope {
	readonly siteId: string;
	readonly siteName: string;
	readonly timeZone: string;
	readonly membershipId: string;
	readonly role: 'keeper' | 'helper' | 'teacher';
	readonly __scope: unique symbol;
}

const scopeColumns = {
	siteId: membership.siteId,
	siteName: site.name,
	timeZone: site.timeZone,
	membershipId: membership.id,
	role: membership.role
};

function activeAt(personId: string, now: Instant) {
	return and(
		eq(membership.personId, personId),
		lte(membership.fromAt, now),
		or(isNull(membership.untilAt), gt(membership.untilAt, now))
	);
}

/** A water of another site answers exactly like one that does not exist: null. */
export async function scopeOfWater(
	db: Reader,
	personId: string,
	waterId: string,
	now: Instant
): Promise<SiteScope | null> {
	const rows = await db
		.select(scopeColumns)
		.from(water)
		.innerJoin(membership, eq(membership.siteId, water.siteId))
		.innerJoin(site, eq(site.id, water.siteId))
		.where(and(eq(water.id, waterId), activeAt(personId, now)))
		.limit(1);
	return (rows[0] as SiteScope | undefined) ?? null;
}

export async function scopesOfPerson(db: Reader, personId: string, now: Instant): Promise<SiteScope[]> {
	const rows = await db
		.select(scopeColumns)
		.from(membership)
		.innerJoin(site, eq(site.id, membership.siteId))
		.where(activeAt(personId, now))
		.orderBy(site.name);
	// A person's own site before those where they help.
	const own = (scope: { role: string }) => (scope.role === 'keeper' ? 0 : 1);
	return [...(rows as SiteScope[])].sort((a, b) => own(a) - own(b));
}

/** The waters of every site that a person belongs to, in the order in which they were entered. */
export async function watersOfPerson(
	db: Reader,
	personId: string,
	now: Instant
): Promise<{ id: string; name: string; site: string; siteId: string }[]> {
	return db
		.select({ id: water.id, name: water.name, site: site.name, siteId: site.id })
		.from(water)
		.innerJoin(membership, eq(membership.siteId, water.siteId))
		.innerJoin(site, eq(site.id, water.siteId))
		.where(activeAt(personId, now))
		.orderBy(site.name, water.id);
}

/** The right of the member who holds a calendar address; null where it was revoked, or the member has left. */
export async function scopeOfFeed(
	db: Reader,
	tokenDigest: string,
	now: Instant
): Promise<{ scope: SiteScope; personId: string } | null> {
	const rows = await db
		.select({ ...scopeColumns, personId: membership.personId })
		.from(calendarFeed)
		.innerJoin(
			membership,
			and(eq(membership.siteId, calendarFeed.siteId), eq(membership.id, calendarFeed.membershipId))
		)
		.innerJoin(site, eq(site.id, membership.siteId))
		.where(
			and(
				eq(calendarFeed.tokenDigest, tokenDigest),
				isNull(calendarFeed.revokedAt),
				lte(membership.fromAt, now),
				or(isNull(membership.untilAt), gt(membership.untilAt, now))
			)
		);
	const row = rows[0];
	if (!row) return null;
	const { personId, ...scope } = row;
	return { scope: scope as SiteScope, personId };
}
