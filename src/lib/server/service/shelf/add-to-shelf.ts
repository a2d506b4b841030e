import type { AddItem } from '$lib/contract/shelf';
import { firstImpossible, POSSIBLE, POSSIBLE_IN_BOTTLE } from '$lib/core/quantity';
import { fail, ok, type Fault, type Result } from '$lib/core/result';
import { addDays, instant, type Instant } from '$lib/core/time';
import { adoptedMethod } from '../../repository/method.ts';
import type { ScopeFor } from '../../repository/scope.ts';
import { addShelfItem } from '../../repository/shelf.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Nothing keeps longer than this, whatever its label says. */
const LONGEST_KEPT_DAYS = 30 * 366;

/** What of a new thing cannot be, by the table of what can and by the calendar; null where all can. */
function impossibleItem({ price, boughtAt, expiresAt, details }: AddItem, now: Instant): Fault | null {
	const { recipe } = details;
	// A lot is bought on a day, whatever the hour: at most today.
	if (boughtAt !== null && boughtAt > addDays(now, 1)) return { code: 'in-the-future', field: 'boughtAt' };
	if (boughtAt !== null && expiresAt !== null && expiresAt < boughtAt) {
		return { code: 'out-of-order', field: 'expiresAt', details: { before: 'it was bought' } };
	}
	if (expiresAt !== null && expiresAt > addDays(now, LONGEST_KEPT_DAYS)) {
		return { code: 'in-the-future', field: 'expiresAt' };
	}
	return firstImpossible([
		[POSSIBLE.price, price, 'price'],
		[POSSIBLE.bottleTests, details.tests, 'details.tests'],
		...details.bottles.map(({ full, reagent }) => [POSSIBLE.bottle, full, `full.${reagent}`] as const),
		...details.contents.flatMap(({ parameter, value, u }) => [
			[POSSIBLE_IN_BOTTLE[parameter], value, `content.${parameter}`] as const,
			[{ ...POSSIBLE_IN_BOTTLE[parameter], least: 0 }, u, `u.${parameter}`] as const
		]),
		...(recipe ? [[POSSIBLE.stockMl, recipe.volumeMl.value, 'volumeMl'] as const] : []),
		...(recipe?.by === 'weighed' ? [[POSSIBLE.weighedG, recipe.massG.value, 'massG'] as const] : []),
		...(recipe?.by === 'diluted' ? [[POSSIBLE.stockMl, recipe.takenMl.value, 'takenMl'] as const] : [])
	]);
}

/** A thing comes on the shelf. */
export async function addToShelf(
	deps: PooledDeps,
	scope: ScopeFor<'equip'>,
	command: AddItem
): Promise<Result<{ readonly itemId: string }>> {
	return once(deps, scope, 'add-to-shelf', command, async (tx, within) => {
		const { methodCode, methodVersion } = command;
		const adopted =
			methodCode === null || methodVersion === null
				? null
				: await adoptedMethod(tx, scope, methodCode, methodVersion);
		if (methodCode !== null && !adopted) return fail('unknown-item', 'methodCode');
		if (command.kind === 'kit' && !adopted) return fail('invalid-field', 'methodCode', { rule: 'missing' });
		if (command.kind === 'standard' && command.details.contents.length === 0) {
			return fail('invalid-field', 'contents', { rule: 'missing' });
		}
		const fault = impossibleItem(command, within.clock.now());
		if (fault) return { ok: false, fault };
		const at = (ms: number | null) => (ms === null ? null : instant(ms));
		await addShelfItem(tx, scope, {
			id: command.id,
			kind: command.kind,
			name: command.name,
			lotCode: command.lotCode,
			siteMethodId: adopted?.siteMethodId ?? null,
			price: command.price,
			boughtAt: at(command.boughtAt),
			expiresAt: at(command.expiresAt),
			details: command.details,
			receivedAt: within.clock.now()
		});
		return ok({ itemId: command.id });
	});
}
