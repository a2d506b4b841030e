import { describe, expect, it } from 'vitest';
import { addDays, instant } from '../time/index.ts';
import {
	balanceEvents,
	bandAt,
	plainBand,
	type DatedBand,
	type EventDetailsOf,
	type EventKind,
	type StoredEvent
} from './index.ts';

const start = instant(1_700_000_000_000);
const event = <K extends EventKind>(kind: K, details: EventDetailsOf[K], day = 0) =>
	({
		id: '1',
		waterId: 'w',
		kind,
		details,
		note: '',
		happenedAt: addDays(start, day),
		offsetMinutes: 0
	}) as StoredEvent;

describe('events in the balance', () => {
	it('are those that move a concentration, the others stay in the log', () => {
		const strength = [{ parameter: 'alkalinity', risePerMlIn100L: 0.14 } as const];
		const events = balanceEvents(
			[
				event('dose', { supplement: 'A', amountMl: 5, strength }),
				event('feeding', {}),
				event('death', {}),
				event('recurring-dose', { supplement: 'A', amountMlPerDay: 5, strength }),
				event('recurring-dose-missed', { supplement: 'A', days: 2 }),
				event('water-change', {
					volumeL: 54,
					batch: '',
					newWater: [{ parameter: 'calcium', value: 415, u: 9 }]
				})
			],
			540
		);
		expect(events.map((e) => e.kind)).toEqual([
			'dose',
			'recurring-dose',
			'recurring-dose-missed',
			'water-change'
		]);
		expect(events.at(-1)).toMatchObject({ fraction: 0.1, newWater: { calcium: { value: 415, u: 9 } } });
	});
	it('cannot change more than all of the water', () => {
		expect(
			balanceEvents([event('water-change', { volumeL: 700, batch: '', newWater: [] })], 540)[0]
		).toMatchObject({ fraction: 1 });
	});
});

describe('a band', () => {
	it('is that of its time', () => {
		const band = (low: number | null, high: number | null, day: number): DatedBand => ({
			parameter: 'alkalinity',
			low,
			high,
			aim: null,
			source: 'x',
			fromAt: addDays(start, day)
		});
		const targets = [band(null, null, 20), band(8, 9, 10), band(7, 8, 0)];
		expect(bandAt(targets, 'alkalinity', addDays(start, 5))).toMatchObject({ low: 7 });
		expect(bandAt(targets, 'alkalinity', addDays(start, 15))).toMatchObject({ low: 8 });
		expect(bandAt(targets, 'alkalinity', addDays(start, 25))).toBeNull();
		expect(bandAt(targets, 'calcium', addDays(start, 15))).toBeNull();
		expect(bandAt(targets, 'alkalinity', addDays(start, -1))).toBeNull();
		expect(plainBand(null)).toBeNull();
		expect(plainBand(targets[1]!)).toEqual({ low: 8, high: 9, aim: null });
	});
});
