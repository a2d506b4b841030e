import type { AddItem } from '$lib/contract/shelf';
import { fail, ok, type Result } from '$lib/core/result';
import { instant } from '$lib/core/time';
import { adoptedMethod } from '../repository/method.ts';
import type { SiteScope } from '../repository/scope.ts';
import { addShelfItem } from '../repository/shelf.ts';
import type { PooledDeps } from './deps.ts';
import { once } from './once.ts';

/** A thing comes on the shelf. */
export async function addToShelf(
	deps: PooledDeps,
	scope: SiteScope,
	command: AddItem
): Promise<Result<{ readonly itemId: string }>> {
	return once(deps, scope, 'add-to-shelf', command, async (tx, within) => {
		const { methodCode, methodVersion } = command;
		const adopted =
			methodCode === null || methodVersion === null
				? null
				: await adoptedMethod(tx, scope, methodCode, methodVersion);
		if (methodCode !== null && !adopted) return fail('unknown-item', 'methodCode');
		if (command.kind === 'kit' && !adopted)
			return fail('invalid-field', 'methodCode', { rule: 'missing' });
		if (command.kind === 'standard' && command.details.contents.length === 0) {
			return fail('invalid-field', 'contents', { rule: 'missing' });
		}
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
