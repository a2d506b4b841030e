import { and, asc, desc, eq, gte, inArray, isNotNull, sql } from 'drizzle-orm';
import type { KeptCheck, ShelfDetails } from '$lib/contract/shelf';
import type { ShelfKind } from '$lib/contract/choices';
import type { KitFinding } from '$lib/core/comparison';
import type { Method } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import type { RawReading } from '$lib/core/reading';
import type { DatedNote } from '$lib/core/shelf';
import type { Instant } from '$lib/core/time';
import {
	kitCheck,
	membership,
	methodVersion,
	person,
	rawReading,
	runItem,
	sample,
	shelfItem,
	shelfNote,
	siteMethod,
	testRun
} from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import { adoptedByIds } from './method.ts';
import { methodsByHash } from './parsed-method.ts';
import type { SiteScope } from './scope.ts';

export interface ShelfItem {
	readonly id: string;
	readonly kind: ShelfKind;
	readonly name: string;
	readonly lotCode: string;
	readonly price: number | null;
	readonly boughtAt: Instant | null;
	readonly expiresAt: Instant | null;
	readonly details: ShelfDetails;
	/** The version that it was bought with, or is read by. */
	readonly method: Method | null;
	readonly receivedAt: Instant;
}

function items(db: Reader) {
	return db
		.select({
			id: shelfItem.id,
			kind: shelfItem.kind,
			name: shelfItem.name,
			lotCode: shelfItem.lotCode,
			price: shelfItem.price,
			boughtAt: shelfItem.boughtAt,
			expiresAt: shelfItem.expiresAt,
			details: shelfItem.details,
			contentHash: methodVersion.contentHash,
			receivedAt: shelfItem.receivedAt
		})
		.from(shelfItem)
		.leftJoin(
			siteMethod,
			and(eq(siteMethod.siteId, shelfItem.siteId), eq(siteMethod.id, shelfItem.siteMethodId))
		)
		.leftJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId));
}

async function itemsOf(db: Reader, rows: Awaited<ReturnType<typeof items>>): Promise<ShelfItem[]> {
	const methodOf = await methodsByHash(
		db,
		rows.map((r) => r.contentHash)
	);
	return rows.map(({ contentHash, ...row }) => ({
		...row,
		method: contentHash === null ? null : methodOf(contentHash)
	}));
}

/** All that stands on the site's shelf, in the order in which it came. */
export async function shelfItems(db: Reader, scope: SiteScope): Promise<ShelfItem[]> {
	const rows = await items(db)
		.where(eq(shelfItem.siteId, scope.siteId))
		.orderBy(asc(shelfItem.boughtAt), asc(shelfItem.id));
	return itemsOf(db, rows);
}

export async function shelfItemsByIds(
	db: Reader,
	scope: SiteScope,
	ids: readonly string[]
): Promise<ShelfItem[]> {
	if (ids.length === 0) return [];
	const rows = await items(db).where(
		and(eq(shelfItem.siteId, scope.siteId), inArray(shelfItem.id, [...ids]))
	);
	return itemsOf(db, rows);
}

export interface NewShelfItem {
	readonly id: string;
	readonly kind: ShelfKind;
	readonly name: string;
	readonly lotCode: string;
	readonly siteMethodId: string | null;
	readonly price: number | null;
	readonly boughtAt: Instant | null;
	readonly expiresAt: Instant | null;
	readonly details: ShelfDetails;
	readonly receivedAt: Instant;
}

export async function addShelfItem(db: Reader, scope: SiteScope, row: NewShelfItem): Promise<void> {
	await db.insert(shelfItem).values({ ...row, siteId: scope.siteId, addedBy: scope.membershipId });
}

/** What was noted of a thing, with who noted it. */
export interface KeptNote {
	readonly id: string;
	readonly itemId: string;
	readonly what: DatedNote;
	/** As it was sent, with raw numbers that the note stands on. */
	readonly details: Readonly<Record<string, unknown>>;
	readonly note: string;
	readonly by: string;
}

export async function notesOf(db: Reader, scope: SiteScope, itemIds: readonly string[]): Promise<KeptNote[]> {
	if (itemIds.length === 0) return [];
	const rows = await db
		.select({
			id: shelfNote.id,
			itemId: shelfNote.itemId,
			kind: shelfNote.kind,
			details: shelfNote.details,
			note: shelfNote.note,
			at: shelfNote.happenedAt,
			by: person.displayName
		})
		.from(shelfNote)
		.innerJoin(membership, and(eq(membership.siteId, shelfNote.siteId), eq(membership.id, shelfNote.notedBy)))
		.innerJoin(person, eq(person.id, membership.personId))
		.where(and(eq(shelfNote.siteId, scope.siteId), inArray(shelfNote.itemId, [...itemIds])))
		.orderBy(asc(shelfNote.happenedAt), asc(shelfNote.receivedAt), asc(shelfNote.id));
	return rows.map(({ kind, at, ...row }) => ({
		...row,
		what: { ...row.details, kind, at } as unknown as DatedNote
	}));
}

export interface NewShelfNote {
	readonly id: string;
	readonly itemId: string;
	readonly kind: DatedNote['kind'];
	readonly details: Readonly<Record<string, unknown>>;
	readonly note: string;
	readonly happenedAt: Instant;
	readonly receivedAt: Instant;
}

export async function addShelfNote(db: Reader, scope: SiteScope, row: NewShelfNote): Promise<void> {
	await db.insert(shelfNote).values({ ...row, siteId: scope.siteId, notedBy: scope.membershipId });
}

export async function addKitCheck(
	db: Reader,
	scope: SiteScope,
	row: Omit<KeptCheck, 'checkedAt'> & {
		readonly parameter: ParameterId;
		readonly checkedAt: Instant;
		readonly receivedAt: Instant;
	}
): Promise<void> {
	await db.insert(kitCheck).values({ ...row, siteId: scope.siteId, checkedBy: scope.membershipId });
}

const checkColumns = {
	id: kitCheck.id,
	itemId: kitCheck.itemId,
	runIds: kitCheck.runIds,
	finding: kitCheck.finding,
	checkedAt: kitCheck.checkedAt
};

/** Checks of some things, newest first. */
export async function checksOf(
	db: Reader,
	scope: SiteScope,
	itemIds: readonly string[]
): Promise<(KeptCheck & { readonly checkedAt: Instant })[]> {
	if (itemIds.length === 0) return [];
	return db
		.select(checkColumns)
		.from(kitCheck)
		.where(and(eq(kitCheck.siteId, scope.siteId), inArray(kitCheck.itemId, [...itemIds])))
		.orderBy(desc(kitCheck.checkedAt), desc(kitCheck.id));
}

export async function checkById(
	db: Reader,
	scope: SiteScope,
	id: string
): Promise<(KeptCheck & { readonly checkedAt: Instant; readonly finding: KitFinding }) | null> {
	const rows = await db
		.select(checkColumns)
		.from(kitCheck)
		.where(and(eq(kitCheck.siteId, scope.siteId), eq(kitCheck.id, id)));
	return rows[0] ?? null;
}

/** One test that was made with a thing on the shelf. */
export interface ItemUse {
	readonly itemId: string;
	readonly runId: string;
	readonly at: Instant;
	readonly method: Method;
	readonly portion: RawReading['portion'];
}

/** Every test since a time that named what it was made with; tests of standards count as well. */
export async function itemUses(db: Reader, scope: SiteScope, since: Instant | null): Promise<ItemUse[]> {
	// Methods are looked up apart: joined to them, all runs of the site were read instead of those on the shelf.
	const rows = await db
		.select({
			itemId: runItem.itemId,
			runId: runItem.runId,
			at: testRun.finishedAt,
			siteMethodId: testRun.siteMethodId,
			portion: sql<RawReading['portion']>`json_value(${rawReading.reading}, '$.portion')`
		})
		.from(runItem)
		.innerJoin(testRun, and(eq(testRun.siteId, runItem.siteId), eq(testRun.id, runItem.runId)))
		.innerJoin(rawReading, and(eq(rawReading.siteId, testRun.siteId), eq(rawReading.runId, testRun.id)))
		.where(and(eq(runItem.siteId, scope.siteId), since === null ? undefined : gte(testRun.finishedAt, since)))
		.orderBy(asc(testRun.finishedAt));
	const adopted = await adoptedByIds(db, scope, [...new Set(rows.map((r) => r.siteMethodId))]);
	const seen = new Set<string>();
	const uses: ItemUse[] = [];
	for (const { siteMethodId, ...use } of rows) {
		// A corrected reading is one test still.
		if (seen.has(`${use.itemId}/${use.runId}`)) continue;
		seen.add(`${use.itemId}/${use.runId}`);
		uses.push({ ...use, method: adopted.get(siteMethodId)!.method });
	}
	return uses;
}

/** What a run was made with. */
export async function itemsOfRuns(
	db: Reader,
	scope: SiteScope,
	runIds: readonly string[]
): Promise<Map<string, string[]>> {
	const found = new Map<string, string[]>();
	for (let i = 0; i < runIds.length; i += 1000) {
		const rows = await db
			.select({ runId: runItem.runId, itemId: runItem.itemId })
			.from(runItem)
			.where(and(eq(runItem.siteId, scope.siteId), inArray(runItem.runId, runIds.slice(i, i + 1000))));
		for (const { runId, itemId } of rows) found.set(runId, [...(found.get(runId) ?? []), itemId]);
	}
	return found;
}

export async function addRunItems(
	db: Reader,
	scope: SiteScope,
	runId: string,
	itemIds: readonly string[]
): Promise<void> {
	if (itemIds.length === 0) return;
	await db.insert(runItem).values(itemIds.map((itemId) => ({ siteId: scope.siteId, runId, itemId })));
}

/** The runs that were made with a thing, of waters or of standards. */
export async function runsWithItem(
	db: Reader,
	scope: SiteScope,
	itemId: string,
	of: 'waters' | 'standards'
): Promise<string[]> {
	const rows = await db
		.select({ runId: runItem.runId })
		.from(runItem)
		.innerJoin(testRun, and(eq(testRun.siteId, runItem.siteId), eq(testRun.id, runItem.runId)))
		.innerJoin(sample, and(eq(sample.siteId, testRun.siteId), eq(sample.id, testRun.sampleId)))
		.where(
			and(
				eq(runItem.siteId, scope.siteId),
				eq(runItem.itemId, itemId),
				of === 'waters' ? isNotNull(sample.waterId) : isNotNull(sample.standardId)
			)
		)
		.orderBy(asc(testRun.finishedAt));
	return rows.map((r) => r.runId);
}
