import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { combine, knownDigits, largestComponent, splitByRepeat, type UncertaintyComponent } from './index.ts';

const component = (u: number, repeats: 'random' | 'common'): UncertaintyComponent => ({
	source: 'factor',
	u,
	repeats
});

describe('a budget', () => {
	it('adds squares, and splits without losing any', () => {
		expect(combine([{ u: 3 }, { u: 4 }])).toBe(5);
		fc.assert(
			fc.property(
				fc.array(fc.tuple(fc.double({ min: 0, max: 9, noNaN: true }), fc.boolean()), { minLength: 1 }),
				(parts) => {
					const all = parts.map(([u, random]) => component(u, random ? 'random' : 'common'));
					const { uRandom, uCommon } = splitByRepeat(all);
					expect(Math.hypot(uRandom, uCommon)).toBeCloseTo(combine(all), 10);
					expect(largestComponent(all).u).toBe(Math.max(...all.map((c) => c.u)));
				}
			)
		);
	});
	it('has no largest part when it is empty', () => {
		expect(() => largestComponent([])).toThrow(RangeError);
	});
});

describe('digits that mean something', () => {
	it.each([
		[0.47, { decimals: 1, step: 1 }],
		[0.14, { decimals: 2, step: 1 }],
		[9.3, { decimals: 0, step: 1 }],
		[18.6, { decimals: 0, step: 1 }],
		[42, { decimals: 0, step: 10 }],
		[0.0996, { decimals: 2, step: 1 }],
		[120, { decimals: 0, step: 10 }]
	])('U = %d leaves %o', (u, digits) => expect(knownDigits(u)).toEqual(digits));
	it('needs an uncertainty', () => {
		expect(() => knownDigits(0)).toThrow(RangeError);
		expect(() => knownDigits(Number.NaN)).toThrow(RangeError);
	});
});
