import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propagate, simulate, Simulation, sumOfTwoRectangulars, type MeasurementModel } from './index.ts';

const rectangle = (halfWidth: number, mean = 0) => ({
	source: 'graduation' as const,
	repeats: 'random' as const,
	shape: 'rectangular' as const,
	mean,
	u: halfWidth / Math.sqrt(3)
});
const sum = (...halfWidths: number[]): MeasurementModel => ({
	inputs: halfWidths.map((h) => rectangle(h)),
	evaluate: (x) => Array.from(x).reduce((a, b) => a + b, 0)
});

describe('the law of propagation', () => {
	it('is exact for a model that is straight in each input', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.1, max: 9, noNaN: true }),
				fc.double({ min: 0.1, max: 9, noNaN: true }),
				(a, b) => {
					const { uRandom, value } = propagate({
						inputs: [rectangle(0.3, a), rectangle(0.2, b)],
						evaluate: (x) => x[0]! * x[1]!
					});
					expect(value).toBeCloseTo(a * b, 10);
					expect(uRandom).toBeCloseTo(Math.hypot((b * 0.3) / Math.sqrt(3), (a * 0.2) / Math.sqrt(3)), 8);
				}
			)
		);
	});
	it('puts looks at one scale into one line, and keeps random and common apart', () => {
		const model: MeasurementModel = {
			inputs: [rectangle(1), rectangle(1), { ...rectangle(2), source: 'titrant', repeats: 'common' }],
			evaluate: (x) => x[0]! + x[1]! + x[2]!
		};
		const { components, uRandom, uCommon } = propagate(model);
		expect(components.map((c) => c.source)).toEqual(['graduation', 'titrant']);
		expect(uRandom).toBeCloseTo(Math.SQRT2 / Math.sqrt(3), 12);
		expect(uCommon).toBeCloseTo(2 / Math.sqrt(3), 12);
	});
});

describe('the simulation', () => {
	it.each([
		[0.5, 0.5],
		[0.5, 0.1],
		[1, 0.7]
	])('of two rectangles ±%d and ±%d has the width that JCGM 101 gives', (a, b) => {
		const { lower, upper, sd } = simulate(sum(a, b), 4, 100_000);
		expect((upper - lower) / 2).toBeCloseTo(sumOfTwoRectangulars(a, b), 2);
		expect(sd).toBeCloseTo(Math.hypot(a, b) / Math.sqrt(3), 2);
	});
	it('is the same to the last digit for the same seed, and in parts as in one', () => {
		const parts = new Simulation(sum(1, 2), 9, 5000);
		let rounds = 0;
		while (parts.advance(700)) rounds++;
		expect(rounds).toBe(7);
		expect(parts.share).toBe(1);
		expect(parts.summary()).toEqual(simulate(sum(1, 2), 9, 5000));
		expect(simulate(sum(1, 2), 10, 5000)).not.toEqual(simulate(sum(1, 2), 9, 5000));
	});
	it('sees what the law of propagation cannot: a model that is cut off at nothing', () => {
		const cut: MeasurementModel = { inputs: [rectangle(1, 0.2)], evaluate: (x) => Math.max(0, x[0]!) };
		const { mean, lower } = simulate(cut, 1, 50_000);
		expect(lower).toBe(0);
		expect(mean).toBeCloseTo(0.36, 2);
	});
	it('says nothing before it is finished, and refuses no draws', () => {
		expect(() => new Simulation(sum(1), 1, 10).summary()).toThrow();
		expect(() => new Simulation(sum(1), 1, 0)).toThrow(RangeError);
	});
});
