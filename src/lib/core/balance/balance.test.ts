import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, instant } from '../time/index.ts';
import { afterWaterChange, inputsOf, steadyInputAt, type WaterEvent } from './index.ts';

const start = instant(1_700_000_000_000);
const day = (n: number) => addDays(start, n);
const strength = [{ parameter: 'alkalinity' as const, risePerMlIn100L: 0.14 }];

describe('a water change', () => {
	it('moves towards the new water and never past it', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0, max: 20, noNaN: true }),
				fc.double({ min: 0, max: 20, noNaN: true }),
				fc.double({ min: 0, max: 1, noNaN: true }),
				(before, fresh, fraction) => {
					const after = afterWaterChange(before, fresh, fraction);
					expect(after).toBeGreaterThanOrEqual(Math.min(before, fresh) - 1e-9);
					expect(after).toBeLessThanOrEqual(Math.max(before, fresh) + 1e-9);
				}
			)
		);
		expect(() => afterWaterChange(8, 7, 1.2)).toThrow(RangeError);
	});
});

describe('what enters a water', () => {
	it('scales a dose by the net volume and carries its uncertainty', () => {
		const [input] = inputsOf(
			[{ kind: 'dose', at: day(1), amountMl: 27, strength }],
			'alkalinity',
			540,
			day(9)
		);
		expect(input).toMatchObject({
			kind: 'step',
			amount: expect.closeTo(0.7, 10),
			u: expect.closeTo(0.07, 10)
		});
	});
	it('knows that a dose of unknown strength did something unknown', () => {
		const [input] = inputsOf(
			[{ kind: 'dose', at: day(1), amountMl: 27, strength: [] }],
			'alkalinity',
			540,
			day(9)
		);
		expect(input).toMatchObject({ kind: 'step', amount: 0 });
		expect(input?.kind === 'step' && input.u).toBeGreaterThan(0);
	});
	it('leaves out what a supplement does not raise', () => {
		expect(inputsOf([{ kind: 'dose', at: day(1), amountMl: 27, strength }], 'calcium', 540, day(9))).toEqual(
			[]
		);
	});
	it('runs a daily dose until it is changed, without the days it was missed', () => {
		const events: WaterEvent[] = [
			{ kind: 'recurring-dose', at: day(0), supplement: 'A', amountMlPerDay: 20, strength },
			{ kind: 'recurring-dose-missed', at: day(2), supplement: 'A', days: 3 },
			{ kind: 'recurring-dose', at: day(10), supplement: 'A', amountMlPerDay: 0, strength },
			{ kind: 'recurring-dose-missed', at: day(1), supplement: 'B', days: 5 }
		];
		const flows = inputsOf(events, 'alkalinity', 100, day(20));
		expect(flows).toEqual([
			{ kind: 'flow', from: day(0), to: day(2), perDay: expect.closeTo(2.8, 10), relativeU: 0.1 },
			{ kind: 'flow', from: day(5), to: day(10), perDay: expect.closeTo(2.8, 10), relativeU: 0.1 }
		]);
		expect(steadyInputAt(flows, day(1))).toBeCloseTo(2.8, 10);
		expect(steadyInputAt(flows, day(3))).toBe(0);
		expect(steadyInputAt(flows, day(12))).toBe(0);
	});
	it('keeps two supplements apart and does not care for the order of entry', () => {
		const events: WaterEvent[] = [
			{ kind: 'recurring-dose', at: day(4), supplement: 'B', amountMlPerDay: 10, strength },
			{ kind: 'recurring-dose', at: day(0), supplement: 'A', amountMlPerDay: 20, strength }
		];
		const flows = inputsOf(events, 'alkalinity', 100, day(20));
		expect(flows).toEqual(inputsOf([...events].reverse(), 'alkalinity', 100, day(20)));
		expect(steadyInputAt(flows, day(6))).toBeCloseTo(4.2, 10);
	});
	it('cannot be reckoned without a volume', () => {
		expect(() => inputsOf([], 'alkalinity', 0, day(1))).toThrow(RangeError);
	});
});
