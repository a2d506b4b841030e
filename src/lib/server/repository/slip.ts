import { and, count, eq, inArray, lte, max } from 'drizzle-orm';
import type { SlipKind } from '$lib/core/plausibility';
import type { Instant } from '$lib/core/time';
import { slipAnswer, testRun } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

export interface NewSlipAnswer {
	readonly id: string;
	readonly runId: string;
	/** Null where no slip was named. */
	readonly kind: SlipKind | null;
	readonly answer: 'that-is-it' | 'as-entered';
	readonly answeredAt: Instant;
}

export async function addSlipAnswer(db: Reader, scope: SiteScope, row: NewSlipAnswer): Promise<void> {
	await db.insert(slipAnswer).values({ ...row, siteId: scope.siteId, answeredBy: scope.membershipId });
}

/**
 * How often each slip was confirmed at this site, and among how many readings: those that were made until somebody last
 * answered. What is learned then holds until the next answer, whatever is read meanwhile at any water of the site.
 */
export async function slipCounts(
	db: Reader,
	scope: SiteScope
): Promise<{ readonly confirmed: Partial<Record<SlipKind, number>>; readonly readings: number }> {
	const lastAnswer = db
		.select({ at: max(slipAnswer.answeredAt) })
		.from(slipAnswer)
		.where(eq(slipAnswer.siteId, scope.siteId));
	const [confirmed, [runs]] = await Promise.all([
		db
			.select({ kind: slipAnswer.kind, times: count() })
			.from(slipAnswer)
			.where(and(eq(slipAnswer.siteId, scope.siteId), eq(slipAnswer.answer, 'that-is-it')))
			.groupBy(slipAnswer.kind),
		db
			.select({ times: count() })
			.from(testRun)
			.where(and(eq(testRun.siteId, scope.siteId), lte(testRun.receivedAt, lastAnswer)))
	]);
	return {
		confirmed: Object.fromEntries(confirmed.flatMap(({ kind, times }) => (kind ? [[kind, times]] : []))),
		readings: runs?.times ?? 0
	};
}

/** Of these runs those that somebody said to stand as entered. */
export async function keptAsEntered(
	db: Reader,
	scope: SiteScope,
	runIds: readonly string[]
): Promise<ReadonlySet<string>> {
	if (runIds.length === 0) return new Set();
	const rows = await db
		.select({ runId: slipAnswer.runId })
		.from(slipAnswer)
		.where(
			and(
				eq(slipAnswer.siteId, scope.siteId),
				eq(slipAnswer.answer, 'as-entered'),
				inArray(slipAnswer.runId, runIds)
			)
		);
	return new Set(rows.map((r) => r.runId));
}

export async function runExists(db: Reader, scope: SiteScope, runId: string): Promise<boolean> {
	const rows = await db
		.select({ id: testRun.id })
		.from(testRun)
		.where(and(eq(testRun.siteId, scope.siteId), eq(testRun.id, runId)))
		.limit(1);
	return rows.length > 0;
}
