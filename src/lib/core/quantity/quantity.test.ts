import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	convert,
	dkhFromMeqPerL,
	formsApart,
	formsOf,
	meqPerLFromDkh,
	mgPerLCaCo3FromMeqPerL,
	MOLAR_MASS,
	UNITS
} from './index.ts';

describe('alkalinity', () => {
	it('follows from the masses: 1 meq/L is 2.803850 dKH and 50.043 mg/L CaCO₃', () => {
		expect(dkhFromMeqPerL(1)).toBeCloseTo(2.80385, 10);
		expect(mgPerLCaCo3FromMeqPerL(1)).toBeCloseTo(50.043, 10);
		expect(MOLAR_MASS.calciumOxide).toBeCloseTo(56.077, 10);
	});
	it('is told apart from the rounded rule of 2.8', () => {
		expect(dkhFromMeqPerL(2.85) - 2.85 * 2.8).toBeGreaterThan(0.01);
	});
});

describe('conversion', () => {
	const alkalinity = ['dkh', 'meq-per-l', 'mg-per-l-caco3'] as const;
	it('comes back from any unit of the family', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0, max: 40, noNaN: true }),
				fc.constantFrom(...alkalinity),
				fc.constantFrom(...alkalinity),
				(value, a, b) => {
					expect(convert(convert(value, a, b), b, a)).toBeCloseTo(value, 10);
				}
			)
		);
		expect(convert(8, 'dkh', 'meq-per-l')).toBeCloseTo(meqPerLFromDkh(8), 12);
	});
	it('refuses to make alkalinity out of calcium', () => {
		expect(() => convert(420, 'mg-per-l', 'dkh')).toThrow(TypeError);
		expect(UNITS['mg-per-l'].symbol).toBe('mg/L');
	});
});

describe('the forms of a parameter', () => {
	it('keep inorganic and total phosphate apart, and nothing else', () => {
		const [inorganic, total] = formsOf('phosphate');
		expect(formsApart('phosphate', inorganic!, total!)).toBe('not-interchangeable');
		expect(formsApart('phosphate', total!, total!)).toBe('same');
		expect(formsApart('nitrate', 'nitrate', 'nitrate, with any nitrite')).toBe('nearly');
		expect(formsApart('ammonia', 'total ammonia', 'total ammonia, counted as NH₄')).toBe('same');
	});
});
