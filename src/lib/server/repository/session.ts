import { and, desc, eq, gte, inArray, max } from 'drizzle-orm';
import type { SessionState, SheetTest } from '$lib/contract/session';
import { addDays, type Instant } from '$lib/core/time';
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

/** The newest that is known of a session; null where nothing is. */
export async function newestSheet(
	db: Reader,
	scope: SiteScope,
	sessionId: string
): Promise<Pick<Sheet, 'revision' | 'state' | 'tests'> | null> {
	const [newest] = await db
		.select({ revision: sessionSheet.revision, state: sessionSheet.state, tests: sessionSheet.tests })
		.from(sessionSheet)
		.where(and(eq(sessionSheet.siteId, scope.siteId), eq(sessionSheet.sessionId, sessionId)))
		.orderBy(desc(sessionSheet.revision))
		.limit(1);
	return newest ?? null;
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

/** A session that was not heard of for so long is over. */
const FORGOTTEN_DAYS = 8;

/** Sessions that are planned or under way now, by their newest revision, the last heard of first. */
export async function openSessions(
	db: Reader,
	scope: SiteScope,
	now: Instant
): Promise<(Sheet & { readonly by: string })[]> {
	const newest = db
		.select({ sessionId: sessionSheet.sessionId, last: max(sessionSheet.revision).as('last_revision') })
		.from(sessionSheet)
		.where(
			and(eq(sessionSheet.siteId, scope.siteId), gte(sessionSheet.receivedAt, addDays(now, -FORGOTTEN_DAYS)))
		)
		.groupBy(sessionSheet.sessionId)
		.as('newest');
	return db
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
			newest,
			and(eq(newest.sessionId, sessionSheet.sessionId), eq(newest.last, sessionSheet.revision))
		)
		.innerJoin(
			membership,
			and(eq(membership.siteId, sessionSheet.siteId), eq(membership.id, sessionSheet.savedBy))
		)
		.innerJoin(person, eq(person.id, membership.personId))
		.where(and(eq(sessionSheet.siteId, scope.siteId), inArray(sessionSheet.state, ['planned', 'under-way'])))
		.orderBy(desc(sessionSheet.receivedAt));
}
