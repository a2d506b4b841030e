import { atLeast, atMost, polynomial } from '../../numeric/index.ts';

const PURE_WATER = [999.842594, 6.793952e-2, -9.09529e-3, 1.001685e-4, -1.120083e-6, 6.536332e-9];
const LINEAR_IN_S = [8.24493e-1, -4.0899e-3, 7.6438e-5, -8.2467e-7, 5.3875e-9];
const S_TO_3_HALVES = [-5.72466e-3, 1.0227e-4, -1.6546e-6];
const SQUARE_IN_S = 4.8314e-4;

/**
 * Density of sea water at one atmosphere, EOS-80.
 *
 * @param salinity practical salinity, unitless, valid 0 to 42
 * @param temperatureC in °C, valid −2 to 40; taken as is (the step from ITS-90 to IPTS-68 is 0.002 kg/m³)
 * @returns density in kg/m³; stated standard error 0.0036 kg/m³
 * @throws {RangeError} outside the valid ranges
 * @see Millero & Poisson (1981), Deep-Sea Research 28, 625; UNESCO Technical Papers 36 (1981)
 * @example densityOf(35, 25) // 1023.3430584772076, the published 1023.343
 */
export function densityOf(salinity: number, temperatureC: number): number {
	if (!atLeast(salinity, 0) || !atMost(salinity, 42)) {
		throw new RangeError(`salinity ${salinity} is outside 0 to 42`);
	}
	if (!atLeast(temperatureC, -2) || !atMost(temperatureC, 40)) {
		throw new RangeError(`temperature ${temperatureC} °C is outside −2 to 40`);
	}
	const t = temperatureC;
	return (
		polynomial(PURE_WATER, t) +
		polynomial(LINEAR_IN_S, t) * salinity +
		polynomial(S_TO_3_HALVES, t) * salinity ** 1.5 +
		SQUARE_IN_S * salinity ** 2
	);
}

const within = (least: number, most: number, x: number) => Math.min(most, Math.max(least, x));

/**
 * The same for a water that was read beyond what the formula holds for: as at the end of its range, where it is off by a
 * few parts in a thousand. For advice, which may not fail where a water is worst.
 */
export function densityNear(salinity: number, temperatureC: number): number {
	return densityOf(within(0, 42, salinity), within(-2, 40, temperatureC));
}
