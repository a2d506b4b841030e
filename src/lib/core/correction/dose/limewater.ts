import { dkhFromMeqPerL, meqPerLFromDkh, MOLAR_MASS } from '../../quantity/index.ts';
import { densityNear } from '../../seawater/density/index.ts';
import { BROUGHT_MASS } from './compound.ts';

/** Saturated calcium hydroxide at 25 °C, mol/L. @see Bates, Bower & Smith (1956), J. Res. NBS 56, 305 */
export const SATURATED_LIMEWATER_MOL_PER_L = 0.02025;

/** What limewater brings to a water in a day, by evaporation that it replaces. */
export function limewaterPerDay(
	litresPerDay: number,
	tankL: number,
	molPerL = SATURATED_LIMEWATER_MOL_PER_L
): { readonly alkalinityDkh: number; readonly calciumMgPerL: number } {
	if (!(tankL > 0)) throw new RangeError(`a volume must be above 0 L, not ${tankL}`);
	const mmolPerL = (1000 * molPerL * litresPerDay) / tankL;
	return { alkalinityDkh: dkhFromMeqPerL(2 * mmolPerL), calciumMgPerL: mmolPerL * MOLAR_MASS.calcium };
}

/** Grams of salt to the kilogram at S = 35. @see Millero et al. (2008) */
const G_PER_KG_AT_35 = 35.16504;

/**
 * Sodium chloride that stays behind when skeletons are fed with calcium chloride and sodium carbonates: two to each
 * CaCO₃.
 *
 * @param alkalinityDkhPerDay used and replaced
 * @returns mg/L of NaCl after the days, and the rise of practical salinity
 */
export function saltResidue(
	alkalinityDkhPerDay: number,
	days: number,
	salinity: number,
	temperatureC: number
): { readonly mgPerL: number; readonly salinityRise: number } {
	const mmolCarbonate = (meqPerLFromDkh(alkalinityDkhPerDay) / 2) * days;
	const mgPerL = 2 * mmolCarbonate * (BROUGHT_MASS.Na + BROUGHT_MASS.Cl);
	return { mgPerL, salinityRise: (mgPerL / densityNear(salinity, temperatureC)) * (35 / G_PER_KG_AT_35) };
}
