import type { NotePurified } from '$lib/contract/purified';
import { judgePurified, type PurifiedState } from '$lib/core/purified';
import { fail, ok, type Result } from '$lib/core/result';
import { instant, isFuture } from '$lib/core/time';
import { addPurifiedEntry, purifiedEntries, type PurifiedEntry } from '../../repository/purified.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Notes what the meter showed along the unit, or what of it was changed. */
export async function notePurified(
	deps: PooledDeps,
	scope: ScopeFor<'record'>,
	command: NotePurified
): Promise<Result<{ readonly kept: number }>> {
	return once(deps, scope, 'note-purified', command, async (tx, within) => {
		// No water is reckoned by it: what it may be used for is said beside where it is used.
		within.touch('nothing');
		const now = within.clock.now();
		if (isFuture(command.happenedAt, now)) return fail('in-the-future', 'happenedAt');
		const { note, facts, happenedAt } = command;
		for (const fact of facts) {
			await addPurifiedEntry(tx, scope, {
				id: within.newId(),
				at: instant(happenedAt),
				fact,
				note,
				receivedAt: now
			});
		}
		return ok({ kept: facts.length });
	});
}

/** How the site's purified water stands, and all that was noted of it. */
export async function readPurified(
	deps: Deps,
	scope: SiteScope
): Promise<{ readonly state: PurifiedState; readonly entries: readonly PurifiedEntry[] }> {
	const entries = await purifiedEntries(deps.db, scope);
	return { state: judgePurified(entries, deps.clock.now()), entries };
}
