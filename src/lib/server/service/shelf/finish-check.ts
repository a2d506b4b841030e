import type { FinishCheck } from '$lib/contract/shelf';
import { kitFinding, type KitFinding, type StandardTried } from '$lib/core/comparison';
import { fail, ok, type Result } from '$lib/core/result';
import type { ScopeFor } from '../../repository/scope.ts';
import { addKitCheck, runsWithItem, shelfItemsByIds } from '../../repository/shelf.ts';
import { readingsOfRuns } from '../../repository/test.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Turns readings of standards into a finding and keeps it; nothing is corrected by it yet. */
export async function finishCheck(
	deps: PooledDeps,
	scope: ScopeFor<'equip'>,
	command: FinishCheck
): Promise<Result<{ readonly checkId: string; readonly finding: KitFinding }>> {
	return once(deps, scope, 'finish-check', command, async (tx, within) => {
		const { itemId, parameter } = command;
		const runs = new Set(await runsWithItem(tx, scope, itemId, 'standards'));
		if (command.runIds.some((id) => !runs.has(id))) return fail('unknown-item', 'runIds');
		const readings = await readingsOfRuns(tx, scope, command.runIds);
		const standards = await shelfItemsByIds(tx, scope, [
			...new Set(readings.flatMap((r) => r.standardId ?? []))
		]);
		const tried: StandardTried[] = standards.flatMap(({ id, details }) => {
			const content = details.contents.find((c) => c.parameter === parameter);
			const read = readings.filter((r) => r.standardId === id).flatMap((r) => r.results);
			const own = read.filter((r) => r.parameter === parameter);
			return content && own.length > 0
				? [{ holds: { value: content.value, u: content.u }, readings: own }]
				: [];
		});
		const found = kitFinding(parameter, tried);
		if (!found.ok) return found;
		const now = within.clock.now();
		await addKitCheck(tx, scope, {
			id: command.id,
			itemId,
			parameter,
			runIds: command.runIds,
			finding: found.value,
			checkedAt: now,
			receivedAt: now
		});
		return ok({ checkId: command.id, finding: found.value });
	});
}
