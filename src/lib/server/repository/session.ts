import { and, desc, eq, gte, inArray, max } from 'drizzle-orm';
import type { SessionState, SheetTest } from '$lib/contract/session';
import type { Instant } from '$lib/core/time';
import { benchSession, membership, person, sessionSheet } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

/** Makes a session known, if it is not. */
export async function openSession(
	db: Reader,
	scope: SiteScope,
	id: string,
	startedAt: Instant,
	receivedAt: Instant
): Promise<void> {
	const known = await db
		.select({ id: benchSession.id })
		.from(benchSession)
		.where(and(eq(benchSession.siteId, scope.siteId), eq(benchSession.id, id)));
	if (known.length > 0) return;
	await db
		.insert(benchSession)
		.values({ siteId: scope.siteId, id, startedAt, startedBy: scope.membershipId, receivedAt });
}

/** The newest revision that is known of a session; 0 where none is. */
export async function revisionOf(db: Reader, scope: SiteScope, sessionId: string): Promise<number> {
	const rows = await db
		.select({ newest: max(sessionSheet.revision) })
		.from(sessionSheet)
		.where(and(eq(sessionSheet.siteId, scope.siteId), eq(sessionSheet.sessionId, sessionId)));
	return rows[0]?.newest ?? 0;
}

export interface Sheet {
	readonly id: string;
	readonly sessionId: string;
	readonly revision: number;
	readonly state: SessionState;
	readonly dueAt: Instant | null;
	readonly startedAt: Instant;
	readonly tests: readonly SheetTest[];
	readonly receivedAt: Instant;
}

export async function addSheet(db: Reader, scope: SiteScope, sheet: Sheet): Promise<void> {
	await db.insert(sessionSheet).values({ ...sheet, siteId: scope.siteId, savedBy: scope.membershipId });
}

/** Sessions that are planned or under way, by their newest revision, the last heard of first. */
export async function openSessions(
	db: Reader,
	scope: SiteScope,
	since: Instant
): Promise<(Sheet & { readonly by: string })[]> {
	const newest = await db
		.select({ sessionId: sessionSheet.sessionId, revision: max(sessionSheet.revision) })
		.from(sessionSheet)
		.where(and(eq(sessionSheet.siteId, scope.siteId), gte(sessionSheet.receivedAt, since)))
		.groupBy(sessionSheet.sessionId);
	const ids = newest.map((n) => n.sessionId);
	if (ids.length === 0) return [];
	const rows = await db
		.select({
			id: sessionSheet.id,
			sessionId: sessionSheet.sessionId,
			revision: sessionSheet.revision,
			state: sessionSheet.state,
			dueAt: sessionSheet.dueAt,
			startedAt: sessionSheet.startedAt,
			tests: sessionSheet.tests,
			receivedAt: sessionSheet.receivedAt,
			by: person.displayName
		})
		.from(sessionSheet)
		.innerJoin(
			membership,
			and(eq(membership.siteId, sessionSheet.siteId), eq(membership.id, sessionSheet.savedBy))
		)
		.innerJoin(person, eq(person.id, membership.personId))
		.where(
			and(
				eq(sessionSheet.siteId, scope.siteId),
				inArray(sessionSheet.sessionId, ids),
				inArray(sessionSheet.state, ['planned', 'under-way'])
			)
		)
		.orderBy(desc(sessionSheet.receivedAt));
	const revision = new Map(newest.map((n) => [n.sessionId, n.revision]));
	return rows.filter((r) => revision.get(r.sessionId) === r.revision);
}
