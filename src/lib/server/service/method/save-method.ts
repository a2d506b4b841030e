import type { SaveMethod } from '$lib/contract/method';
import { SHIPPED_METHODS, type Method } from '$lib/core/method';
import { fail, ok, type Result } from '$lib/core/result';
import {
	adoptMethod,
	ensureMethodVersion,
	leaveMethod,
	takesShipped,
	versionsOf
} from '../../repository/method.ts';
import type { ScopeFor } from '../../repository/scope.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

export interface SavedMethod {
	readonly code: string;
	readonly version: number;
}

/** "Ca, my kit" becomes "ca-my-kit"; the tail of the command's id keeps sites apart. */
function codeFor(name: string, id: string): string {
	const slug = name
		.normalize('NFKD')
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^-|-$/g, '')
		.slice(0, 36);
	return `${slug || 'method'}-${id.slice(-8)}`;
}

/** Keeps a site's own method. Versions never change: revising one makes the next, and results keep theirs. */
export async function saveMethod(
	deps: PooledDeps,
	scope: ScopeFor<'equip'>,
	command: SaveMethod
): Promise<Result<SavedMethod>> {
	return once(deps, scope, 'save-method', command, async (tx, within) => {
		const now = within.clock.now();
		let code = codeFor(command.method.name, command.id);
		let version = 1;
		if (command.revises !== null) {
			const [newest] = await versionsOf(tx, scope, command.revises);
			if (!newest) return fail('unknown-item', 'revises');
			if (!newest.own) return fail('method-shipped', 'revises');
			code = newest.method.code;
			version = newest.method.version + 1;
		}
		const method: Method = { ...command.method, code, version };
		const row = { newId: within.newId(), now, ownerSiteId: scope.siteId };
		const methodVersionId = await ensureMethodVersion(tx, method, row);
		await adoptMethod(tx, { siteId: scope.siteId, id: within.newId(), methodVersionId, adoptedAt: now });
		// The kit in the box takes the place of the one that it was said to be like.
		const { parameter, kind } = method;
		if ((await takesShipped(tx, scope)) === 'chosen') {
			for (const like of SHIPPED_METHODS.filter((m) => m.parameter === parameter && m.kind === kind)) {
				if (kind !== 'stated') await leaveMethod(tx, scope, like.code, now);
			}
		}
		return ok({ code, version });
	});
}
