import type { CheckBox } from '$lib/contract/shelf';
import { fail, ok, type Result } from '$lib/core/result';
import type { ScopeFor } from '../../repository/scope.ts';
import { addShelfNote, shelfItemsByIds } from '../../repository/shelf.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Notes at the bench that the box of a lot was looked through: whoever tests sees what is in it. */
export async function checkBox(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: CheckBox
): Promise<Result<{ readonly noteId: string }>> {
	return once(deps, scope, 'check-box', command, async (tx, within) => {
		const [item] = await shelfItemsByIds(tx, scope, [command.itemId]);
		if (!item || item.kind !== 'kit') return fail('unknown-item', 'itemId');
		const now = within.clock.now();
		await addShelfNote(tx, scope, {
			id: command.id,
			itemId: command.itemId,
			kind: 'box-checked',
			details: { complete: command.complete },
			note: command.note,
			happenedAt: now,
			receivedAt: now
		});
		return ok({ noteId: command.id });
	});
}
