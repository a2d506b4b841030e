import { bisect, polynomial } from '../numeric/index.ts';

/** Conductivity of sea water of S = 35 at 15 °C and one atmosphere, mS/cm. @see Culkin & Smith (1980) */
const C_35_15_0 = 42.914;
const A = [0.008, -0.1692, 25.3851, 14.0941, -7.0261, 2.7081];
const B = [0.0005, -0.0056, -0.0066, -0.0375, 0.0636, -0.0144];
const K = 0.0162;
const R_T = [0.6766097, 2.00564e-2, 1.104259e-4, -6.9698e-7, 1.0031e-9];

function pressureRatio(ratio: number, temperatureC: number, pressureDbar: number): number {
	const t = temperatureC;
	const p = pressureDbar;
	return (
		1 +
		(p * polynomial([2.07e-5, -6.37e-10, 3.989e-15], p)) /
			(1 + 3.426e-2 * t + 4.464e-4 * t ** 2 + (4.215e-1 - 3.107e-3 * t) * ratio)
	);
}

export interface ConductivitySalinity {
	readonly salinity: number;
	/** PSS-78 is defined for S 2 to 42 only; outside, the number is an extrapolation. */
	readonly inRange: boolean;
}

/**
 * Practical salinity from conductivity, PSS-78.
 *
 * @param conductivity in mS/cm at the water's own temperature, not referred to 25 °C
 * @param temperatureC in °C, valid −2 to 35, taken as is
 * @param pressureDbar above the atmosphere; 0 at the surface
 * @throws {RangeError} on a conductivity below 0
 * @see UNESCO Technical Papers 37 (1981); Fofonoff & Millard (1983), UNESCO Technical Papers 44
 * @example salinityOfConductivity(42.914, 15).salinity // 35
 */
export function salinityOfConductivity(
	conductivity: number,
	temperatureC: number,
	pressureDbar = 0
): ConductivitySalinity {
	if (!(conductivity >= 0)) throw new RangeError(`conductivity must be 0 or more, not ${conductivity}`);
	const ratio = conductivity / C_35_15_0;
	const rt = ratio / (pressureRatio(ratio, temperatureC, pressureDbar) * polynomial(R_T, temperatureC));
	const root = Math.sqrt(rt);
	const salinity =
		polynomial(A, root) + ((temperatureC - 15) / (1 + K * (temperatureC - 15))) * polynomial(B, root);
	return { salinity, inRange: salinity >= 2 && salinity <= 42 };
}

/** The inverse at the surface, by bisection. @returns mS/cm @throws {RangeError} outside S 0 to 50 */
export function conductivityOfSalinity(salinity: number, temperatureC: number): number {
	return bisect((c) => salinityOfConductivity(c, temperatureC).salinity - salinity, 0, 120);
}

/**
 * Undoes the linear compensation of a meter that shows "mS/cm at 25 °C": C = C₂₅·(1 + α(t − 25)).
 *
 * @param alphaPerK from the meter's manual, typically 0.019 to 0.021
 * @returns mS/cm at the water's own temperature
 */
export function uncompensated(c25: number, temperatureC: number, alphaPerK: number): number {
	return c25 * (1 + alphaPerK * (temperatureC - 25));
}
