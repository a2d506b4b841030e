import { describe, expect, it } from 'vitest';
import { ALK_SYRINGE } from '../method/index.ts';
import { seededRandom } from '../numeric/index.ts';
import { faultInSyringeReading, deriveSyringeResult } from '../reading/index.ts';
import { addDays, instant } from '../time/index.ts';
import { readBySyringe, simulateReef, type ReefScript } from './index.ts';

const start = instant(1_700_000_000_000);
const strength = [{ parameter: 'alkalinity' as const, risePerMlIn100L: 0.1 }];
const script: ReefScript = {
	seed: 5,
	start: { at: start, alkalinityDkh: 8, calciumMgPerL: 430 },
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
	demandDkhPerDay: () => 0.6,
	tests: [3, 12, 25].map((n) => ({ at: addDays(start, n), parameter: 'alkalinity' as const })),
	reader: { endPointSdMl: 0.015, kitBias: 0 }
};

describe('the simulated reef', () => {
	it('tells the same story for the same seed, and another for another', () => {
		expect(simulateReef(script)).toEqual(simulateReef(script));
		expect(simulateReef({ ...script, seed: 6 }).states).not.toEqual(simulateReef(script).states);
	});
	it('keeps the balance: doses and uptake cancel, calcium falls with the stoichiometry', () => {
		const { states } = simulateReef({ ...script, events: script.events.slice(0, 1) });
		const last = states.at(-1)!;
		expect(last.alkalinityDkh).toBeCloseTo(8, 0);
		// 30 days × 0.6 dKH × 7.147 mg/L of calcium per dKH, give or take the daily wobble.
		expect(430 - last.calciumMgPerL).toBeGreaterThan(0.93 * 128.6);
		expect(430 - last.calciumMgPerL).toBeLessThan(1.07 * 128.6);
	});
	it('feels a dose and a water change at their hour', () => {
		const { states } = simulateReef(script);
		const jump = (n: number) => {
			const i = states.findIndex((s) => s.at > addDays(start, n));
			return states[i]!.alkalinityDkh - states[i - 1]!.alkalinityDkh;
		};
		expect(jump(10.2)).toBeCloseTo(0.5, 1);
		expect(jump(20.3)).toBeLessThan(-0.3);
	});
	it('is read at the asked times, near its truth', () => {
		const { readings } = simulateReef(script);
		expect(readings.map((r) => r.at)).toEqual(script.tests.map((t) => t.at));
		for (const { reading, truth } of readings) {
			const derived = deriveSyringeResult(ALK_SYRINGE, reading);
			const value =
				derived.ok && derived.value.result.kind === 'value' ? derived.value.result.value : Number.NaN;
			expect(Math.abs(value - truth)).toBeLessThan(1);
		}
	});
});

describe('the simulated reader', () => {
	it('makes readings that the syringe allows, with refills where one is not enough', () => {
		const random = seededRandom(3);
		for (const truth of [0.5, 5, 13.9, 21]) {
			const reading = readBySyringe(random, ALK_SYRINGE, 'full', truth, {
				endPointSdMl: 0.02,
				kitBias: 0.01
			});
			expect(faultInSyringeReading(ALK_SYRINGE, reading)).toBeNull();
			if (truth > 15) expect(reading.fills.length).toBe(2);
		}
	});
});
