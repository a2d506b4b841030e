import { volumeAt, type DatedVolume, type WaterEvent } from '../balance/index.ts';
import type { StoredEvent } from './event.ts';

/** The events that move concentrations, as the mass balance takes them. All others only stand in the log. */
export function balanceEvents(
	events: readonly StoredEvent[],
	volumes: number | readonly DatedVolume[]
): WaterEvent[] {
	return events.flatMap((event): WaterEvent[] => {
		const at = event.happenedAt;
		switch (event.kind) {
			case 'dose':
				return [{ kind: 'dose', at, ...event.details }];
			case 'recurring-dose':
				return [{ kind: 'recurring-dose', at, ...event.details }];
			case 'recurring-dose-missed':
				return [{ kind: 'recurring-dose-missed', at, ...event.details }];
			case 'water-change': {
				const { details } = event;
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
