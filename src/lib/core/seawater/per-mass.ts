import { densityOf } from './density.ts';

/**
 * Alkalinity per mass of solution, as oceanographers state it.
 *
 * @param meqPerL alkalinity in meq per litre at the stated temperature
 * @returns µmol/kg
 * @throws {RangeError} outside the range of the density formula
 * @example micromolesPerKgFromMeqPerL(2.6392282, 35, 25) // 2579.026 to the third decimal
 */
export function micromolesPerKgFromMeqPerL(meqPerL: number, salinity: number, temperatureC: number): number {
	return (1000 * meqPerL) / (densityOf(salinity, temperatureC) / 1000);
}
