import { and, eq, gt, isNull, lte, or, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import {
	roleAtPlace,
	type Granted,
	type GrantedSomething,
	type Permission,
	type Role
} from '$lib/core/access';
import type { Instant } from '$lib/core/time';
import { calendarFeed, membership, revision, site, water } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { Person } from './people.ts';

/**
 * The right to one site's rows, given to one acting person. Only the look-ups below make one, and every
 * repository function that touches a site takes one.
 */
export interface SiteScope {
	readonly siteId: string;
	readonly siteName: string;
	readonly timeZone: string;
	readonly membershipId: string;
	readonly role: Role;
	/** Where it is used from the device of a place. */
	readonly placeId?: string;
	readonly __scope: unique symbol;
}

/** The same of a member who has a permission; made by `granted` alone. */
export type ScopeFor<P extends Permission> = SiteScope & Granted<P>;

/** Of a member who may write something: what exactly, its use case says. */
export type WritingScope = SiteScope & GrantedSomething;

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

/** A water that a person may go to, with the right to it, and how often it and its site were changed. */
export interface Reached {
	readonly scope: SiteScope;
	readonly water: {
		readonly id: string;
		readonly name: string;
		readonly kind: WaterKind;
		/** When it was taken down; null while it runs. */
		readonly endedAt: Instant | null;
		/** A stranger's bottle; null of a water of the house. */
		readonly guestUntil: Instant | null;
	};
	/** Of the made-up world, which is only looked at. */
	readonly madeUp: boolean;
	readonly revisions: { readonly site: number; readonly water: number };
}

type WaterKind = (typeof water.$inferSelect)['kind'];

const ofSite = alias(revision, 'of_site');
const ofWater = alias(revision, 'of_water');

/**
 * The waters of every site that a person belongs to: those of their own before those where they help. A water of another
 * site is not among them, exactly like one that does not exist.
 */
export async function reachOf(
	db: Reader,
	{ id: personId, place }: Pick<Person, 'id' | 'place'>,
	now: Instant
): Promise<Reached[]> {
	const rows = await db
		.select({
			scope: scopeColumns,
			water: {
				id: water.id,
				name: water.name,
				kind: water.kind,
				endedAt: water.endedAt,
				guestUntil: water.guestUntil
			},
			madeUp: site.madeUp,
			ofSite: ofSite.counter,
			ofWater: ofWater.counter
		})
		.from(water)
		.innerJoin(membership, eq(membership.siteId, water.siteId))
		.innerJoin(site, eq(site.id, water.siteId))
		.leftJoin(ofSite, eq(ofSite.id, water.siteId))
		.leftJoin(ofWater, eq(ofWater.id, water.id))
		.where(
			and(
				activeAt(personId, now),
				place ? eq(membership.siteId, place.siteId) : undefined,
				// A stranger's bottle whose time is over is there no more.
				or(isNull(water.guestUntil), gt(water.guestUntil, now))
			)
		)
		.orderBy(
			sql`${membership.role} <> 'owner'`,
			site.madeUp,
			site.name,
			sql`${water.endedAt} is not null`,
			water.place,
			water.id
		);
	const scopes = new Map<string, SiteScope>();
	return rows.map(({ scope, water, madeUp, ofSite, ofWater }) => {
		const own = scopes.get(scope.siteId) ?? (seenFrom(scope, place) as SiteScope);
		scopes.set(scope.siteId, own);
		// What was never changed since counting began stands at nought.
		return { scope: own, water, madeUp, revisions: { site: ofSite ?? 0, water: ofWater ?? 0 } };
	});
}

/** On the device of a place nobody is more than may be there. */
function seenFrom<S extends { readonly role: Role }>(scope: S, place: Person['place']): S {
	return place ? { ...scope, role: roleAtPlace(scope.role), placeId: place.placeId } : scope;
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
