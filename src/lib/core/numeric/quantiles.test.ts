import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bisect, chiSquaredQuantile, normalCdf, normalQuantile, studentQuantile } from './index.ts';

describe('quantiles', () => {
	// Abramowitz & Stegun (1964), tables 26.1, 26.8 and 26.10.
	it.each([
		[1, 12.706],
		[2, 4.303],
		[6, 2.447],
		[30, 2.042],
		[120, 1.98]
	])('of Student’s distribution for 97.5 %% and %d degrees', (degrees, table) => {
		expect(studentQuantile(0.975, degrees)).toBeCloseTo(table, 3);
		expect(studentQuantile(0.025, degrees)).toBeCloseTo(-table, 3);
	});
	it.each([
		[1, 3.8415],
		[2, 5.9915],
		[10, 18.307],
		[100, 124.342]
	])('of χ² for 95 %% and %d degrees', (degrees, table) => {
		expect(chiSquaredQuantile(0.95, degrees)).toBeCloseTo(table, 3);
	});
	it('of the normal distribution come back through it', () => {
		expect(normalQuantile(0.975)).toBeCloseTo(1.959963984540054, 12);
		expect(studentQuantile(0.975, Infinity)).toBe(normalQuantile(0.975));
		fc.assert(
			fc.property(fc.double({ min: 1e-6, max: 1 - 1e-6, noNaN: true }), (p) => {
				expect(normalCdf(normalQuantile(p))).toBeCloseTo(p, 10);
			})
		);
	});
	it('of what is no probability are refused', () => {
		expect(() => normalQuantile(1)).toThrow(RangeError);
		expect(() => studentQuantile(0.5, 0)).toThrow(RangeError);
		expect(() => chiSquaredQuantile(0.5, 0)).toThrow(RangeError);
	});
});

describe('bisection', () => {
	it('finds a root wherever it lies, to the last bit', () => {
		expect(bisect((x) => x * x - 2, 0, 2)).toBeCloseTo(Math.SQRT2, 14);
		expect(bisect((x) => 3 - x, 0, 10)).toBeCloseTo(3, 14);
		expect(bisect((x) => x, 0, 5)).toBe(0);
		expect(bisect((x) => x - 5, 0, 5)).toBe(5);
	});
	it('refuses an interval without one', () => expect(() => bisect((x) => x + 9, 0, 1)).toThrow(RangeError));
});
