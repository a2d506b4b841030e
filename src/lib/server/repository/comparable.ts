import { and, asc, eq, gte, inArray } from 'drizzle-orm';
import { pointOf } from '$lib/core/reading';
import type { ParameterId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { membership, person, result, sample, testRun } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import { methodCodes } from './method.ts';
import { resultColumns, resultOf } from './result.ts';
import type { SiteScope } from './scope.ts';

/** A result as a number, with all that could make it differ from another. */
export interface ComparableRow {
	readonly id: string;
	readonly waterId: string;
	readonly sampleId: string;
	readonly drawnAt: Instant;
	/** The method's code. */
	readonly kit: string;
	readonly reader: string;
	readonly value: number;
	readonly uRandom: number;
	readonly uCommon: number;
	/** A check of the kit corrected it. */
	readonly corrected: boolean;
}

/**
 * Results of one parameter that are numbers, in the order of time: as they stand, and as they were first derived.
 */
export async function comparableResults(
	db: Reader,
	scope: SiteScope,
	waterIds: readonly string[],
	parameter: ParameterId,
	since: Instant
): Promise<{ readonly current: readonly ComparableRow[]; readonly asRead: readonly ComparableRow[] }> {
	if (waterIds.length === 0) return { current: [], asRead: [] };
	const codes = await methodCodes(db, scope);
	const rows = await db
		.select({
			...resultColumns,
			runId: testRun.id,
			waterId: sample.waterId,
			sampleId: sample.id,
			drawnAt: sample.drawnAt,
			siteMethodId: testRun.siteMethodId,
			reader: person.displayName,
			current: result.current,
			kitCheckId: result.kitCheckId,
			readingId: result.readingId
		})
		.from(sample)
		.innerJoin(testRun, and(eq(testRun.siteId, sample.siteId), eq(testRun.sampleId, sample.id)))
		.innerJoin(result, and(eq(result.siteId, testRun.siteId), eq(result.runId, testRun.id)))
		.innerJoin(membership, and(eq(membership.siteId, testRun.siteId), eq(membership.id, testRun.reader)))
		.innerJoin(person, eq(person.id, membership.personId))
		.where(
			and(
				eq(sample.siteId, scope.siteId),
				inArray(sample.waterId, [...waterIds]),
				eq(result.parameter, parameter),
				gte(sample.drawnAt, since)
			)
		)
		.orderBy(asc(sample.drawnAt), asc(result.derivedAt), asc(result.id));
	const made = rows.flatMap(({ runId, siteMethodId, waterId, current, kitCheckId, readingId, ...row }) => {
		const point = pointOf(resultOf(row));
		if (!point || waterId === null) return [];
		const { value, uRandom, uCommon } = point;
		return [
			{
				id: runId,
				waterId,
				sampleId: row.sampleId,
				drawnAt: row.drawnAt,
				kit: codes.get(siteMethodId) ?? '',
				reader: row.reader,
				value,
				uRandom,
				uCommon,
				corrected: kitCheckId !== null,
				isCurrent: current === 1,
				readingId
			}
		];
	});
	const current = made.filter((r) => r.isCurrent);
	// The reading that stands, by the first arithmetic that was done on it.
	const standing = new Map(current.map((r) => [r.id, r.readingId]));
	const first = new Map<string, (typeof made)[number]>();
	for (const row of made) {
		if (standing.get(row.id) === row.readingId && !first.has(row.id)) first.set(row.id, row);
	}
	const plainRow = ({ isCurrent: _, readingId: __, ...row }: (typeof made)[number]): ComparableRow => row;
	return { current: current.map(plainRow), asRead: [...first.values()].map(plainRow) };
}
