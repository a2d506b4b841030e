import { SHIPPED_METHODS, type Method } from '$lib/core/method';
import { adoptMethod, ensureMethodVersion, offeredCodes, takingSites } from '../../repository/method.ts';
import type { PooledDeps, Within } from '../deps.ts';
import { transact } from '../once.ts';

/** Takes shipped methods in at one site, as they are now. */
export async function adoptShippedAt(
	within: Within,
	siteId: string,
	methods: readonly Method[] = SHIPPED_METHODS
): Promise<void> {
	const tx = within.db;
	const now = within.clock.now();
	let isNew = false;
	for (const method of methods) {
		const row = { newId: within.newId(), now, ownerSiteId: null };
		const methodVersionId = await ensureMethodVersion(tx, method, row);
		const adopted = await adoptMethod(tx, { siteId, id: within.newId(), methodVersionId, adoptedAt: now });
		isNew ||= adopted;
	}
	within.touch(isNew ? 'site' : 'nothing');
}

/** What a site has without having chosen it: ways to write down what was read elsewhere. */
export const ALWAYS = SHIPPED_METHODS.filter((m) => m.kind === 'stated');

/**
 * After an update: every site takes in what it does not have yet, or the newest of what it chose. Older versions stay
 * with their results.
 */
export async function adoptShipped(deps: PooledDeps): Promise<void> {
	for (const { id, takesShipped } of await takingSites(deps.db)) {
		const chosen = takesShipped === 'chosen' ? await offeredCodes(deps.db, id) : null;
		const methods = chosen
			? SHIPPED_METHODS.filter((m) => m.kind === 'stated' || chosen.has(m.code))
			: SHIPPED_METHODS;
		await transact(deps, id, (_tx, within) => adoptShippedAt(within, id, methods));
	}
}
