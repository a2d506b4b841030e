import { describe, expect, it } from 'vitest';
import type { ParameterId } from '../quantity/index.ts';
import { addSeconds, instant } from '../time/index.ts';
import { aroundEvent, type DatedResult, type StoredEvent } from './index.ts';

const at = instant(1_780_000_000_000);
const read = (
	hours: number,
	parameter: ParameterId,
	value: number,
	uRandom = 0.05,
	methodCode = 'kit'
): DatedResult => ({
	runId: `${hours}`,
	readingId: `${hours}`,
	at: addSeconds(at, 3600 * hours),
	methodCode,
	result: { kind: 'value', parameter, unit: 'dkh', value, uRandom, uCommon: 0.2 }
});
const change = (newWater: readonly { parameter: ParameterId; value: number; u: number }[]): StoredEvent => ({
	id: 'e',
	waterId: 'w',
	kind: 'water-change',
	details: { volumeL: 100, batch: 'B', newWater },
	note: '',
	happenedAt: at,
	offsetMinutes: 0
});
const water = { volumeL: 400, perDay: () => 0 };
const rowOf = (event: StoredEvent, results: readonly DatedResult[], about = water) =>
	aroundEvent(event, results, about)[0]!;

describe('before and after a water change', () => {
	const event = change([{ parameter: 'alkalinity', value: 11, u: 0.1 }]);
	it('moves a quarter of the way to the new water, and says that it came', () => {
		// 7 + 100/400 · (11 − 7) = 8.
		const row = rowOf(event, [read(-5, 'alkalinity', 7), read(3, 'alkalinity', 8.05)]);
		expect(row.expected!.value).toBeCloseTo(1, 10);
		expect(row.moved!.value).toBeCloseTo(1.05, 10);
		// One kit on both sides: what it is off by falls out.
		expect(row.moved!.u).toBeCloseTo(Math.hypot(0.05, 0.05), 10);
		expect(row.came).toBe('came');
	});
	it('says what came less or more than it should, and what is too small to be told', () => {
		expect(rowOf(event, [read(-5, 'alkalinity', 7), read(3, 'alkalinity', 7.1)]).came).toBe('less');
		expect(rowOf(event, [read(-5, 'alkalinity', 7), read(3, 'alkalinity', 9.4)]).came).toBe('more');
		const rough = [read(-5, 'alkalinity', 7, 0.6), read(3, 'alkalinity', 7.6, 0.6)];
		expect(rowOf(event, rough).came).toBe('too-small');
	});
	it('reckons with what the water uses meanwhile, and with two kits that differ', () => {
		const busy = { volumeL: 400, perDay: () => -1.2 };
		const row = rowOf(event, [read(-6, 'alkalinity', 7), read(6, 'alkalinity', 7.4, 0.05, 'other')], busy);
		expect(row.expected!.value).toBeCloseTo(1 - 0.6, 10);
		expect(row.moved!.u).toBeCloseTo(Math.hypot(0.05, 0.05, 0.2, 0.2), 10);
	});
	it('takes no reading of the week before, and none from before the water was mixed', () => {
		const results = [read(-80, 'alkalinity', 7), read(0.1, 'alkalinity', 9), read(90, 'alkalinity', 8)];
		expect(aroundEvent(event, results, water)).toEqual([]);
	});
	it('knows nothing to expect of what the new water was not tested for, or of an unknown volume', () => {
		const both = [read(-5, 'calcium', 400, 5), read(3, 'calcium', 410, 5)];
		expect(rowOf(event, both)).toMatchObject({ expected: null, came: null });
		const alk = [read(-5, 'alkalinity', 7), read(3, 'alkalinity', 8)];
		expect(rowOf(event, alk, { ...water, volumeL: null as unknown as number })).toMatchObject({
			expected: null
		});
	});
});

describe('other events', () => {
	it('are a dose by its strength', () => {
		const dose: StoredEvent = {
			...change([]),
			kind: 'dose',
			details: {
				supplement: 'Lime',
				amountMl: 40,
				strength: [{ parameter: 'alkalinity', risePerMlIn100L: 0.1 }]
			}
		};
		// 40 mL · 0.1 dKH · 100 L / 400 L.
		expect(rowOf(dose, [read(-1, 'alkalinity', 7), read(3, 'alkalinity', 8)])).toMatchObject({
			expected: { value: 1 },
			came: 'came'
		});
	});
	it('are a death, whose panel stands beside that of the next day', () => {
		const death: StoredEvent = { ...change([]), kind: 'death', details: {} };
		const row = rowOf(death, [read(-5, 'ammonia', 0), read(2, 'ammonia', 0.4), read(26, 'ammonia', 0.1)]);
		expect([row.before?.value, row.after?.value, row.expected]).toEqual([0.4, 0.1, null]);
	});
});
