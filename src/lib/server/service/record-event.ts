import type { RecordEvent } from '$lib/contract/event';
import { firstImpossible, POSSIBLE, POSSIBLE_IN_WATER, possibleU } from '$lib/core/quantity';
import { fail, ok, type Fault, type Result } from '$lib/core/result';
import { isFuture, instant } from '$lib/core/time';
import { addEvent } from '../repository/event.ts';
import type { SiteScope } from '../repository/scope.ts';
import { waterAt } from '../repository/water.ts';
import type { PooledDeps } from './deps.ts';
import { once } from './once.ts';

/** What of an event cannot be, by the table of what can; null where all can. */
function impossibleEvent(command: RecordEvent, netVolumeL: number | null): Fault | null {
	switch (command.kind) {
		case 'dose':
		case 'recurring-dose': {
			const { details } = command;
			const [amount, field] =
				'amountMl' in details
					? [details.amountMl, 'details.amountMl']
					: [details.amountMlPerDay, 'details.amountMlPerDay'];
			// What is poured in a day is a small part of the water; without its volume only the largest dose is known.
			const most = netVolumeL === null ? POSSIBLE.doseMl.most : POSSIBLE.doseShare.most * netVolumeL * 1000;
			const dose = { ...POSSIBLE.doseMl, most, unit: details.unit === 'g' ? 'g' : 'mL' };
			return firstImpossible([
				// Nothing at all stops a daily dose.
				[dose, amount === 0 ? null : amount, field],
				...details.strength.map(
					({ parameter, risePerMlIn100L }) =>
						[POSSIBLE.risePerMlIn100L, risePerMlIn100L, `details.strength.${parameter}`] as const
				)
			]);
		}
		case 'recurring-dose-missed':
			return firstImpossible([[POSSIBLE.days, command.details.days, 'details.days']]);
		case 'water-change':
			return firstImpossible([
				[POSSIBLE.changedL, command.details.volumeL, 'details.volumeL'],
				...command.details.newWater.flatMap(({ parameter, value, u }) => [
					[POSSIBLE_IN_WATER[parameter], value, `details.newWater.${parameter}`] as const,
					[possibleU(parameter), u, `details.newWater.${parameter}`] as const
				])
			]);
		case 'new-mix':
			return firstImpossible([[POSSIBLE.changedL, command.details.volumeL, 'details.volumeL']]);
		default:
			return null;
	}
}

/** Keeps something that happened to a water. */
export async function recordEvent(
	deps: PooledDeps,
	scope: SiteScope,
	command: RecordEvent
): Promise<Result<{ readonly eventId: string }>> {
	return once(deps, scope, 'record-event', command, async (tx, within) => {
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
			id: command.id,
			waterId: command.waterId,
			kind: command.kind,
			details: command.details,
			note: command.note,
			happenedAt: instant(command.happenedAt),
			offsetMinutes: command.offsetMinutes,
			precision: 'instant',
			receivedAt: now
		});
		return ok({ eventId: command.id });
	});
}
