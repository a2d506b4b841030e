import { and, desc, eq, exists, gte, inArray, isNotNull } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import type { BenchEntry } from '$lib/core/bench';
import type { Method } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import {
	FORM_VERSION,
	type Deviation,
	type RawReading,
	type ReadingForm,
	type TestResult
} from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import {
	membership,
	methodVersion,
	person,
	rawReading,
	result,
	sample,
	shelfItem,
	siteMethod,
	testRun,
	water
} from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import { readingHolds, within, type LogNarrowed } from './log-conditions.ts';
import { adoptedByIds } from './method.ts';
import { methodsByHash } from './parsed-method.ts';
import { resultsOf } from './result.ts';
import type { SiteScope } from './scope.ts';

const newer = alias(rawReading, 'newer');

export interface LoggedReading {
	readonly readingId: string;
	readonly runId: string;
	readonly sampleId: string;
	/** Null of a standard, which is no water. */
	readonly waterId: string | null;
	/** The water's name, or the standard's. */
	readonly water: string;
	readonly standardId: string | null;
	readonly at: Instant;
	readonly offsetMinutes: number;
	readonly by: string;
	/** Whose eyes it was read by: the run's reader, whoever put it right later. */
	readonly readerId: string;
	/** The version that it was read by. */
	readonly method: Method;
	/** The version that its results came from: that one, until they were derived again by a newer. */
	readonly derivedBy: { readonly method: Method; readonly siteMethodId: string | null };
	readonly reading: RawReading;
	/** The kit checks that its results were corrected by. */
	readonly kitCheckIds: readonly string[];
	/** One for each parameter that the run told; the current ones, or the last before it was corrected. */
	readonly results: readonly TestResult[];
	readonly note: string;
	readonly deviations: readonly Deviation[];
	/** Why this reading was replaced, when it was. */
	readonly replacedBecause: string | null;
	readonly replaces: string | null;
}

function readings(db: Reader) {
	return db
		.select({
			readingId: rawReading.id,
			runId: testRun.id,
			sampleId: sample.id,
			waterId: water.id,
			water: water.name,
			standardId: sample.standardId,
			standard: shelfItem.name,
			at: sample.drawnAt,
			offsetMinutes: sample.offsetMinutes,
			by: person.displayName,
			readerId: testRun.reader,
			contentHash: methodVersion.contentHash,
			form: rawReading.form,
			reading: rawReading.reading,
			note: testRun.note,
			deviations: testRun.deviations,
			replacedBecause: newer.reason,
			replaces: rawReading.supersedes
		})
		.from(rawReading)
		.innerJoin(testRun, and(eq(testRun.siteId, rawReading.siteId), eq(testRun.id, rawReading.runId)))
		.innerJoin(sample, and(eq(sample.siteId, testRun.siteId), eq(sample.id, testRun.sampleId)))
		.leftJoin(water, and(eq(water.siteId, sample.siteId), eq(water.id, sample.waterId)))
		.leftJoin(shelfItem, and(eq(shelfItem.siteId, sample.siteId), eq(shelfItem.id, sample.standardId)))
		.innerJoin(
			siteMethod,
			and(eq(siteMethod.siteId, testRun.siteId), eq(siteMethod.id, testRun.siteMethodId))
		)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.innerJoin(
			membership,
			and(eq(membership.siteId, rawReading.siteId), eq(membership.id, rawReading.readBy))
		)
		.innerJoin(person, eq(person.id, membership.personId))
		.leftJoin(newer, and(eq(newer.siteId, rawReading.siteId), eq(newer.supersedes, rawReading.id)));
}

const NOTHING_DERIVED = { results: [], siteMethodId: null, kitCheckIds: [] } as const;

type ReadingRow = Awaited<ReturnType<typeof readings>>[number];

async function logged(db: Reader, scope: SiteScope, rows: readonly ReadingRow[]): Promise<LoggedReading[]> {
	const results = await resultsOf(
		db,
		scope,
		rows.map((r) => r.readingId)
	);
	const ids = new Set([...results.values()].flatMap((r) => r.siteMethodId ?? []));
	const versions = await adoptedByIds(db, scope, [...ids]);
	const methodOf = await methodsByHash(
		db,
		rows.map((r) => r.contentHash)
	);
	return rows.map(({ contentHash, form, reading, standard, ...rest }) => {
		const method = methodOf(contentHash);
		const { results: own, siteMethodId, kitCheckIds } = results.get(rest.readingId) ?? NOTHING_DERIVED;
		return {
			...rest,
			water: rest.water ?? standard ?? '',
			method,
			kitCheckIds,
			derivedBy: { siteMethodId, method: versions.get(siteMethodId ?? '')?.method ?? method },
			// The form stands in its own column; the first readings did not repeat it inside.
			reading: { ...reading, form: form as ReadingForm } as RawReading,
			results: [...own].sort((a) => (a.parameter === method.parameter ? -1 : 1))
		};
	});
}

interface ReadingFilter extends LogNarrowed {
	readonly parameter: ParameterId | null;
	readonly most: number;
}

/**
 * When the sample was drawn behind which nothing of a page can lie: found by the samples' index alone, so that the page
 * is not sorted out of all that was ever read. Undefined where there are fewer.
 */
async function drawnFrom(db: Reader, scope: SiteScope, filter: ReadingFilter): Promise<Instant | undefined> {
	const { waterId, parameter, most } = filter;
	const told = (asked: ParameterId) =>
		exists(
			db
				.select({ id: result.id })
				.from(testRun)
				.innerJoin(result, and(eq(result.siteId, testRun.siteId), eq(result.runId, testRun.id)))
				.where(
					and(eq(testRun.siteId, sample.siteId), eq(testRun.sampleId, sample.id), eq(result.parameter, asked))
				)
		);
	const [last] = await db
		.select({ at: sample.drawnAt })
		.from(sample)
		.where(
			and(
				eq(sample.siteId, scope.siteId),
				waterId === null ? isNotNull(sample.waterId) : eq(sample.waterId, waterId),
				within(sample.drawnAt, filter),
				parameter === null ? undefined : told(parameter)
			)
		)
		.orderBy(desc(sample.drawnAt))
		.limit(1)
		.offset(most);
	return last?.at;
}

/** Readings newest first, the replaced ones among them. */
export async function readingLog(
	db: Reader,
	scope: SiteScope,
	filter: ReadingFilter
): Promise<LoggedReading[]> {
	const tells = (parameter: ParameterId) =>
		exists(
			db
				.select({ id: result.id })
				.from(result)
				.where(
					and(
						eq(result.siteId, rawReading.siteId),
						eq(result.readingId, rawReading.id),
						eq(result.parameter, parameter)
					)
				)
		);
	// What is looked for by its words or its reader may lie anywhere.
	const isDense = filter.words === '' && filter.by === null;
	const since = isDense ? await drawnFrom(db, scope, filter) : undefined;
	const rows = await readings(db)
		.where(
			and(
				eq(rawReading.siteId, scope.siteId),
				since === undefined ? undefined : gte(sample.drawnAt, since),
				filter.waterId === null ? isNotNull(sample.waterId) : eq(sample.waterId, filter.waterId),
				filter.parameter === null ? undefined : tells(filter.parameter),
				filter.by === null ? undefined : eq(rawReading.readBy, filter.by),
				within(sample.drawnAt, filter),
				readingHolds(db, filter)
			)
		)
		.orderBy(desc(sample.drawnAt), desc(rawReading.receivedAt), desc(rawReading.id))
		.limit(filter.most);
	return logged(db, scope, rows);
}

/** Readings that still stand, made by a method version of the site. */
export async function readingsByMethod(
	db: Reader,
	scope: SiteScope,
	siteMethodIds: readonly string[]
): Promise<LoggedReading[]> {
	if (siteMethodIds.length === 0) return [];
	const rows = await readings(db)
		.where(and(eq(rawReading.siteId, scope.siteId), inArray(testRun.siteMethodId, [...siteMethodIds])))
		.orderBy(sample.drawnAt);
	return logged(
		db,
		scope,
		rows.filter((r) => r.replacedBecause === null)
	);
}

/** The standing readings of some runs. */
export async function readingsOfRuns(
	db: Reader,
	scope: SiteScope,
	runIds: readonly string[]
): Promise<LoggedReading[]> {
	if (runIds.length === 0) return [];
	const rows = await readings(db).where(
		and(eq(rawReading.siteId, scope.siteId), inArray(rawReading.runId, [...runIds]))
	);
	return logged(
		db,
		scope,
		rows.filter((r) => r.replacedBecause === null)
	);
}

export async function readingById(
	db: Reader,
	scope: SiteScope,
	readingId: string
): Promise<LoggedReading | null> {
	const rows = await readings(db).where(
		and(eq(rawReading.siteId, scope.siteId), eq(rawReading.id, readingId))
	);
	const [found] = await logged(db, scope, rows);
	return found ?? null;
}

/** Codes of the methods that a person has carried out before, at this site. */
export async function practisedBy(db: Reader, scope: SiteScope): Promise<ReadonlySet<string>> {
	// By the index alone, from one method to the next: all runs of years would be read otherwise.
	const used = await db
		.selectDistinct({ id: testRun.siteMethodId })
		.from(testRun)
		.where(and(eq(testRun.siteId, scope.siteId), eq(testRun.reader, scope.membershipId)));
	if (used.length === 0) return new Set();
	const rows = await db
		.select({ code: methodVersion.code })
		.from(siteMethod)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.where(
			and(
				eq(siteMethod.siteId, scope.siteId),
				inArray(
					siteMethod.id,
					used.map((u) => u.id)
				)
			)
		);
	return new Set(rows.map((r) => r.code));
}

export interface NewRun {
	readonly id: string;
	readonly sampleId: string;
	/** Of a water or of a standard, never of both. */
	readonly waterId: string | null;
	readonly standardId: string | null;
	readonly sessionId: string | null;
	readonly sampleKind: (typeof sample.$inferInsert)['kind'];
	readonly siteMethodId: string;
	readonly drawnAt: Instant;
	readonly startedAt: Instant;
	readonly finishedAt: Instant;
	readonly offsetMinutes: number;
	readonly temperatureC: number | null;
	readonly keptHow: string | null;
	readonly stepLog: readonly BenchEntry[];
	readonly deviations: readonly Deviation[];
	readonly note: string;
	readonly receivedAt: Instant;
}

/** What a sample is of, where it is known already. */
export async function sampleById(
	db: Reader,
	scope: SiteScope,
	sampleId: string
): Promise<{ readonly waterId: string | null; readonly standardId: string | null } | null> {
	const rows = await db
		.select({ waterId: sample.waterId, standardId: sample.standardId })
		.from(sample)
		.where(and(eq(sample.siteId, scope.siteId), eq(sample.id, sampleId)));
	return rows[0] ?? null;
}

/** @param sampleIsKnown a repeat: the sample was drawn for an earlier test and stands already */
export async function addRun(
	db: Reader,
	scope: SiteScope,
	run: NewRun,
	sampleIsKnown: boolean
): Promise<void> {
	if (!sampleIsKnown) {
		await db.insert(sample).values({
			siteId: scope.siteId,
			id: run.sampleId,
			kind: run.sampleKind,
			waterId: run.waterId,
			standardId: run.standardId,
			drawnAt: run.drawnAt,
			offsetMinutes: run.offsetMinutes,
			precision: 'instant',
			drawnBy: scope.membershipId,
			temperatureC: run.temperatureC,
			keptHow: run.keptHow,
			receivedAt: run.receivedAt
		});
	}
	await db.insert(testRun).values({
		siteId: scope.siteId,
		id: run.id,
		sampleId: run.sampleId,
		siteMethodId: run.siteMethodId,
		sessionId: run.sessionId,
		reader: scope.membershipId,
		startedAt: run.startedAt,
		finishedAt: run.finishedAt,
		stepLog: run.stepLog,
		deviations: run.deviations,
		note: run.note,
		receivedAt: run.receivedAt
	});
}

export interface NewReading {
	readonly id: string;
	readonly runId: string;
	readonly reading: RawReading;
	readonly readAt: Instant;
	readonly supersedes: string | null;
	readonly reason: string | null;
	readonly receivedAt: Instant;
}

export async function addReading(db: Reader, scope: SiteScope, row: NewReading): Promise<void> {
	await db.insert(rawReading).values({
		...row,
		siteId: scope.siteId,
		form: row.reading.form,
		formVersion: FORM_VERSION[row.reading.form],
		readBy: scope.membershipId
	});
}

/** The step log of a run; null where there is no such run. */
export async function stepLogOf(
	db: Reader,
	scope: SiteScope,
	runId: string
): Promise<readonly BenchEntry[] | null> {
	const rows = await db
		.select({ stepLog: testRun.stepLog })
		.from(testRun)
		.where(and(eq(testRun.siteId, scope.siteId), eq(testRun.id, runId)));
	return rows[0]?.stepLog ?? null;
}
