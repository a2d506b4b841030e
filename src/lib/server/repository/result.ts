import { and, countDistinct, desc, eq, gte, lte, inArray, min } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import type { ParameterId } from '$lib/core/quantity';
import { boundsOf, type TestResult } from '$lib/core/reading';
import type { DatedResult } from '$lib/core/record';
import type { Instant } from '$lib/core/time';
import { COVERAGE, standardUncertaintyOf } from '$lib/core/uncertainty';
import { methodVersion, rawReading, result, sample, siteMethod, testRun } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import { methodCodes } from './method.ts';
import type { SiteScope } from './scope.ts';

const newer = alias(rawReading, 'newer');

export const resultColumns = {
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

/** Of something evenly spread it is 0.95·√3, a little less with something small beside it. */
const LEAST_COVERAGE = 1.6;

/** A factor of its own stands in the end of the interval that was stored with it. */
function ownCoverage({ value, upper, uRandom, uCommon }: ResultRow): { readonly coverage?: number } {
	const u = standardUncertaintyOf({ uRandom: uRandom ?? 0, uCommon: uCommon ?? 0 });
	if (value === null || upper === null || !(u > 0)) return {};
	const coverage = (upper - value) / u;
	// Beyond these it is the usual one, or what is left of it after rounding.
	return coverage > LEAST_COVERAGE && coverage < COVERAGE - 0.01 ? { coverage } : {};
}

/** The row's shape is checked by the database, so the numbers that its kind needs are there. */
export function resultOf(row: ResultRow): TestResult {
	const measured = { parameter: row.parameter, unit: row.unit };
	switch (row.kind) {
		case 'value':
			return {
				...measured,
				kind: 'value',
				value: row.value!,
				uRandom: row.uRandom!,
				uCommon: row.uCommon!,
				...ownCoverage(row)
			};
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

/** Current results of one water since a time, in the order in which the samples were drawn. */
export async function resultsSince(
	db: Reader,
	scope: SiteScope,
	waterId: string,
	since: Instant
): Promise<DatedResult[]> {
	const codes = await methodCodes(db, scope);
	// The codes are joined here: there are thirty methods to thousands of results.
	const rows = await db
		.select({
			...resultColumns,
			runId: testRun.id,
			readingId: result.readingId,
			at: sample.drawnAt,
			siteMethodId: testRun.siteMethodId
		})
		.from(sample)
		.innerJoin(testRun, and(eq(testRun.siteId, sample.siteId), eq(testRun.sampleId, sample.id)))
		.innerJoin(
			result,
			and(eq(result.siteId, testRun.siteId), eq(result.runId, testRun.id), eq(result.current, 1))
		)
		.where(and(eq(sample.siteId, scope.siteId), eq(sample.waterId, waterId), gte(sample.drawnAt, since)))
		.orderBy(sample.drawnAt, testRun.id);
	return rows.map((row) => ({
		runId: row.runId,
		readingId: row.readingId,
		at: row.at,
		methodCode: codes.get(row.siteMethodId) ?? '',
		result: resultOf(row)
	}));
}

/** How often each parameter of a water was ever read, corrected readings among them, and when first. */
export async function readingCounts(
	db: Reader,
	scope: SiteScope,
	waterId: string
): Promise<{ parameter: ParameterId; count: number; firstAt: Instant }[]> {
	const rows = await db
		.select({
			parameter: result.parameter,
			count: countDistinct(result.readingId),
			firstAt: min(sample.drawnAt)
		})
		.from(sample)
		.innerJoin(testRun, and(eq(testRun.siteId, sample.siteId), eq(testRun.sampleId, sample.id)))
		.innerJoin(result, and(eq(result.siteId, testRun.siteId), eq(result.runId, testRun.id)))
		.where(and(eq(sample.siteId, scope.siteId), eq(sample.waterId, waterId)))
		.groupBy(result.parameter);
	return rows.map(({ firstAt, ...row }) => ({ ...row, firstAt: firstAt! }));
}

/** How many samples of a water were drawn in each of equal parts of a span. */
export async function samplesInParts(
	db: Reader,
	scope: SiteScope,
	waterId: string,
	{ from, to, parts }: { readonly from: Instant; readonly to: Instant; readonly parts: number }
): Promise<readonly number[]> {
	const counts = Array.from({ length: parts }, () => 0);
	const rows = await db
		.select({ at: sample.drawnAt })
		.from(sample)
		.where(
			and(
				eq(sample.siteId, scope.siteId),
				eq(sample.waterId, waterId),
				gte(sample.drawnAt, from),
				lte(sample.drawnAt, to)
			)
		);
	for (const { at } of rows) {
		const part = Math.min(parts - 1, Math.floor(((at - from) / (to - from)) * parts));
		counts[part] = counts[part]! + 1;
	}
	return counts;
}

/** What was read of a water since a time and corrected later: its last results, which no longer count. */
export async function supersededSince(
	db: Reader,
	scope: SiteScope,
	waterId: string,
	since: Instant
): Promise<DatedResult[]> {
	const rows = await db
		.select({
			readingId: rawReading.id,
			runId: testRun.id,
			at: sample.drawnAt,
			methodCode: methodVersion.code
		})
		.from(sample)
		.innerJoin(testRun, and(eq(testRun.siteId, sample.siteId), eq(testRun.sampleId, sample.id)))
		.innerJoin(rawReading, and(eq(rawReading.siteId, testRun.siteId), eq(rawReading.runId, testRun.id)))
		.innerJoin(newer, and(eq(newer.siteId, rawReading.siteId), eq(newer.supersedes, rawReading.id)))
		.innerJoin(
			siteMethod,
			and(eq(siteMethod.siteId, testRun.siteId), eq(siteMethod.id, testRun.siteMethodId))
		)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.where(and(eq(sample.siteId, scope.siteId), eq(sample.waterId, waterId), gte(sample.drawnAt, since)))
		.orderBy(sample.drawnAt, rawReading.id);
	const derived = await resultsOf(
		db,
		scope,
		rows.map((r) => r.readingId)
	);
	return rows.flatMap((row) =>
		(derived.get(row.readingId)?.results ?? []).map((result) => ({ ...row, result }))
	);
}

/** What was derived from one reading. */
export interface DerivedResults {
	/** Of each parameter the current one, else the one derived last. */
	readonly results: TestResult[];
	/** The method version that they were derived by, where that is not the run's own. */
	readonly siteMethodId: string | null;
	/** The kit checks that corrected them. */
	readonly kitCheckIds: readonly string[];
}

/** Results of many readings at once, by the reading's id. */
export async function resultsOf(
	db: Reader,
	scope: SiteScope,
	readingIds: readonly string[]
): Promise<Map<string, DerivedResults>> {
	const found = new Map<
		string,
		{ results: TestResult[]; siteMethodId: string | null; kitCheckIds: string[] }
	>();
	for (let i = 0; i < readingIds.length; i += 1000) {
		const rows = await db
			.select({
				...resultColumns,
				readingId: result.readingId,
				siteMethodId: result.siteMethodId,
				kitCheckId: result.kitCheckId
			})
			.from(result)
			.where(and(eq(result.siteId, scope.siteId), inArray(result.readingId, readingIds.slice(i, i + 1000))))
			.orderBy(desc(result.current), desc(result.derivedAt), result.id);
		for (const row of rows) {
			const known = found.get(row.readingId) ?? {
				results: [],
				siteMethodId: row.siteMethodId,
				kitCheckIds: []
			};
			if (!known.results.some((r) => r.parameter === row.parameter)) {
				known.results.push(resultOf(row));
				if (row.kitCheckId !== null) known.kitCheckIds.push(row.kitCheckId);
			}
			found.set(row.readingId, known);
		}
	}
	return found;
}

export interface NewResult {
	readonly id: string;
	readonly runId: string;
	readonly readingId: string;
	readonly derivationVersion: number;
	/** The method version it was derived by, where that is not the run's own. */
	readonly siteMethodId: string | null;
	/** The check of the kit that corrected it; null where none did. */
	readonly kitCheckId: string | null;
	readonly species: string;
	readonly result: TestResult;
	readonly derivedAt: Instant;
}

/** The first results of a run that is new. */
export async function addCurrentResults(
	db: Reader,
	scope: SiteScope,
	rows: readonly NewResult[]
): Promise<void> {
	for (const { result: derived, ...row } of rows) {
		await db.insert(result).values({ ...row, siteId: scope.siteId, ...rowOf(derived), current: 1 });
	}
}

/**
 * Makes derived results the run's current ones; those before them stay, no longer current. Not for a new run: looking
 * for what is not there locks the gap that others, who keep theirs at the same time, have to write into.
 */
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
	await addCurrentResults(db, scope, rows);
}
