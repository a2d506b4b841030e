import type { ChooseKits } from '$lib/contract/water';
import { methodByCode, SHIPPED_METHODS, type Method } from '$lib/core/method';
import { fail, ok, type Result } from '$lib/core/result';
import { leaveMethod, offeredCodes, takesShipped } from '../../repository/method.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { adoptShippedAt } from '../method/adopt-shipped.ts';
import { once } from '../once.ts';

const isKit = (method: Method) => method.kind !== 'stated';

/** The shipped kits that can be chosen, and which of them a site has; null where it has all of them anyway. */
export async function readKits(
	deps: Deps,
	scope: SiteScope
): Promise<{ readonly offered: readonly Method[]; readonly chosen: readonly string[] } | null> {
	if ((await takesShipped(deps.db, scope)) === 'all') return null;
	const codes = await offeredCodes(deps.db, scope.siteId);
	const offered = SHIPPED_METHODS.filter(isKit);
	return { offered, chosen: offered.map((m) => m.code).filter((code) => codes.has(code)) };
}

/** What a site tests with, "like this one". What it leaves is not offered any more, and what was read by it stays. */
export async function chooseKits(
	deps: PooledDeps,
	scope: ScopeFor<'equip'>,
	command: ChooseKits
): Promise<Result<{ readonly kits: number }>> {
	return once(deps, scope, 'choose-kits', command, async (tx, within) => {
		within.touch('site');
		if ((await takesShipped(tx, scope)) === 'all') return fail('method-shipped', 'codes');
		const methods = command.codes.map(methodByCode);
		if (methods.some((m) => m === null || !isKit(m))) return fail('unknown-item', 'codes');
		const now = within.clock.now();
		const before = await offeredCodes(tx, scope.siteId);
		for (const { code } of SHIPPED_METHODS.filter(isKit)) {
			if (before.has(code) && !command.codes.includes(code)) await leaveMethod(tx, scope, code, now);
		}
		await adoptShippedAt(within, scope.siteId, methods as Method[]);
		return ok({ kits: methods.length });
	});
}
