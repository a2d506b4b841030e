import type { SetTarget } from '$lib/contract/target';
import type { Band } from '$lib/core/judgement';
import { POSSIBLE_IN_WATER, type ParameterId } from '$lib/core/quantity';
import { fail, ok, type Fault, type Result } from '$lib/core/result';
import { instant } from '$lib/core/time';
import type { ScopeFor } from '../../repository/scope.ts';
import { addTarget, waterAt } from '../../repository/water.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** What is wrong with a band: beyond what a parameter can be, reversed, or an aim outside of it; null where nothing is. */
export function bandFault(parameter: ParameterId, { low, high, aim }: Band): Fault | null {
	const { least, most } = POSSIBLE_IN_WATER[parameter];
	for (const [field, value] of Object.entries({ low, high, aim })) {
		if (value !== null && (value < least || value > most)) {
			return { code: 'too-large', field, details: { most } };
		}
	}
	if (low !== null && high !== null && low >= high) {
		return { code: 'target-reversed', field: 'high', details: { low, high } };
	}
	if (aim !== null && ((low !== null && aim < low) || (high !== null && aim > high))) {
		return { code: 'target-reversed', field: 'aim', details: { low: low ?? least, high: high ?? most } };
	}
	return null;
}

/** Sets a band from a time on. Bands before it stay, and so do the verdicts that were given against them. */
export async function setTarget(
	deps: PooledDeps,
	scope: ScopeFor<'decide'>,
	command: SetTarget
): Promise<Result<{ readonly targetId: string }>> {
	return once(deps, scope, 'set-target', command, async (tx, within) => {
		within.touch({ waterId: command.waterId });
		const now = within.clock.now();
		const { low, high, aim } = command;
		const fault = bandFault(command.parameter, { low, high, aim });
		if (fault) return fail(fault.code, fault.field, fault.details);
		if (!(await waterAt(tx, scope, command.waterId, now))) return fail('unknown-item', 'waterId');
		const { id, waterId, parameter, source } = command;
		await addTarget(tx, scope, {
			id,
			waterId,
			parameter,
			low,
			high,
			aim,
			source,
			fromAt: instant(command.fromAt),
			receivedAt: now
		});
		return ok({ targetId: command.id });
	});
}
