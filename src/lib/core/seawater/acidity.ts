import { FLUORIDE_MOL_PER_KG, REFERENCE_SALINITY, SULPHATE_MOL_PER_KG } from './reference.ts';

const KELVIN = 273.15;

/** Ionic strength, mol/kg. @see Dickson, Sabine & Christian (2007), chapter 5 */
function ionicStrength(salinity: number): number {
	return (19.924 * salinity) / (1000 - 1.005 * salinity);
}

/** Dissociation of HSO₄⁻, mol/kg, free scale. @see Dickson (1990), J. Chem. Thermodyn. 22, 113 */
export function bisulphate(salinity: number, temperatureC: number): number {
	const T = temperatureC + KELVIN;
	const I = ionicStrength(salinity);
	return Math.exp(
		-4276.1 / T +
			141.328 -
			23.093 * Math.log(T) +
			(-13856 / T + 324.57 - 47.986 * Math.log(T)) * Math.sqrt(I) +
			(35474 / T - 771.54 + 114.723 * Math.log(T)) * I -
			(2698 * I ** 1.5) / T +
			(1776 * I ** 2) / T +
			Math.log(1 - 0.001005 * salinity)
	);
}

/** Dissociation of HF, mol/kg, free scale. @see Dickson & Riley (1979), Marine Chemistry 7, 89 */
export function hydrofluoric(salinity: number, temperatureC: number): number {
	const T = temperatureC + KELVIN;
	return Math.exp(
		1590.2 / T - 12.641 + 1.525 * Math.sqrt(ionicStrength(salinity)) + Math.log(1 - 0.001005 * salinity)
	);
}

/** @throws {RangeError} where no constant of sea water holds */
export function ionicRange(salinity: number, temperatureC: number): void {
	if (!(salinity >= 0 && salinity <= 50)) throw new RangeError(`salinity ${salinity} is outside 0 to 50`);
	if (!(temperatureC >= -2 && temperatureC <= 45)) {
		throw new RangeError(`temperature ${temperatureC} °C is outside −2 to 45`);
	}
}

/** log₁₀ of [H⁺] on the sea-water scale over [H⁺] on the total scale: 0.0097 at S = 35, 25 °C. */
export function seawaterOverTotal(salinity: number, temperatureC: number): number {
	const share = salinity / REFERENCE_SALINITY;
	const sulphate = (SULPHATE_MOL_PER_KG * share) / bisulphate(salinity, temperatureC);
	const fluoride = (FLUORIDE_MOL_PER_KG * share) / hydrofluoric(salinity, temperatureC);
	return Math.log10((1 + sulphate + fluoride) / (1 + sulphate));
}

/**
 * pH on the total scale from an electrode set on NBS buffers, as kits and hobby meters are. The step depends on the
 * electrode: take u ≈ 0.03.
 *
 * @param salinity practical salinity, 5 to 42; below 5 the scales are taken as one
 * @see Takahashi et al. (1982), GEOSECS
 * @example totalFromNbs(8.2, 35, 25) // about 8.06
 */
export function totalFromNbs(phNbs: number, salinity: number, temperatureC: number): number {
	if (salinity < 5) return phNbs;
	const T = temperatureC + KELVIN;
	const activity = 1.2948 - 0.002036 * T + (0.0004607 - 0.000001475 * T) * salinity ** 2;
	return phNbs + Math.log10(activity) + seawaterOverTotal(salinity, temperatureC);
}

/** Standard uncertainty of pK below: the spread of three formulations. */
export const U_PK_AMMONIUM = 0.015;

/**
 * pK of ammonium on the total scale.
 *
 * @param salinity practical salinity, 0 to 40
 * @param temperatureC in °C, 0 to 40
 * @throws {RangeError} outside
 * @see Yao & Millero (1995) in Millero (1995), Geochim. Cosmochim. Acta 59, 661; sea-water scale
 * @example pkAmmonium(35, 25) // 9.266
 */
export function pkAmmonium(salinity: number, temperatureC: number): number {
	if (!(salinity >= 0 && salinity <= 45)) throw new RangeError(`salinity ${salinity} is outside 0 to 45`);
	if (!(temperatureC >= -2 && temperatureC <= 45)) {
		throw new RangeError(`temperature ${temperatureC} °C is outside −2 to 45`);
	}
	const T = temperatureC + KELVIN;
	const lnK =
		-6285.33 / T +
		0.0001635 * T -
		0.25444 +
		(0.46532 - 123.7184 / T) * Math.sqrt(salinity) +
		(-0.01992 + 3.17556 / T) * salinity;
	// [H]sws is the larger: pK on the total scale is higher by the logarithm of their ratio.
	return -lnK / Math.LN10 + (salinity > 0 ? seawaterOverTotal(salinity, temperatureC) : 0);
}

/**
 * Share of total ammonia that is un-ionised, the form that harms: f = 1/(1 + 10^(pK − pH)).
 *
 * @param phTotal on the total scale
 * @returns 0 to 1
 * @example freeAmmoniaShare(8.1, 35, 25) // 0.06389
 */
export function freeAmmoniaShare(phTotal: number, salinity: number, temperatureC: number): number {
	return 1 / (1 + 10 ** (pkAmmonium(salinity, temperatureC) - phTotal));
}

/** One acidity on the scales in use. */
export interface AcidityScales {
	readonly total: number;
	readonly seawater: number;
	readonly free: number;
	/** By an electrode set on NBS buffers; u ≈ 0.03. */
	readonly nbs: number;
}

/** pH on every scale, from the total scale. @param salinity 5 to 50 @example acidityScales(8.1, 35, 25).nbs // 8.2370 */
export function acidityScales(phTotal: number, salinity: number, temperatureC: number): AcidityScales {
	const share = salinity / REFERENCE_SALINITY;
	const sulphate = (SULPHATE_MOL_PER_KG * share) / bisulphate(salinity, temperatureC);
	return {
		total: phTotal,
		seawater: phTotal - seawaterOverTotal(salinity, temperatureC),
		free: phTotal + Math.log10(1 + sulphate),
		nbs: phTotal - totalFromNbs(0, salinity, temperatureC)
	};
}
