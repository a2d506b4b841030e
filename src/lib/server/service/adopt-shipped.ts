import { SHIPPED_METHODS } from '$lib/core/method';
import { inTransaction, type Transaction } from '../repository/database.ts';
import { adoptMethod, ensureMethodVersion, siteIds } from '../repository/method.ts';
import type { Deps } from './deps.ts';

/** Takes the shipped methods in at one site, as they are now. */
export async function adoptShippedAt(deps: Deps, tx: Transaction, siteId: string): Promise<void> {
	const now = deps.clock.now();
	for (const method of SHIPPED_METHODS) {
		const row = { newId: deps.newId(), now, ownerSiteId: null };
		const methodVersionId = await ensureMethodVersion(tx, method, row);
		await adoptMethod(tx, { siteId, id: deps.newId(), methodVersionId, adoptedAt: now });
	}
}

/** After an update: every site takes in what it does not have yet. Older versions stay with their results. */
export async function adoptShipped(deps: Deps): Promise<void> {
	for (const siteId of await siteIds(deps.db)) {
		await inTransaction(deps.db, (tx) => adoptShippedAt(deps, tx, siteId));
	}
}
