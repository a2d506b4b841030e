import { and, desc, eq, gte, lt } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import type { BenchEntry, Deviation } from '$lib/core/bench';
import type { SyringeMethod } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import { boundsOf, type SyringeReading, type TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import {
	membership,
	methodVersion,
	person,
	rawReading,
	result,
	sample,
	siteMethod,
	testRun,
	water
} from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

const newer = alias(rawReading, 'newer');

const resultColumns = {
	parameter: result.parameter,
	unit: result.unit,
	kind: result.kind,
	value: result.value,
	lower: result.lower,
	upper: result.upper,
	uRandom: result.uRandom,
	uCommon: result.uCommon
};

type ResultRow = Pick<typeof result.$inferSelect, keyof typeof resultColumns>;

/** The row's shape is checked by the database, so the numbers that its kind needs are there. */
function resultOf(row: ResultRow): TestResult {
	const measured = { parameter: row.parameter, unit: row.unit };
	switch (row.kind) {
		case 'value':
			return { ...measured, kind: 'value', value: row.value!, uRandom: row.uRandom!, uCommon: row.uCommon! };
		case 'interval':
			return { ...measured, kind: 'interval', lower: row.lower!, upper: row.upper! };
		case 'bound':
			return row.lower === null
				? { ...measured, kind: 'bound', sense: '<', limit: row.upper! }
				: { ...measured, kind: 'bound', sense: '>', limit: row.lower };
	}
}

function rowOf(value: TestResult) {
	const bounds = boundsOf(value);
	return {
		parameter: value.parameter,
		unit: value.unit,
		kind: value.kind,
		value: value.kind === 'value' ? value.value : null,
		lower: value.kind === 'bound' && value.sense === '<' ? null : bounds.lower,
		upper: bounds.upper,
		uRandom: value.kind === 'value' ? value.uRandom : null,
		uCommon: value.kind === 'value' ? value.uCommon : null
	};
}

export interface DatedResult {
	readonly runId: string;
	readonly at: Instant;
	readonly methodCode: string;
	readonly result: TestResult;
}

/** Current results of one water since a time, in the order in which the samples were drawn. */
export async function resultsSince(
	db: Reader,
	scope: SiteScope,
	waterId: string,
	since: Instant
): Promise<DatedResult[]> {
	const rows = await db
		.select({ ...resultColumns, runId: testRun.id, at: sample.drawnAt, methodCode: methodVersion.code })
		.from(sample)
		.innerJoin(testRun, and(eq(testRun.siteId, sample.siteId), eq(testRun.sampleId, sample.id)))
		.innerJoin(
			result,
			and(eq(result.siteId, testRun.siteId), eq(result.runId, testRun.id), eq(result.current, 1))
		)
		.innerJoin(
			siteMethod,
			and(eq(siteMethod.siteId, testRun.siteId), eq(siteMethod.id, testRun.siteMethodId))
		)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.where(and(eq(sample.siteId, scope.siteId), eq(sample.waterId, waterId), gte(sample.drawnAt, since)))
		.orderBy(sample.drawnAt);
	return rows.map((row) => ({
		runId: row.runId,
		at: row.at,
		methodCode: row.methodCode,
		result: resultOf(row)
	}));
}

export interface LoggedReading {
	readonly readingId: string;
	readonly runId: string;
	readonly waterId: string;
	readonly water: string;
	readonly at: Instant;
	readonly offsetMinutes: number;
	readonly by: string;
	readonly method: SyringeMethod;
	readonly reading: SyringeReading;
	readonly result: TestResult;
	readonly note: string;
	readonly deviations: readonly Deviation[];
	/** Why this reading was replaced, when it was. */
	readonly replacedBecause: string | null;
	readonly replaces: string | null;
}

function loggedReadings(db: Reader) {
	return db
		.select({
			...resultColumns,
			readingId: rawReading.id,
			runId: testRun.id,
			waterId: water.id,
			water: water.name,
			at: sample.drawnAt,
			offsetMinutes: sample.offsetMinutes,
			by: person.displayName,
			method: methodVersion.definition,
			reading: rawReading.reading,
			note: testRun.note,
			deviations: testRun.deviations,
			replacedBecause: newer.reason,
			replaces: rawReading.supersedes
		})
		.from(rawReading)
		.innerJoin(testRun, and(eq(testRun.siteId, rawReading.siteId), eq(testRun.id, rawReading.runId)))
		.innerJoin(sample, and(eq(sample.siteId, testRun.siteId), eq(sample.id, testRun.sampleId)))
		.innerJoin(water, and(eq(water.siteId, sample.siteId), eq(water.id, sample.waterId)))
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
		.innerJoin(result, and(eq(result.siteId, rawReading.siteId), eq(result.readingId, rawReading.id)))
		.leftJoin(newer, and(eq(newer.siteId, rawReading.siteId), eq(newer.supersedes, rawReading.id)));
}

type LoggedRow = Awaited<ReturnType<typeof loggedReadings>>[number];

function loggedOf(row: LoggedRow): LoggedReading {
	const {
		parameter: _p,
		unit: _u,
		kind: _k,
		value: _v,
		lower: _l,
		upper: _h,
		uRandom: _r,
		uCommon: _c,
		...rest
	} = row;
	return { ...rest, result: resultOf(row) };
}

/** Readings newest first, the replaced ones among them. */
export async function readingLog(
	db: Reader,
	scope: SiteScope,
	filter: {
		readonly waterId: string | null;
		readonly parameter: ParameterId | null;
		readonly before: Instant | null;
		readonly most: number;
	}
): Promise<LoggedReading[]> {
	const rows = await loggedReadings(db)
		.where(
			and(
				eq(rawReading.siteId, scope.siteId),
				filter.waterId === null ? undefined : eq(sample.waterId, filter.waterId),
				filter.parameter === null ? undefined : eq(result.parameter, filter.parameter),
				filter.before === null ? undefined : lt(sample.drawnAt, filter.before)
			)
		)
		.orderBy(desc(sample.drawnAt), desc(rawReading.receivedAt), desc(rawReading.id))
		.limit(filter.most);
	return rows.map(loggedOf);
}

export async function readingById(
	db: Reader,
	scope: SiteScope,
	readingId: string
): Promise<LoggedReading | null> {
	const rows = await loggedReadings(db).where(
		and(eq(rawReading.siteId, scope.siteId), eq(rawReading.id, readingId))
	);
	return rows[0] ? loggedOf(rows[0]) : null;
}

export interface NewRun {
	readonly id: string;
	readonly sampleId: string;
	readonly waterId: string;
	readonly sampleKind: (typeof sample.$inferInsert)['kind'];
	readonly siteMethodId: string;
	readonly drawnAt: Instant;
	readonly startedAt: Instant;
	readonly finishedAt: Instant;
	readonly offsetMinutes: number;
	readonly stepLog: readonly BenchEntry[];
	readonly deviations: readonly Deviation[];
	readonly note: string;
	readonly receivedAt: Instant;
}

export async function addRun(db: Reader, scope: SiteScope, run: NewRun): Promise<void> {
	await db.insert(sample).values({
		siteId: scope.siteId,
		id: run.sampleId,
		kind: run.sampleKind,
		waterId: run.waterId,
		drawnAt: run.drawnAt,
		offsetMinutes: run.offsetMinutes,
		precision: 'instant',
		drawnBy: scope.membershipId,
		receivedAt: run.receivedAt
	});
	await db.insert(testRun).values({
		siteId: scope.siteId,
		id: run.id,
		sampleId: run.sampleId,
		siteMethodId: run.siteMethodId,
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
	readonly form: { readonly name: string; readonly version: number };
	readonly reading: SyringeReading;
	readonly readAt: Instant;
	readonly supersedes: string | null;
	readonly reason: string | null;
	readonly receivedAt: Instant;
}

export async function addReading(db: Reader, scope: SiteScope, row: NewReading): Promise<void> {
	const { form, ...rest } = row;
	await db.insert(rawReading).values({
		...rest,
		siteId: scope.siteId,
		form: form.name,
		formVersion: form.version,
		readBy: scope.membershipId
	});
}

/** Makes a derived result the run's current one; the one before it stays, no longer current. */
export async function setCurrentResult(
	db: Reader,
	scope: SiteScope,
	row: {
		readonly id: string;
		readonly runId: string;
		readonly readingId: string;
		readonly derivationVersion: number;
		readonly species: string;
		readonly result: TestResult;
		readonly derivedAt: Instant;
	}
): Promise<void> {
	await db
		.update(result)
		.set({ current: null })
		.where(and(eq(result.siteId, scope.siteId), eq(result.runId, row.runId), eq(result.current, 1)));
	await db.insert(result).values({
		siteId: scope.siteId,
		id: row.id,
		runId: row.runId,
		readingId: row.readingId,
		derivationVersion: row.derivationVersion,
		species: row.species,
		...rowOf(row.result),
		current: 1,
		derivedAt: row.derivedAt
	});
}
