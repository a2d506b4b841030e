import { describe, expect, it } from 'vitest';
import {
	ALK_SYRINGE,
	CA_SYRINGE,
	HARDNESS_DROPS,
	NO2_CARD,
	NO3_CARD,
	SALINITY_GLASS,
	SHIPPED_METHODS
} from '../method/index.ts';
import { seededRandom } from '../numeric/index.ts';
import { derive, pointOf } from '../reading/index.ts';
import { addDays, instant } from '../time/index.ts';
import { CALM_READER, readBy, simulateWater, type WaterScript } from './index.ts';

const start = instant(1_700_000_000_000);
const strength = [{ parameter: 'alkalinity' as const, risePerMlIn100L: 0.1 }];
const script: WaterScript = {
	seed: 5,
	start: { at: start, levels: { alkalinity: 8, calcium: 430 } },
	until: addDays(start, 30),
	volumeL: 100,
	events: [
		{ kind: 'recurring-dose', at: start, supplement: 'A', amountMlPerDay: 6, strength },
		{ kind: 'dose', at: addDays(start, 10.2), amountMl: 5, strength },
		{
			kind: 'water-change',
			at: addDays(start, 20.3),
			fraction: 0.2,
			newWater: { alkalinity: { value: 6, u: 0.2 } }
		}
	],
	living: ({ light, wobble }) => ({
		alkalinity: -0.6 * light * wobble,
		calcium: -0.6 * 7.147 * light * wobble
	}),
	moods: ({ light }) => ({ temperature: 24.5 + 0.5 * light }),
	tests: [3, 12, 25].map((n) => ({ at: addDays(start, n), method: ALK_SYRINGE })),
	reader: CALM_READER
};

describe('the simulated water', () => {
	it('tells the same story for the same seed, and another for another', () => {
		expect(simulateWater(script)).toEqual(simulateWater(script));
		expect(simulateWater({ ...script, seed: 6 }).states).not.toEqual(simulateWater(script).states);
	});
	it('keeps the balance: doses and uptake cancel, calcium falls with the stoichiometry', () => {
		const { states } = simulateWater({ ...script, events: script.events.slice(0, 1) });
		const last = states.at(-1)!.levels;
		expect(last.alkalinity).toBeCloseTo(8, 0);
		// 30 days × 0.6 dKH × 7.147 mg/L of calcium per dKH, give or take the daily wobble.
		expect(430 - last.calcium!).toBeGreaterThan(0.93 * 128.6);
		expect(430 - last.calcium!).toBeLessThan(1.07 * 128.6);
		expect(last.temperature).toBeGreaterThan(24);
	});
	it('feels a dose and a water change at their hour', () => {
		const { states } = simulateWater(script);
		const jump = (n: number) => {
			const i = states.findIndex((s) => s.at > addDays(start, n));
			return states[i]!.levels.alkalinity! - states[i - 1]!.levels.alkalinity!;
		};
		expect(jump(10.2)).toBeCloseTo(0.5, 1);
		expect(jump(20.3)).toBeLessThan(-0.3);
	});
	it('never holds less than nothing', () => {
		const { states } = simulateWater({ ...script, living: () => ({ alkalinity: -5 }) });
		expect(states.at(-1)!.levels.alkalinity).toBeGreaterThanOrEqual(0);
	});
	it('is read at the asked times, near its truth; a difference takes the last calcium', () => {
		const tests = [
			...script.tests,
			{ at: addDays(start, 26), method: CA_SYRINGE },
			{ at: addDays(start, 26.1), method: HARDNESS_DROPS }
		];
		const levels = { alkalinity: 8, calcium: 430, magnesium: 1300 };
		const { readings } = simulateWater({ ...script, start: { at: start, levels }, tests });
		expect(readings.map((r) => r.at)).toEqual(tests.map((t) => t.at));
		const points = readings.map(({ method, reading, truth }) => {
			const derived = derive(method, reading);
			const point = derived.ok ? pointOf(derived.value.outcomes[0].result) : null;
			return { off: Math.abs(point!.value - truth) / Math.hypot(point!.uRandom, point!.uCommon), point };
		});
		for (const { off } of points) expect(off).toBeLessThan(4);
		expect(readings.at(-1)!.reading).toMatchObject({ subtract: { value: points[3]!.point!.value } });
	});
});

describe('the simulated reader', () => {
	const random = seededRandom(3);
	it('makes readings that the instrument allows, whatever the water holds', () => {
		for (const method of SHIPPED_METHODS) {
			if (method.kind === 'stated') {
				expect(() => readBy(random, method, {}, CALM_READER)).toThrow(TypeError);
				continue;
			}
			for (const share of [0.3, 0.7, 1, 1.3]) {
				const levels = {
					alkalinity: 9 * share,
					calcium: 430 * share,
					magnesium: 1300 * share,
					potassium: 400 * share,
					nitrate: 20 * share,
					phosphate: 0.2 * share,
					ammonia: share,
					nitrite: share,
					ph: 7 * share,
					salinity: 30 * share,
					temperature: 24 * share,
					hardness: 8 * share
				};
				const derived = derive(method, readBy(random, method, levels, CALM_READER));
				expect(derived.ok, `${method.code} ${JSON.stringify(derived)}`).toBe(true);
			}
		}
	});
	it('fills an empty syringe again, and thins what is above the highest step', () => {
		const high = readBy(random, ALK_SYRINGE, { alkalinity: 21 }, CALM_READER);
		expect(high).toMatchObject({ form: 'syringe', fills: { length: 2 } });
		expect(readBy(random, NO2_CARD, { nitrite: 9 }, CALM_READER)).toMatchObject({
			dilution: { diluentMl: 4 }
		});
		expect(readBy(random, NO3_CARD, { nitrate: 200 }, CALM_READER)).toMatchObject({ at: { kind: 'above' } });
		expect(readBy(random, SALINITY_GLASS, { salinity: 35 }, CALM_READER)).toMatchObject({ form: 'line' });
	});
});
