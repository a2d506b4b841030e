import type {
	DoseDetails,
	MissedDoseDetails,
	RecurringDoseDetails,
	WaterChangeDetails
} from '$lib/contract/event';
import { volumeAt, type DatedVolume, type WaterEvent } from '$lib/core/balance';
import type { Static } from '@sinclair/typebox';
import type { StoredEvent } from '../repository/event.ts';

/** The events that move concentrations, as the mass balance takes them. All others only stand in the log. */
export function balanceEvents(
	events: readonly StoredEvent[],
	volumes: number | readonly DatedVolume[]
): WaterEvent[] {
	return events.flatMap((event): WaterEvent[] => {
		const at = event.happenedAt;
		switch (event.kind) {
			case 'dose':
				return [{ kind: 'dose', at, ...(event.details as Static<typeof DoseDetails>) }];
			case 'recurring-dose':
				return [{ kind: 'recurring-dose', at, ...(event.details as Static<typeof RecurringDoseDetails>) }];
			case 'recurring-dose-missed':
				return [
					{ kind: 'recurring-dose-missed', at, ...(event.details as Static<typeof MissedDoseDetails>) }
				];
			case 'water-change': {
				const details = event.details as Static<typeof WaterChangeDetails>;
				const newWater = Object.fromEntries(
					details.newWater.map(({ parameter, value, u }) => [parameter, { value, u }])
				);
				const fraction = Math.min(1, details.volumeL / volumeAt(volumes, at));
				return [{ kind: 'water-change', at, fraction, newWater }];
			}
			default:
				return [];
		}
	});
}
