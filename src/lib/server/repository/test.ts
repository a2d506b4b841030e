import { and, desc, eq, exists, gte, inArray, lt } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import type { BenchEntry, Deviation } from '$lib/core/bench';
import { methodOfStored, type Method } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import {
	boundsOf,
	FORM_VERSION,
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
			return {
				...measured,
				kind: 'interval',
				lower: row.lower!,
				upper: row.upper!,
				best: row.value,
				uRandom: row.uRandom ?? 0,
				uCommon: row.uCommon ?? 0
			};
		case 'bound':
			// A lower bound stores its one end; "less than" stores the other.
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
		value: value.kind === 'value' ? value.value : value.kind === 'interval' ? value.best : null,
		lower: value.kind === 'bound' && value.sense === '<' ? null : bounds.lower,
		upper: bounds.upper,
		uRandom: value.kind === 'bound' ? null : value.uRandom,
		uCommon: value.kind === 'bound' ? null : value.uCommon
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
	readonly sampleId: string;
	readonly waterId: string;
	readonly water: string;
	readonly at: Instant;
	readonly offsetMinutes: number;
	readonly by: string;
	readonly siteMethodId: string;
	readonly method: Method;
	readonly reading: RawReading;
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
			at: sample.drawnAt,
			offsetMinutes: sample.offsetMinutes,
			by: person.displayName,
			siteMethodId: siteMethod.id,
			definition: methodVersion.definition,
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
		.leftJoin(newer, and(eq(newer.siteId, rawReading.siteId), eq(newer.supersedes, rawReading.id)));
}

type ReadingRow = Awaited<ReturnType<typeof readings>>[number];

/** Results of many readings at once: of each parameter the current one, else the one derived last. */
async function resultsOf(
	db: Reader,
	scope: SiteScope,
	readingIds: readonly string[]
): Promise<Map<string, TestResult[]>> {
	const found = new Map<string, TestResult[]>();
	for (let i = 0; i < readingIds.length; i += 1000) {
		const rows = await db
			.select({ ...resultColumns, readingId: result.readingId })
			.from(result)
			.where(and(eq(result.siteId, scope.siteId), inArray(result.readingId, readingIds.slice(i, i + 1000))))
			.orderBy(desc(result.current), desc(result.derivedAt), result.id);
		for (const row of rows) {
			const known = found.get(row.readingId) ?? [];
			if (!known.some((r) => r.parameter === row.parameter)) known.push(resultOf(row));
			found.set(row.readingId, known);
		}
	}
	return found;
}

async function logged(db: Reader, scope: SiteScope, rows: readonly ReadingRow[]): Promise<LoggedReading[]> {
	const results = await resultsOf(
		db,
		scope,
		rows.map((r) => r.readingId)
	);
	return rows.map(({ definition, form, reading, ...rest }) => {
		const method = methodOfStored(definition);
		const own = results.get(rest.readingId) ?? [];
		return {
			...rest,
			method,
			// The form stands in its own column; the first readings did not repeat it inside.
			reading: { ...reading, form: form as ReadingForm } as RawReading,
			results: [...own].sort((a) => (a.parameter === method.parameter ? -1 : 1))
		};
	});
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
	const rows = await readings(db)
		.where(
			and(
				eq(rawReading.siteId, scope.siteId),
				filter.waterId === null ? undefined : eq(sample.waterId, filter.waterId),
				filter.parameter === null ? undefined : tells(filter.parameter),
				filter.before === null ? undefined : lt(sample.drawnAt, filter.before)
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

/** When each method was last used on a water, by its code. */
export async function lastUseOf(
	db: Reader,
	scope: SiteScope,
	waterId: string
): Promise<Map<string, Instant>> {
	const rows = await db
		.select({ code: methodVersion.code, at: sample.drawnAt })
		.from(sample)
		.innerJoin(testRun, and(eq(testRun.siteId, sample.siteId), eq(testRun.sampleId, sample.id)))
		.innerJoin(
			siteMethod,
			and(eq(siteMethod.siteId, testRun.siteId), eq(siteMethod.id, testRun.siteMethodId))
		)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.where(and(eq(sample.siteId, scope.siteId), eq(sample.waterId, waterId)))
		.orderBy(sample.drawnAt);
	return new Map(rows.map((r) => [r.code, r.at]));
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
): Promise<{ readonly waterId: string | null } | null> {
	const rows = await db
		.select({ waterId: sample.waterId })
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

export interface NewResult {
	readonly id: string;
	readonly runId: string;
	readonly readingId: string;
	readonly derivationVersion: number;
	/** The method version it was derived by, where that is not the run's own. */
	readonly siteMethodId: string | null;
	readonly species: string;
	readonly result: TestResult;
	readonly derivedAt: Instant;
}

/** Makes derived results the run's current ones; those before them stay, no longer current. */
export async function setCurrentResults(
	db: Reader,
	scope: SiteScope,
	runId: string,
	rows: readonly NewResult[]
): Promise<void> {
	await db
		.update(result)
		.set({ current: null })
		.where(and(eq(result.siteId, scope.siteId), eq(result.runId, runId), eq(result.current, 1)));
	for (const { result: derived, ...row } of rows) {
		await db.insert(result).values({ ...row, siteId: scope.siteId, ...rowOf(derived), current: 1 });
	}
}
