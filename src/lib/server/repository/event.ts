import { and, desc, eq, gte, isNull, ne, or } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import type { EventContent, EventDetails, EventKind, StoredEvent } from '$lib/core/record';
import type { Instant } from '$lib/core/time';
import { event, membership, person, water } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import { eventHolds, within, type LogNarrowed } from './log-conditions.ts';
import type { SiteScope } from './scope.ts';

const newer = alias(event, 'newer');

const columns = {
	id: event.id,
	waterId: event.waterId,
	kind: event.kind,
	details: event.details,
	note: event.note,
	happenedAt: event.happenedAt,
	offsetMinutes: event.offsetMinutes
};

/** Kind and details were checked together when they came in. */
function asEvents<R extends { readonly kind: EventKind; readonly details: EventDetails }>(
	rows: readonly R[]
): (R & EventContent)[] {
	return rows as (R & EventContent)[];
}

/** Events of a water since a time, and every recurring dose before it: a regime goes on until it is changed. */
export async function eventsSince(
	db: Reader,
	scope: SiteScope,
	waterId: string,
	since: Instant
): Promise<StoredEvent[]> {
	const rows = await db
		.select(columns)
		.from(event)
		.leftJoin(newer, and(eq(newer.siteId, event.siteId), eq(newer.supersedes, event.id)))
		.where(
			and(
				eq(event.siteId, scope.siteId),
				eq(event.waterId, waterId),
				isNull(newer.id),
				or(gte(event.happenedAt, since), eq(event.kind, 'recurring-dose'))
			)
		)
		.orderBy(event.happenedAt, event.id);
	return asEvents(rows);
}

export type LoggedEvent = StoredEvent & {
	readonly water: string;
	readonly by: string;
	readonly superseded: boolean;
};

/** Newest first, superseded ones among them. */
export async function eventLog(
	db: Reader,
	scope: SiteScope,
	filter: LogNarrowed & { readonly kind: EventKind | null; readonly most: number }
): Promise<LoggedEvent[]> {
	const rows = await db
		.select({ ...columns, water: water.name, by: person.displayName, newerId: newer.id })
		.from(event)
		.innerJoin(water, and(eq(water.siteId, event.siteId), eq(water.id, event.waterId)))
		.innerJoin(membership, and(eq(membership.siteId, event.siteId), eq(membership.id, event.recordedBy)))
		.innerJoin(person, eq(person.id, membership.personId))
		.leftJoin(newer, and(eq(newer.siteId, event.siteId), eq(newer.supersedes, event.id)))
		.where(
			and(
				eq(event.siteId, scope.siteId),
				filter.waterId === null ? undefined : eq(event.waterId, filter.waterId),
				filter.kind === null ? undefined : eq(event.kind, filter.kind),
				filter.by === null ? undefined : eq(event.recordedBy, filter.by),
				within(event.happenedAt, filter),
				eventHolds(filter.words, filter.kindsNamed)
			)
		)
		.orderBy(desc(event.happenedAt), desc(event.id))
		.limit(filter.most);
	return asEvents(rows.map(({ newerId, ...row }) => ({ ...row, superseded: newerId !== null })));
}

export async function addEvent(
	db: Reader,
	scope: SiteScope,
	row: StoredEvent & { readonly receivedAt: Instant; readonly precision: 'instant' | 'day' }
): Promise<void> {
	await db.insert(event).values({ ...row, siteId: scope.siteId, recordedBy: scope.membershipId });
}

/** Supplements that this water was ever given, newest first, so that a form can offer them again. */
export async function supplementsUsed(db: Reader, scope: SiteScope, waterId: string): Promise<StoredEvent[]> {
	const rows = await db
		.select(columns)
		.from(event)
		.where(
			and(
				eq(event.siteId, scope.siteId),
				eq(event.waterId, waterId),
				or(eq(event.kind, 'dose'), eq(event.kind, 'recurring-dose')),
				ne(event.kind, 'recurring-dose-missed')
			)
		)
		.orderBy(desc(event.happenedAt), desc(event.id))
		.limit(200);
	return asEvents(rows);
}
