import type { DeriveItem } from '$lib/contract/shelf';
import { fail, ok, type Result } from '$lib/core/result';
import type { ScopeFor } from '../../repository/scope.ts';
import { shelfItemsByIds } from '../../repository/shelf.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';
import { moveResults } from './item-moves.ts';

/** Derives again what no longer fits what is known of a thing: its drops, its corrections. */
export async function deriveItemAgain(
	deps: PooledDeps,
	scope: ScopeFor<'equip'>,
	command: DeriveItem
): Promise<Result<{ readonly moved: number }>> {
	return once(deps, scope, 'derive-item', command, async (tx, within) => {
		const [item] = await shelfItemsByIds(tx, scope, [command.itemId]);
		if (!item) return fail('unknown-item', 'itemId');
		return ok({ moved: await moveResults(within, scope, command.itemId) });
	});
}
