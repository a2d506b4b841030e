import { and, desc, eq } from 'drizzle-orm';
import type { KeptSupplement } from '$lib/contract/adjust';
import type { Limited } from '$lib/core/caution';
import type { StoredPlan, StoredPlanNote } from '$lib/core/correction';
import type { Instant } from '$lib/core/time';
import { correctionPlan, dailyLimit, planNote, supplement } from '../db/schema/index.ts';
import type { Reader, Transaction } from './database.ts';
import { takeTurn } from './revision.ts';
import type { SiteScope } from './scope.ts';

export interface OwnSupplement {
	readonly id: string;
	readonly name: string;
	readonly details: KeptSupplement;
}

/** Supplements of the site's own, each name once as it was saved last, by name. */
export async function ownSupplements(db: Reader, scope: SiteScope): Promise<OwnSupplement[]> {
	const rows = await db
		.select({ id: supplement.id, name: supplement.name, details: supplement.details })
		.from(supplement)
		.where(eq(supplement.siteId, scope.siteId))
		.orderBy(desc(supplement.receivedAt), desc(supplement.id));
	const newest = new Map<string, OwnSupplement>();
	for (const row of rows) if (!newest.has(row.name)) newest.set(row.name, row);
	return [...newest.values()].sort((a, b) => a.name.localeCompare(b.name));
}

export async function addSupplement(
	db: Reader,
	scope: SiteScope,
	row: OwnSupplement & { receivedAt: Instant }
): Promise<void> {
	await db.insert(supplement).values({ ...row, siteId: scope.siteId, savedBy: scope.membershipId });
}

export interface SetLimitRow {
	readonly id: string;
	readonly waterId: string;
	readonly parameter: Limited;
	readonly direction: 'up' | 'down';
	readonly perDay: number;
	readonly reason: string;
	readonly receivedAt: Instant;
}

/** Limits that a keeper set for a water, the newest last. */
export async function ownLimits(
	db: Reader,
	scope: SiteScope,
	waterId: string
): Promise<Omit<SetLimitRow, 'waterId' | 'id'>[]> {
	return db
		.select({
			parameter: dailyLimit.parameter,
			direction: dailyLimit.direction,
			perDay: dailyLimit.perDay,
			reason: dailyLimit.reason,
			receivedAt: dailyLimit.receivedAt
		})
		.from(dailyLimit)
		.where(and(eq(dailyLimit.siteId, scope.siteId), eq(dailyLimit.waterId, waterId)))
		.orderBy(dailyLimit.receivedAt, dailyLimit.id);
}

export async function addLimit(db: Reader, scope: SiteScope, row: SetLimitRow): Promise<void> {
	await db.insert(dailyLimit).values({ ...row, siteId: scope.siteId, savedBy: scope.membershipId });
}

const planColumns = {
	id: correctionPlan.id,
	waterId: correctionPlan.waterId,
	plan: correctionPlan.plan,
	startsAt: correctionPlan.startsAt,
	offsetMinutes: correctionPlan.offsetMinutes
};

/** Every plan of a water, newest first. */
export async function plansOf(db: Reader, scope: SiteScope, waterId: string): Promise<StoredPlan[]> {
	return db
		.select(planColumns)
		.from(correctionPlan)
		.where(and(eq(correctionPlan.siteId, scope.siteId), eq(correctionPlan.waterId, waterId)))
		.orderBy(desc(correctionPlan.startsAt), desc(correctionPlan.id))
		.limit(60);
}

export async function planById(db: Reader, scope: SiteScope, id: string): Promise<StoredPlan | null> {
	const rows = await db
		.select(planColumns)
		.from(correctionPlan)
		.where(and(eq(correctionPlan.siteId, scope.siteId), eq(correctionPlan.id, id)));
	return rows[0] ?? null;
}

/**
 * Waits until nobody else changes a plan or plans for its water, and keeps the others waiting until the transaction
 * ends. It has to come before the first look.
 */
export async function takeTurnOfPlan(tx: Transaction, scope: SiteScope, id: string): Promise<void> {
	const rows = await tx
		.select({ waterId: correctionPlan.waterId })
		.from(correctionPlan)
		.where(and(eq(correctionPlan.siteId, scope.siteId), eq(correctionPlan.id, id)))
		.for('update');
	if (rows[0]) await takeTurn(tx, rows[0].waterId);
}

const noteColumns = {
	id: planNote.id,
	planId: planNote.planId,
	kind: planNote.kind,
	details: planNote.details,
	note: planNote.note,
	happenedAt: planNote.happenedAt
};

/** What became of one plan, in the order in which it was told. */
export async function notesOfPlan(db: Reader, scope: SiteScope, planId: string): Promise<StoredPlanNote[]> {
	return db
		.select(noteColumns)
		.from(planNote)
		.where(and(eq(planNote.siteId, scope.siteId), eq(planNote.planId, planId)))
		.orderBy(planNote.receivedAt, planNote.id);
}

/** What became of all plans of a water. */
export async function notesOfWater(db: Reader, scope: SiteScope, waterId: string): Promise<StoredPlanNote[]> {
	return db
		.select(noteColumns)
		.from(planNote)
		.innerJoin(
			correctionPlan,
			and(eq(correctionPlan.siteId, planNote.siteId), eq(correctionPlan.id, planNote.planId))
		)
		.where(and(eq(planNote.siteId, scope.siteId), eq(correctionPlan.waterId, waterId)))
		.orderBy(planNote.receivedAt, planNote.id);
}

export async function addPlan(
	db: Reader,
	scope: SiteScope,
	row: StoredPlan & { receivedAt: Instant }
): Promise<void> {
	await db.insert(correctionPlan).values({ ...row, siteId: scope.siteId, madeBy: scope.membershipId });
}

export async function addPlanNote(
	db: Reader,
	scope: SiteScope,
	row: StoredPlanNote & { receivedAt: Instant }
): Promise<void> {
	await db.insert(planNote).values({ ...row, siteId: scope.siteId, notedBy: scope.membershipId });
}
