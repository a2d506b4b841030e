import type { SetTarget } from '$lib/contract/target';
import { PARAMETERS } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { instant } from '$lib/core/time';
import type { SiteScope } from '../repository/scope.ts';
import { addTarget, waterAt } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { once } from './once.ts';

/** Sets a band from a time on. Bands before it stay, and so do the verdicts that were given against them. */
export async function setTarget(
	deps: Deps,
	scope: SiteScope,
	command: SetTarget
): Promise<Result<{ readonly targetId: string }>> {
	return once(deps, scope, 'set-target', command, async (tx) => {
		const now = deps.clock.now();
		const { low, high, aim } = command;
		const [least, most] = PARAMETERS[command.parameter].conceivable;
		for (const [field, value] of Object.entries({ low, high, aim })) {
			if (value !== null && (value < least || value > most)) return fail('too-large', field, { most });
		}
		if (low !== null && high !== null && low >= high) return fail('target-reversed', 'high', { low, high });
		if (aim !== null && ((low !== null && aim < low) || (high !== null && aim > high))) {
			return fail('target-reversed', 'aim', { low: low ?? least, high: high ?? most });
		}
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
