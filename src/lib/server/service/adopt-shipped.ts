import { SHIPPED_METHODS } from '$lib/core/method';
import { adoptMethod, ensureMethodVersion, siteIds } from '../repository/method.ts';
import type { PooledDeps, Within } from './deps.ts';
import { transact } from './once.ts';

/** Takes the shipped methods in at one site, as they are now. */
export async function adoptShippedAt(within: Within, siteId: string): Promise<void> {
	const tx = within.db;
	const now = within.clock.now();
	let isNew = false;
	for (const method of SHIPPED_METHODS) {
		const row = { newId: within.newId(), now, ownerSiteId: null };
		const methodVersionId = await ensureMethodVersion(tx, method, row);
		const adopted = await adoptMethod(tx, { siteId, id: within.newId(), methodVersionId, adoptedAt: now });
		isNew ||= adopted;
	}
	within.touch(isNew ? 'site' : 'nothing');
}

/** After an update: every site takes in what it does not have yet. Older versions stay with their results. */
export async function adoptShipped(deps: PooledDeps): Promise<void> {
	for (const siteId of await siteIds(deps.db)) {
		await transact(deps, siteId, (_tx, within) => adoptShippedAt(within, siteId));
	}
}
