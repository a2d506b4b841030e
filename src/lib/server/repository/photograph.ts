import { and, asc, eq, inArray, isNull, ne } from 'drizzle-orm';
import type { Instant } from '$lib/core/time';
import { attachment, attachmentWithdrawal } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

export interface Photograph {
	readonly mediaType: string;
	readonly content: Buffer;
}

export type PhotographOf = { readonly runId: string } | { readonly itemId: string };

const whatOf = (of: PhotographOf) =>
	'runId' in of ? eq(attachment.runId, of.runId) : eq(attachment.itemId, of.itemId);

export const SOUND_TYPE = 'audio/wav';
/** What is looked at, or what is listened to. */
export type AttachmentForm = 'picture' | 'sound';

const inForm = (form: AttachmentForm) =>
	form === 'sound' ? eq(attachment.mediaType, SOUND_TYPE) : ne(attachment.mediaType, SOUND_TYPE);

const withdrawn = and(
	eq(attachmentWithdrawal.siteId, attachment.siteId),
	eq(attachmentWithdrawal.attachmentId, attachment.id)
);

export async function addWithdrawal(
	db: Reader,
	scope: SiteScope,
	row: { readonly id: string; readonly attachmentId: string; readonly receivedAt: Instant }
): Promise<void> {
	await db
		.insert(attachmentWithdrawal)
		.values({ ...row, siteId: scope.siteId, withdrawnBy: scope.membershipId });
}

/** The ids of the photographs (or voice notes) of a run or a thing, in the order in which they came. */
export async function photographsOf(
	db: Reader,
	scope: SiteScope,
	of: PhotographOf,
	form: AttachmentForm = 'picture'
): Promise<string[]> {
	const rows = await db
		.select({ id: attachment.id })
		.from(attachment)
		.leftJoin(attachmentWithdrawal, withdrawn)
		.where(
			and(eq(attachment.siteId, scope.siteId), whatOf(of), inForm(form), isNull(attachmentWithdrawal.id))
		)
		.orderBy(asc(attachment.receivedAt), asc(attachment.id));
	return rows.map((r) => r.id);
}

/** The photographs (or voice notes) of many runs, by the run. */
export async function photographsOfRuns(
	db: Reader,
	scope: SiteScope,
	runIds: readonly string[],
	form: AttachmentForm = 'picture'
): Promise<ReadonlyMap<string, readonly string[]>> {
	const found = new Map<string, string[]>();
	if (runIds.length === 0) return found;
	const rows = await db
		.select({ id: attachment.id, runId: attachment.runId })
		.from(attachment)
		.leftJoin(attachmentWithdrawal, withdrawn)
		.where(
			and(
				eq(attachment.siteId, scope.siteId),
				inArray(attachment.runId, [...runIds]),
				inForm(form),
				isNull(attachmentWithdrawal.id)
			)
		)
		.orderBy(asc(attachment.receivedAt), asc(attachment.id));
	for (const { id, runId } of rows) if (runId) found.set(runId, [...(found.get(runId) ?? []), id]);
	return found;
}

export async function photographById(db: Reader, scope: SiteScope, id: string): Promise<Photograph | null> {
	const rows = await db
		.select({ mediaType: attachment.mediaType, content: attachment.content })
		.from(attachment)
		.leftJoin(attachmentWithdrawal, withdrawn)
		.where(and(eq(attachment.siteId, scope.siteId), eq(attachment.id, id), isNull(attachmentWithdrawal.id)));
	return rows[0] ?? null;
}

export async function addPhotograph(
	db: Reader,
	scope: SiteScope,
	row: {
		readonly id: string;
		readonly of: PhotographOf;
		readonly sha256: string;
		readonly mediaType: string;
		readonly content: Buffer;
		readonly receivedAt: Instant;
	}
): Promise<void> {
	const { of, content, ...rest } = row;
	await db.insert(attachment).values({
		...rest,
		siteId: scope.siteId,
		runId: 'runId' in of ? of.runId : null,
		itemId: 'itemId' in of ? of.itemId : null,
		sizeBytes: content.length,
		content,
		addedBy: scope.membershipId
	});
}
