import type { RecordEvent } from '$lib/contract/event';
import { impossibleEvent } from '$lib/core/record';
import { fail, ok, type Result } from '$lib/core/result';
import { instant, isFuture } from '$lib/core/time';
import { addEvent } from '../../repository/event.ts';
import type { ScopeFor } from '../../repository/scope.ts';
import { waterAt } from '../../repository/water.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Keeps something that happened to a water. */
export async function recordEvent(
	deps: PooledDeps,
	scope: ScopeFor<'record'>,
	command: RecordEvent
): Promise<Result<{ readonly eventId: string }>> {
	return once(deps, scope, 'record-event', command, async (tx, within) => {
		within.touch({ waterId: command.waterId });
		const now = within.clock.now();
		if (isFuture(command.happenedAt, now)) return fail('in-the-future', 'happenedAt');
		const water = await waterAt(tx, scope, command.waterId, now);
		if (!water) return fail('unknown-item', 'waterId');
		const fault = impossibleEvent(command, water.netVolumeL);
		if (fault) return { ok: false, fault };
		if (command.kind === 'water-change' && water.netVolumeL !== null) {
			if (command.details.volumeL > water.netVolumeL) {
				return fail('too-large', 'volumeL', { most: water.netVolumeL, unit: 'L' });
			}
		}
		await addEvent(tx, scope, {
			...command,
			happenedAt: instant(command.happenedAt),
			precision: 'instant',
			receivedAt: now
		});
		return ok({ eventId: command.id });
	});
}
