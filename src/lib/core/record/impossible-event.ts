import { firstImpossible, POSSIBLE, POSSIBLE_IN_WATER, possibleU } from '../quantity/index.ts';
import type { Fault } from '../result/index.ts';
import type { EventContent } from './event.ts';

/** What of an event cannot be, by the table of what can; null where all can. */
export function impossibleEvent(event: EventContent, netVolumeL: number | null): Fault | null {
	switch (event.kind) {
		case 'dose':
		case 'recurring-dose': {
			const { details } = event;
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
			return firstImpossible([[POSSIBLE.days, event.details.days, 'details.days']]);
		case 'water-change':
			return firstImpossible([
				[POSSIBLE.changedL, event.details.volumeL, 'details.volumeL'],
				...event.details.newWater.flatMap(({ parameter, value, u }) => [
					[POSSIBLE_IN_WATER[parameter], value, `details.newWater.${parameter}`] as const,
					[possibleU(parameter), u, `details.newWater.${parameter}`] as const
				])
			]);
		case 'new-mix':
			return firstImpossible([[POSSIBLE.changedL, event.details.volumeL, 'details.volumeL']]);
		default:
			return null;
	}
}
