import { and, eq } from 'drizzle-orm';
import type { Instant } from '$lib/core/time';
import { commandReceipt } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

export interface Receipt {
	readonly command: string;
	readonly contentHash: string;
	readonly answer: unknown;
}

export async function receiptOf(db: Reader, scope: SiteScope, id: string): Promise<Receipt | null> {
	const rows = await db
		.select({
			command: commandReceipt.command,
			contentHash: commandReceipt.contentHash,
			answer: commandReceipt.answer
		})
		.from(commandReceipt)
		.where(and(eq(commandReceipt.siteId, scope.siteId), eq(commandReceipt.id, id)));
	return rows[0] ?? null;
}

export async function addReceipt(
	db: Reader,
	scope: SiteScope,
	receipt: Receipt & { id: string; receivedAt: Instant }
): Promise<void> {
	await db.insert(commandReceipt).values({ ...receipt, siteId: scope.siteId });
}
