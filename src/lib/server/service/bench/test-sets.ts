import type { SaveSet } from '$lib/contract/test-set';
import type { TestSet } from '$lib/core/bench';
import { fail, ok, type Result } from '$lib/core/result';
import { adoptedMethods } from '../../repository/method.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { addTestSet, testSets } from '../../repository/test-set.ts';
import { watersOf } from '../../repository/water.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Keeps a set of tests under its name, changes it, or gives it up. */
export async function saveSet(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: SaveSet
): Promise<Result<{ readonly setId: string }>> {
	return once(deps, scope, 'save-set', command, async (tx, within) => {
		// What is believed of a water, and what is due, stays as it is.
		within.touch('nothing');
		const waters = new Set((await watersOf(tx, scope)).map((w) => w.id));
		const codes = new Set((await adoptedMethods(tx, scope)).map(({ method }) => method.code));
		for (const [i, test] of command.tests.entries()) {
			if (!waters.has(test.waterId)) return fail('unknown-item', `tests.${i}.waterId`);
			if (!codes.has(test.methodCode)) return fail('unknown-item', `tests.${i}.methodCode`);
		}
		const name = command.name.trim();
		if (name === '') return fail('invalid-field', 'name', { rule: 'missing' });
		const { setId, tests, weekdays, atMinute, inOrder, over } = command;
		const set = { id: setId, name, tests, weekdays: [...weekdays].sort(), atMinute, inOrder };
		await addTestSet(tx, scope, { id: command.id, set, over, receivedAt: within.clock.now() });
		return ok({ setId });
	});
}

/** The sets of a site, by name; a test of a water that was taken down, or by a kit that is gone, is left out. */
export async function readSets(deps: Deps, scope: SiteScope): Promise<readonly TestSet[]> {
	const [sets, waters] = await Promise.all([testSets(deps.db, scope), watersOf(deps.db, scope)]);
	const runs = new Set(waters.filter((w) => w.endedAt === null).map((w) => w.id));
	return sets
		.map((set) => ({ ...set, tests: set.tests.filter((t) => runs.has(t.waterId)) }))
		.filter((set) => set.tests.length > 0);
}
