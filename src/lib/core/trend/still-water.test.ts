import { describe, expect, it } from 'vitest';
import type { TestResult } from '../reading/index.ts';
import { addDays, instant } from '../time/index.ts';
import { estimateStill, type Observation } from './index.ts';

const at = instant(1_780_000_000_000);
const read = (days: number, value: number, kit = 'kit', uRandom = 0.1, uCommon = 0.2): Observation => ({
	id: `${days}`,
	at: addDays(at, days),
	kit,
	result: {
		kind: 'value',
		parameter: 'nitrate',
		unit: 'mg-per-l-no3',
		value,
		uRandom,
		uCommon
	} satisfies TestResult
});
const of = (observations: readonly Observation[], keeping: 'stored' | 'flowing' = 'stored') =>
	estimateStill([{ parameter: 'nitrate', observations }], keeping).of('nitrate')!;

describe('a water that nothing lives in', () => {
	it('is what was read, and goes nowhere', () => {
		const estimate = of([read(0, 5), read(0.1, 5.2)]);
		expect(estimate.at(addDays(at, 30)).value).toBeCloseTo(5.1, 10);
		expect(estimate.netChangePerDay).toEqual({ value: 0, u: 0 });
		expect(estimate.rateAt(at)).toEqual({ value: 0, u: 0 });
		expect(estimate.isStill).toBe(true);
	});
	it('is no better known of repeats than its kit allows', () => {
		const { uRandom, uCommon } = of([read(0, 5), read(0.1, 5.2), read(0.2, 5.1), read(0.3, 5)]).at(
			addDays(at, 0.3)
		);
		expect([uRandom, uCommon]).toEqual([expect.closeTo(0.05, 10), 0.2]);
	});
	it('weighs kits that differ by all that each admits', () => {
		const { value, uCommon } = of([read(0, 5, 'a', 0.1, 0.1), read(0, 8, 'b', 1, 2)]).at(at);
		expect(value).toBeLessThan(5.1);
		expect(uCommon).toBe(0);
	});
	it('ages in a bottle and not at the tap', () => {
		const bottle = of([read(0, 5)]);
		const tap = of([read(0, 5)], 'flowing');
		expect(bottle.at(addDays(at, 20)).uRandom).toBeCloseTo(Math.hypot(0.1, 5 * 0.3), 10);
		expect(tap.at(addDays(at, 20)).uRandom).toBeCloseTo(0.1, 10);
		// However long it stood: half of it at the most.
		expect(bottle.at(addDays(at, 2000)).uRandom).toBeCloseTo(Math.hypot(0.1, 2.5), 10);
	});
	it('takes no reading that no water can hold', () => {
		expect(
			estimateStill([{ parameter: 'nitrate', observations: [read(0, Number.NaN)] }], 'stored').of('nitrate')
		).toBeNull();
	});
});
