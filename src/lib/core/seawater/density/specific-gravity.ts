import { bisect } from '../../numeric/index.ts';
import { densityOf } from './density.ts';

/** Beyond this the density formula does not hold; a brine is to be diluted first. */
const GREATEST_SALINITY = 42;

/**
 * Salinity at which sea water has a density: the formula is monotone in S and is inverted by bisection.
 *
 * @param densityKgPerM3 in kg/m³ at the temperature
 * @param temperatureC in °C, −2 to 40
 * @returns practical salinity; null below the density of pure water ("no salinity") and above that of S = 42
 */
export function salinityOfDensity(densityKgPerM3: number, temperatureC: number): number | null {
	const fresh = densityOf(0, temperatureC);
	// A reading of exactly 1.000 is pure water, although its binary fraction may fall a hair below.
	if (Math.abs(densityKgPerM3 - fresh) < 1e-9 * fresh) return 0;
	if (densityKgPerM3 < fresh || densityKgPerM3 > densityOf(GREATEST_SALINITY, temperatureC)) return null;
	return bisect((s) => densityOf(s, temperatureC) - densityKgPerM3, 0, GREATEST_SALINITY);
}

/**
 * Specific gravity SG(t₁/t₂) = ρ(S, t₁)/ρ_w(t₂): without both temperatures the number means nothing.
 *
 * @param waterC temperature of the water, °C
 * @param referenceC temperature of the pure water that it is compared with, °C
 * @see Millero & Poisson (1981)
 * @example specificGravity(35, 25, 25) // 1.0263729550
 */
export function specificGravity(salinity: number, waterC: number, referenceC: number): number {
	return densityOf(salinity, waterC) / densityOf(0, referenceC);
}

/**
 * @returns practical salinity; null outside 0 to 42
 * @example salinityOfSpecificGravity(1.0264, 25, 25) // 35.04
 */
export function salinityOfSpecificGravity(sg: number, waterC: number, referenceC: number): number | null {
	return salinityOfDensity(sg * densityOf(0, referenceC), waterC);
}

/** What is marked on a hydrometer, and of what it is made. */
export interface HydrometerScale {
	/** Temperature at which its scale holds, °C. */
	readonly calibratedC: number;
	/** Temperature of the pure water that its scale refers to, °C. */
	readonly referenceC: number;
	/** Cubic expansion of the float, per K: about 2.5e-5 for soda-lime glass; plastic must be calibrated instead. */
	readonly expansionPerK: number;
}

/**
 * Density of water in which a hydrometer floats: ρ(S, t) = R·ρ_w(t_ref)/(1 + γ(t − t_cal)). The warm float is larger
 * and stands higher than it should.
 *
 * @returns kg/m³
 */
export function densityByHydrometer(reading: number, sampleC: number, scale: HydrometerScale): number {
	const { calibratedC, referenceC, expansionPerK } = scale;
	return (reading * densityOf(0, referenceC)) / (1 + expansionPerK * (sampleC - calibratedC));
}

/** @returns practical salinity; null outside 0 to 42 */
export function salinityByHydrometer(
	reading: number,
	sampleC: number,
	scale: HydrometerScale
): number | null {
	return salinityOfDensity(densityByHydrometer(reading, sampleC, scale), sampleC);
}
