import { and, asc, desc, eq, sql } from 'drizzle-orm';
import type { PracticeDeed, SaidBeforeRun } from '$lib/contract/practice';
import type { ReaderDecision, ReaderFinding, Subject, Trial } from '$lib/core/practice';
import type { Instant } from '$lib/core/time';
import {
	membership,
	person,
	practiceNote,
	practiceTrial,
	readerUse,
	saidBefore,
	testRun
} from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

export interface DatedTrial {
	readonly at: Instant;
	readonly trial: Trial;
}

/** More than this of one member is not looked at: what was answered long ago tells nothing of today's eye. */
const MOST_TRIALS = 3000;
const MOST_SCALES = 300;

export async function addTrials(
	db: Reader,
	scope: SiteScope,
	trials: readonly (DatedTrial & { readonly id: string; readonly receivedAt: Instant })[]
): Promise<void> {
	await db.insert(practiceTrial).values(
		trials.map(({ at, ...row }) => ({
			...row,
			siteId: scope.siteId,
			memberId: scope.membershipId,
			answeredAt: at
		}))
	);
}

/** What one member of the site answered in practice, oldest first. */
export async function trialsOf(db: Reader, scope: SiteScope, memberId: string): Promise<DatedTrial[]> {
	const rows = await db
		.select({ at: practiceTrial.answeredAt, trial: practiceTrial.trial })
		.from(practiceTrial)
		.where(and(eq(practiceTrial.siteId, scope.siteId), eq(practiceTrial.memberId, memberId)))
		.orderBy(desc(practiceTrial.answeredAt), desc(practiceTrial.id))
		.limit(MOST_TRIALS);
	return rows.toReversed();
}

/** The drawn scales that a member read last: the bench asks for their slips each time, and for nothing else. */
export async function scaleTrialsOf(db: Reader, scope: SiteScope, memberId: string): Promise<Trial[]> {
	const rows = await db
		.select({ trial: practiceTrial.trial })
		.from(practiceTrial)
		.where(
			and(
				eq(practiceTrial.siteId, scope.siteId),
				eq(practiceTrial.memberId, memberId),
				sql`json_value(${practiceTrial.trial}, '$.kind') = 'scale'`
			)
		)
		.orderBy(desc(practiceTrial.answeredAt), desc(practiceTrial.id))
		.limit(MOST_SCALES);
	return rows.map((r) => r.trial);
}

export interface DatedDecision extends ReaderDecision {
	readonly memberId: string;
	readonly decidedAt: Instant;
}

export async function addReaderUse(
	db: Reader,
	scope: SiteScope,
	row: {
		readonly id: string;
		readonly subject: Subject;
		readonly finding: ReaderFinding | null;
		readonly from: Instant | null;
		readonly decidedAt: Instant;
	}
): Promise<void> {
	const { from, ...rest } = row;
	await db
		.insert(readerUse)
		.values({ ...rest, siteId: scope.siteId, memberId: scope.membershipId, fromAt: from });
}

/** What is used, or no longer used, of the readers of a site, in the order in which it was decided. */
export async function readerDecisions(db: Reader, scope: SiteScope): Promise<DatedDecision[]> {
	return db
		.select({
			memberId: readerUse.memberId,
			subject: readerUse.subject,
			finding: readerUse.finding,
			from: readerUse.fromAt,
			decidedAt: readerUse.decidedAt
		})
		.from(readerUse)
		.where(eq(readerUse.siteId, scope.siteId))
		.orderBy(asc(readerUse.decidedAt), asc(readerUse.id));
}

export interface DatedDeed {
	readonly id: string;
	readonly at: Instant;
	readonly memberId: string;
	readonly by: string;
	readonly deed: PracticeDeed;
}

export async function addPracticeNote(
	db: Reader,
	scope: SiteScope,
	row: { readonly id: string; readonly deed: PracticeDeed; readonly at: Instant }
): Promise<void> {
	const { at, ...rest } = row;
	await db
		.insert(practiceNote)
		.values({ ...rest, siteId: scope.siteId, notedBy: scope.membershipId, notedAt: at });
}

/** What was arranged about practice at a site, oldest first. */
export async function practiceNotes(db: Reader, scope: SiteScope): Promise<DatedDeed[]> {
	return db
		.select({
			id: practiceNote.id,
			at: practiceNote.notedAt,
			memberId: practiceNote.notedBy,
			by: person.displayName,
			deed: practiceNote.deed
		})
		.from(practiceNote)
		.innerJoin(
			membership,
			and(eq(membership.siteId, practiceNote.siteId), eq(membership.id, practiceNote.notedBy))
		)
		.innerJoin(person, eq(person.id, membership.personId))
		.where(eq(practiceNote.siteId, scope.siteId))
		.orderBy(asc(practiceNote.notedAt), asc(practiceNote.id));
}

export async function addSaid(
	db: Reader,
	scope: SiteScope,
	row: { readonly runId: string; readonly said: SaidBeforeRun }
): Promise<void> {
	await db.insert(saidBefore).values({ ...row, siteId: scope.siteId, saidBy: scope.membershipId });
}

export interface SaidOfRun {
	readonly runId: string;
	readonly at: Instant;
	readonly said: SaidBeforeRun;
}

/** What a member said before they read, oldest first. */
export async function saidOf(db: Reader, scope: SiteScope, memberId: string): Promise<SaidOfRun[]> {
	return db
		.select({ runId: saidBefore.runId, said: saidBefore.said, at: testRun.finishedAt })
		.from(saidBefore)
		.innerJoin(testRun, and(eq(testRun.siteId, saidBefore.siteId), eq(testRun.id, saidBefore.runId)))
		.where(and(eq(saidBefore.siteId, scope.siteId), eq(saidBefore.saidBy, memberId)))
		.orderBy(asc(testRun.finishedAt));
}

/** What was said before one run was read; null where nothing was. */
export async function saidOfRun(db: Reader, scope: SiteScope, runId: string): Promise<SaidBeforeRun | null> {
	const [row] = await db
		.select({ said: saidBefore.said })
		.from(saidBefore)
		.where(and(eq(saidBefore.siteId, scope.siteId), eq(saidBefore.runId, runId)));
	return row?.said ?? null;
}
