import { describe, expect, it } from 'vitest';
import { densityOf } from './density/index.ts';
import { micromolesPerKgFromMeqPerL } from './index.ts';

describe('density of sea water', () => {
	// UNESCO Technical Papers 36 (1981), check values at one atmosphere.
	it.each([
		[0, 5, 999.96675],
		[35, 5, 1027.67547],
		[0, 25, 997.04796],
		[35, 25, 1023.34306]
	])('at S %d and %d °C is %d kg/m³', (s, t, density) => expect(densityOf(s, t)).toBeCloseTo(density, 4));
	it('refuses what the formula was not made for', () => {
		expect(() => densityOf(43, 20)).toThrow(RangeError);
		expect(() => densityOf(35, 41)).toThrow(RangeError);
		expect(() => densityOf(Number.NaN, 20)).toThrow(RangeError);
	});
	it('turns alkalinity per litre into per kilogram', () => {
		expect(micromolesPerKgFromMeqPerL(2.63922820408, 35, 25)).toBeCloseTo(2579.02585, 4);
	});
});
