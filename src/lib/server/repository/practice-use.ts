import { and, count, eq, gte, max } from 'drizzle-orm';
import type { Method } from '$lib/core/method';
import type { Instant } from '$lib/core/time';
import { methodVersion, siteMethod, testRun } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';
import { readingsOfRuns, type LoggedReading } from './test.ts';

/** How often a member read by a method, and how the last reading was. */
export interface MethodUse {
	readonly method: Method;
	readonly count: number;
	readonly last: LoggedReading;
}

/** What a member of a site read since a time, method by method. */
export async function usesOfMethods(
	db: Reader,
	scope: SiteScope,
	memberId: string,
	since: Instant
): Promise<MethodUse[]> {
	const rows = await db
		.select({ code: methodVersion.code, times: count(), lastRun: max(testRun.id) })
		.from(testRun)
		.innerJoin(
			siteMethod,
			and(eq(siteMethod.siteId, testRun.siteId), eq(siteMethod.id, testRun.siteMethodId))
		)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.where(
			and(eq(testRun.siteId, scope.siteId), eq(testRun.reader, memberId), gte(testRun.finishedAt, since))
		)
		.groupBy(methodVersion.code);
	const readings = await readingsOfRuns(
		db,
		scope,
		rows.flatMap((r) => r.lastRun ?? [])
	);
	return rows.flatMap(({ times, lastRun }) => {
		const last = readings.find((r) => r.runId === lastRun);
		return last ? [{ method: last.method, count: times, last }] : [];
	});
}
