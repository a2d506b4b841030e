import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { agreedValue, outlierAmong, repeatRange, replicates, weightedMean } from './index.ts';

describe('repeats', () => {
	it('never average away what they share', () => {
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: 1, max: 9, noNaN: true }), { minLength: 2, maxLength: 9 }),
				(readings) => {
					const { u, uRandom } = replicates(readings, 0.3);
					expect(u).toBeGreaterThanOrEqual(0.3);
					expect(u).toBeCloseTo(Math.hypot(uRandom, 0.3), 12);
				}
			)
		);
	});
	it('of one need a spread from before', () => {
		expect(() => replicates([8], 0.1)).toThrow(RangeError);
		expect(replicates([8], 0.1, 0.2)).toMatchObject({ mean: 8, s: null, uRandom: 0.2 });
		expect(() => replicates([], 0.1)).toThrow(RangeError);
		expect(() => repeatRange([1], 0.1)).toThrow(RangeError);
	});
	it('name the one of three that stands apart, and only where there is one', () => {
		expect(outlierAmong([8.2, 8.3, 9.6], 0.2)).toBe(2);
		expect(outlierAmong([8.2, 8.3, 8.4], 0.2)).toBeNull();
		expect(outlierAmong([7, 8.3, 9.6], 0.2)).toBeNull();
		expect(outlierAmong([7, 9.6], 0.2)).toBeNull();
	});
	it('are taken for their mean where they agree, for their middle where three do not', () => {
		expect(agreedValue([8, 8.2], 0.2)).toBeCloseTo(8.1, 12);
		expect(agreedValue([8, 9.2], 0.2)).toBeNull();
		expect(agreedValue([8, 8.2, 9.6], 0.2)).toBe(8.2);
		expect(agreedValue([8], 0.2)).toBe(8);
		expect(agreedValue([], 0.2)).toBeNull();
	});
});

describe('a weighted mean', () => {
	it('lies among its values and is at least as sure as the surest', () => {
		fc.assert(
			fc.property(
				fc.array(
					fc.tuple(fc.double({ min: 0, max: 9, noNaN: true }), fc.double({ min: 0.1, max: 2, noNaN: true })),
					{
						minLength: 2,
						maxLength: 8
					}
				),
				(pairs) => {
					const x = pairs.map(([v]) => v);
					const found = weightedMean(
						x,
						pairs.map(([, u]) => u)
					);
					expect(found.mean).toBeGreaterThanOrEqual(Math.min(...x) - 1e-9);
					expect(found.mean).toBeLessThanOrEqual(Math.max(...x) + 1e-9);
					expect(found.uInternal).toBeLessThanOrEqual(Math.min(...pairs.map(([, u]) => u)));
					expect(found.u).toBeGreaterThanOrEqual(found.uInternal);
				}
			)
		);
	});
	it('is refused of one value, or without uncertainty', () => {
		expect(() => weightedMean([1], [1])).toThrow(RangeError);
		expect(() => weightedMean([1, 2], [1, 0])).toThrow(RangeError);
	});
});
