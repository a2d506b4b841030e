import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { convert, convertSpan } from '../quantity/index.ts';
import { salinityOfSpecificGravity, specificGravity } from './density/index.ts';
import {
	atReferenceSalinity,
	conductivityOfSalinity,
	freeAmmoniaShare,
	normalisingFactor,
	pkAmmonium,
	salinityOfConductivity,
	totalFromNbs
} from './index.ts';

const salinity = fc.double({ min: 5, max: 41, noNaN: true });
const temperature = fc.double({ min: 5, max: 34, noNaN: true });

describe('salinity in its forms', () => {
	it('comes back from specific gravity and from conductivity', () => {
		fc.assert(
			fc.property(salinity, temperature, (s, t) => {
				expect(salinityOfSpecificGravity(specificGravity(s, t, 20), t, 20)).toBeCloseTo(s, 6);
				expect(salinityOfConductivity(conductivityOfSalinity(s, t), t).salinity).toBeCloseTo(s, 6);
			})
		);
	});
	it('is shown as specific gravity with its reference, and ± by the slope there', () => {
		expect(convert(35, 'psu', 'sg-25-25')).toBeCloseTo(1.026373, 6);
		expect(convert(1.0264, 'sg-25-25', 'psu')).toBeCloseTo(35.04, 2);
		expect(convertSpan(1, 'psu', 'sg-20-20')).toBeCloseTo(0.00076, 5);
		expect(convert(0.9, 'sg-25-25', 'psu')).toBe(0);
	});
	it('brings an ion to S = 35, and not beyond where proportions hold', () => {
		fc.assert(
			fc.property(fc.double({ min: 20, max: 42, noNaN: true }), (s) => {
				expect(normalisingFactor(s, 25)).toBeCloseTo(35 / s, 1);
			})
		);
		expect(normalisingFactor(35, 25)).toBe(1);
		expect(() => normalisingFactor(19, 25)).toThrow(RangeError);
	});
	it('carries the salinity’s uncertainty into the ion, and tells nothing where proportions do not hold', () => {
		const calcium = { value: 400, uRandom: 6, uCommon: 0 };
		const at = (value: number, u: number) => atReferenceSalinity(calcium, { value, uRandom: u, uCommon: 0 });
		expect(at(35, 0)).toEqual({ value: 400, u: 6 });
		// 1 % of salinity is 1 % of 400 mg/L beside the 6.
		expect(at(35, 0.35)!.u).toBeCloseTo(Math.hypot(6, 4), 10);
		expect(at(32.5, 0)!.value).toBeCloseTo(400 * 1.078914, 3);
		expect(at(15, 0.1)).toBeNull();
		expect(at(Number.NaN, 0.1)).toBeNull();
	});
});

describe('un-ionised ammonia', () => {
	// Section 1.5 of the chemistry: 9.266 by this formulation, 9.2447 in fresh water at 25 °C.
	it('follows from published pK', () => {
		expect(pkAmmonium(35, 25)).toBeCloseTo(9.266, 3);
		expect(pkAmmonium(0, 25)).toBeCloseTo(9.2447, 3);
		expect(() => pkAmmonium(60, 25)).toThrow(RangeError);
	});
	it('is a greater share the higher pH and temperature are', () => {
		fc.assert(
			fc.property(salinity, temperature, fc.double({ min: 6, max: 9, noNaN: true }), (s, t, ph) => {
				expect(freeAmmoniaShare(ph + 0.2, s, t)).toBeGreaterThan(freeAmmoniaShare(ph, s, t));
				expect(freeAmmoniaShare(ph, s, t + 1)).toBeGreaterThan(freeAmmoniaShare(ph, s, t));
			})
		);
	});
	it('is overstated by a third where an electrode’s pH is taken for the total scale', () => {
		expect(totalFromNbs(8.2, 35, 25)).toBeCloseTo(8.063, 2);
		expect(totalFromNbs(7, 0, 25)).toBe(7);
		const wrong = freeAmmoniaShare(8.2, 35, 25) / freeAmmoniaShare(totalFromNbs(8.2, 35, 25), 35, 25);
		expect(wrong).toBeGreaterThan(1.28);
		expect(wrong).toBeLessThan(1.37);
	});
});

describe('conversion with an offset', () => {
	it('moves values and differences apart', () => {
		expect(convert(25, 'celsius', 'fahrenheit')).toBeCloseTo(77, 12);
		expect(convertSpan(1, 'celsius', 'fahrenheit')).toBeCloseTo(1.8, 12);
		expect(convert(convert(4.2, 'celsius', 'kelvin'), 'kelvin', 'fahrenheit')).toBeCloseTo(39.56, 10);
	});
});
