import type { SetLimit } from '$lib/contract/adjust';
import { DAILY_LIMITS, LIMITED, type Limited } from '$lib/core/caution';
import { limitFault, limitFor } from '$lib/core/correction';
import { fail, ok, type Result } from '$lib/core/result';
import { addLimit, ownLimits } from '../../repository/correction.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { waterAt, type Water } from '../../repository/water.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

export interface LimitSeen {
	readonly parameter: Limited;
	readonly direction: 'up' | 'down';
	/** Null without animals. */
	readonly perDay: number | null;
	readonly cautious: number;
	readonly most: number;
	/** Why it was raised, as the keeper said. */
	readonly reason: string;
}

/** What a day may change a water, each limit with the most that can be set. */
export async function readLimits(deps: Deps, scope: SiteScope, water: Water): Promise<readonly LimitSeen[]> {
	const own = await ownLimits(deps.db, scope, water.id);
	return LIMITED.flatMap((parameter) =>
		(['up', 'down'] as const).map((direction) => ({
			parameter,
			direction,
			perDay: limitFor(parameter, direction, own, water.hasAnimals),
			...DAILY_LIMITS[parameter][direction],
			reason: own.findLast((o) => o.parameter === parameter && o.direction === direction)?.reason ?? ''
		}))
	);
}

/** Sets what a day may change: downwards at once, upwards only with a reason. */
export async function setLimit(
	deps: PooledDeps,
	scope: ScopeFor<'decide'>,
	command: SetLimit
): Promise<Result<{ readonly limitId: string }>> {
	return once(deps, scope, 'set-limit', command, async (tx, within) => {
		within.touch({ waterId: command.waterId });
		const now = within.clock.now();
		const water = await waterAt(tx, scope, command.waterId, now);
		if (!water) return fail('unknown-item', 'waterId');
		const { parameter, direction, perDay, reason } = command;
		const own = await ownLimits(tx, scope, command.waterId);
		const inForce = limitFor(parameter, direction, own, true)!;
		const fault = limitFault({ parameter, direction, perDay }, inForce, reason);
		if (fault === 'above-most') {
			return fail('limit-above-most', 'perDay', { most: DAILY_LIMITS[parameter][direction].most });
		}
		if (fault === 'needs-reason') return fail('limit-needs-reason', 'reason');
		if (fault === 'not-positive') return fail('invalid-field', 'perDay', { rule: 'above', limit: 0 });
		await addLimit(tx, scope, {
			id: command.id,
			waterId: water.id,
			parameter,
			direction,
			perDay,
			reason: reason.trim(),
			receivedAt: now
		});
		return ok({ limitId: command.id });
	});
}
