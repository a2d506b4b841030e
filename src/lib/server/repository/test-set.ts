import { asc, eq } from 'drizzle-orm';
import type { TestSet } from '$lib/core/bench';
import type { Instant } from '$lib/core/time';
import { testSet } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

/** The sets of a site, each as it was saved last, those that were given up left out, by name. */
export async function testSets(db: Reader, scope: SiteScope): Promise<TestSet[]> {
	const rows = await db
		.select()
		.from(testSet)
		.where(eq(testSet.siteId, scope.siteId))
		.orderBy(asc(testSet.receivedAt), asc(testSet.id));
	const newest = new Map(rows.map((row) => [row.setId, row]));
	return [...newest.values()]
		.filter((row) => !row.over)
		.map(({ setId, name, details }) => ({ ...details, id: setId, name }))
		.sort((a, b) => a.name.localeCompare(b.name));
}

export async function addTestSet(
	db: Reader,
	scope: SiteScope,
	{ id, set, over, receivedAt }: { id: string; set: TestSet; over: boolean; receivedAt: Instant }
): Promise<void> {
	const { id: setId, name, ...details } = set;
	await db.insert(testSet).values({
		siteId: scope.siteId,
		savedBy: scope.membershipId,
		id,
		setId,
		name,
		details,
		over,
		receivedAt
	});
}
