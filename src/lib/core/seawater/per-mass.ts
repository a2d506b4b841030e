import { MOLAR_MASS } from '../quantity/index.ts';
import { densityNear } from './density/index.ts';
import type { MajorIon } from './reference.ts';

/**
 * Alkalinity per mass of solution, as oceanographers state it.
 *
 * @param meqPerL alkalinity in meq per litre at the stated temperature
 * @returns µmol/kg
 * @throws {RangeError} outside the range of the density formula
 * @example micromolesPerKgFromMeqPerL(2.6392282, 35, 25) // 2579.026 to the third decimal
 */
export function micromolesPerKgFromMeqPerL(meqPerL: number, salinity: number, temperatureC: number): number {
	return (1000 * meqPerL) / (densityNear(salinity, temperatureC) / 1000);
}

/** @returns meq per litre at the temperature */
export function meqPerLFromMicromolesPerKg(
	micromolesPerKg: number,
	salinity: number,
	temperatureC: number
): number {
	return (micromolesPerKg * (densityNear(salinity, temperatureC) / 1000)) / 1000;
}

/** The four ways in which the concentration of one ion is stated. */
export interface IonConcentration {
	readonly mgPerL: number;
	readonly mgPerKg: number;
	readonly mmolPerL: number;
	readonly mmolPerKg: number;
}

/**
 * All four from one of them. mg/kg and mg/L differ by 2.3 % at S = 35; many tables of "mg/L" are really mg/kg.
 *
 * @param salinity and temperature give the density
 */
export function ionConcentration(
	ion: MajorIon,
	known: Partial<IonConcentration>,
	salinity: number,
	temperatureC: number
): IonConcentration {
	const kgPerL = densityNear(salinity, temperatureC) / 1000;
	const molarMass = MOLAR_MASS[ion];
	const { mgPerL, mgPerKg, mmolPerL, mmolPerKg } = known;
	const mg =
		mgPerL ??
		(mmolPerL !== undefined
			? mmolPerL * molarMass
			: mgPerKg !== undefined
				? mgPerKg * kgPerL
				: mmolPerKg !== undefined
					? mmolPerKg * molarMass * kgPerL
					: Number.NaN);
	if (!Number.isFinite(mg)) throw new RangeError('no concentration was given');
	return {
		mgPerL: mg,
		mgPerKg: mg / kgPerL,
		mmolPerL: mg / molarMass,
		mmolPerKg: mg / (molarMass * kgPerL)
	};
}
