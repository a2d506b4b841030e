import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	atLeast,
	atMost,
	fitLinearModel,
	invertPositiveDefinite,
	median,
	normalCdf,
	normalDensity,
	normalDeviate,
	roundTo,
	seededRandom,
	solvePositiveDefinite
} from './index.ts';

describe('normal distribution', () => {
	// Abramowitz & Stegun (1964), table 26.1, to ten decimals.
	it.each([
		[0, 0.5],
		[0.5, 0.6914624613],
		[1, 0.8413447461],
		[1.96, 0.9750021049],
		[3, 0.998650102],
		[-2.5, 0.0062096653]
	])('is %d → %d', (z, p) => expect(normalCdf(z)).toBeCloseTo(p, 10));

	it('keeps the relative precision of a far tail', () => {
		// Φ(−8) = 6.220960574271785e-16
		expect(normalCdf(-8) / 6.220960574271785e-16).toBeCloseTo(1, 9);
	});
	it('gives both sides of any z the whole', () => {
		fc.assert(
			fc.property(fc.double({ min: -9, max: 9, noNaN: true }), (z) => {
				expect(normalCdf(z) + normalCdf(-z)).toBeCloseTo(1, 13);
			})
		);
	});
	it('has a density that refuses a width of nothing', () => {
		expect(normalDensity(0, 0, 1)).toBeCloseTo(0.3989422804, 10);
		expect(() => normalDensity(0, 0, 0)).toThrow(RangeError);
	});
});

describe('linear algebra', () => {
	it('solves and inverts what is positive definite, and refuses the rest', () => {
		const a = [
			[4, 2, 0.6],
			[2, 5, 1],
			[0.6, 1, 3]
		];
		const x = solvePositiveDefinite(a, [1, 2, 3]);
		a.forEach((row, i) => expect(row.reduce((s, v, k) => s + v * x[k]!, 0)).toBeCloseTo([1, 2, 3][i]!, 12));
		expect(invertPositiveDefinite([[4]])).toEqual([[0.25]]);
		expect(() =>
			solvePositiveDefinite(
				[
					[1, 2],
					[2, 1]
				],
				[1, 1]
			)
		).toThrow(RangeError);
	});
	it('fits a line through exact points exactly, whatever the weights', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -5, max: 5, noNaN: true }),
				fc.double({ min: -3, max: 3, noNaN: true }),
				fc.array(fc.double({ min: 0.1, max: 4, noNaN: true }), { minLength: 3, maxLength: 8 }),
				(level, slope, sd) => {
					const fit = fitLinearModel({
						design: sd.map((_, i) => [1, i]),
						observed: sd.map((_, i) => level + slope * i),
						sd,
						priorSd: [Infinity, Infinity]
					});
					expect(fit.coefficients[0]).toBeCloseTo(level, 8);
					expect(fit.coefficients[1]).toBeCloseTo(slope, 8);
				}
			)
		);
	});
	it('leans to its prior where the data say little', () => {
		const fit = fitLinearModel({ design: [[1, 1]], observed: [10], sd: [1], priorSd: [Infinity, 2] });
		expect(fit.coefficients[1]).toBeCloseTo(0, 12);
		expect(Math.sqrt(fit.covariance[1]![1]!)).toBeCloseTo(2, 12);
	});
});

describe('seeded chance', () => {
	it('repeats itself for a seed, differs between seeds, and has the moments it claims', () => {
		const draw = (seed: number) => {
			const random = seededRandom(seed);
			return Array.from({ length: 20_000 }, () => normalDeviate(random, 3, 2));
		};
		const xs = draw(7);
		expect(draw(7)).toEqual(xs);
		expect(draw(8)[0]).not.toBe(xs[0]);
		const mean = xs.reduce((a, b) => a + b, 0) / xs.length;
		const sd = Math.sqrt(xs.reduce((a, b) => a + (b - mean) ** 2, 0) / xs.length);
		expect(mean).toBeCloseTo(3, 1);
		expect(sd).toBeCloseTo(2, 1);
	});
});

describe('guarded comparison', () => {
	it('lets 0.1 + 0.2 reach 0.3 and nothing more', () => {
		expect(atMost(0.1 + 0.2, 0.3)).toBe(true);
		expect(atLeast(0.3, 0.1 + 0.2)).toBe(true);
		expect(atMost(0.3001, 0.3)).toBe(false);
	});
	it('rounds to marks without dust', () => {
		expect(roundTo(1 - 0.43, 0.01)).toBe(0.57);
		expect(roundTo(0.4149, 0.005)).toBe(0.415);
		expect(roundTo(13, 5)).toBe(15);
	});
	it('takes the middle', () => {
		expect(median([5, 1, 3])).toBe(3);
		expect(median([4, 1, 3, 2])).toBe(2.5);
		expect(() => median([])).toThrow(RangeError);
	});
});
