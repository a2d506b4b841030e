import { and, between, eq, exists, gte, like, lt, or, sql, type SQL } from 'drizzle-orm';
import { typedNumber } from '$lib/core/numeric';
import { convert, PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { EventKind } from '$lib/core/record';
import type { Instant } from '$lib/core/time';
import type { sample } from '../db/schema/index.ts';
import { event, methodVersion, person, rawReading, result, testRun } from '../db/schema/index.ts';
import type { Reader } from './database.ts';

/** What a log is narrowed to. */
export interface LogNarrowed {
	readonly waterId: string | null;
	readonly before: Instant | null;
	/** The membership of whoever entered it; null for all. */
	readonly by: string | null;
	readonly from: Instant | null;
	/** Up to, without it. */
	readonly until: Instant | null;
	/** Words or a number; empty for all. Numbers are in these units. */
	readonly words: string;
	readonly units: Readonly<Record<ParameterId, UnitId>>;
	/** Kinds of events whose names hold the words. */
	readonly kindsNamed: readonly EventKind[];
}

type LogTimes = Pick<LogNarrowed, 'before' | 'from' | 'until'>;

/** When it was: before a page's end, and within the days that are asked for. */
export function within(
	column: typeof sample.drawnAt | typeof event.happenedAt,
	{ before, from, until }: LogTimes
): SQL | undefined {
	return and(
		before === null ? undefined : lt(column, before),
		from === null ? undefined : gte(column, from),
		until === null ? undefined : lt(column, until)
	);
}

/** Words as they stand, whatever they mean to a pattern. */
const pattern = (words: string) => `%${words.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;

/** A number that was typed stands for all that are shown as it: half of its last digit either way. */
function shownAs(words: string): { readonly value: number; readonly half: number } | null {
	const value = typedNumber(words);
	if (value === null || Number.isNaN(value)) return null;
	const decimals = /[.,](\d*)$/.exec(words.trim())?.[1]?.length ?? 0;
	return { value, half: 0.5 * 10 ** -decimals };
}

/** Results that are shown as a number, whichever parameter tells them, in the reader's units. */
function tellsNumber(words: string, units: LogNarrowed['units']): SQL | undefined {
	const shown = shownAs(words);
	if (!shown) return undefined;
	return or(
		...PARAMETER_IDS.map((parameter) => {
			const to = (x: number) => convert(x, units[parameter], PARAMETERS[parameter].canonicalUnit);
			const ends = [to(shown.value - shown.half), to(shown.value + shown.half)].filter(Number.isFinite);
			if (ends.length < 2) return undefined;
			return and(
				eq(result.parameter, parameter),
				between(
					sql`coalesce(${result.value}, ${result.lower}, ${result.upper})`,
					Math.min(...ends),
					Math.max(...ends)
				)
			);
		})
	);
}

/** Readings that hold what is looked for: in their note, their kit, whoever read them, what was found and its value. */
export function readingHolds(db: Reader, { words, units }: Pick<LogNarrowed, 'words' | 'units'>) {
	if (words === '') return undefined;
	const named = PARAMETER_IDS.filter((p) => PARAMETERS[p].name.toLowerCase().includes(words.toLowerCase()));
	const told = (condition: SQL | undefined) =>
		condition &&
		exists(
			db
				.select({ id: result.id })
				.from(result)
				.where(and(eq(result.siteId, rawReading.siteId), eq(result.readingId, rawReading.id), condition))
		);
	return or(
		like(testRun.note, pattern(words)),
		like(rawReading.reason, pattern(words)),
		like(person.displayName, pattern(words)),
		like(sql`json_value(${methodVersion.definition}, '$.name')`, pattern(words)),
		told(or(...named.map((p) => eq(result.parameter, p)))),
		told(tellsNumber(words, units))
	);
}

/** Events that hold what is looked for: in their note, their details, whoever entered them. */
export function eventHolds(words: string, kinds: readonly EventKind[]) {
	if (words === '') return undefined;
	return or(
		like(event.note, pattern(words)),
		like(sql`cast(${event.details} as char)`, pattern(words)),
		like(person.displayName, pattern(words)),
		...kinds.map((kind) => eq(event.kind, kind))
	);
}
