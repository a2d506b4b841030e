import { MOLAR_MASS } from './molar-mass.ts';

/** One degree of carbonate hardness is 10 mg/L CaO, and CaO takes up two equivalents of acid (DIN usage). */
export const MEQ_PER_L_PER_DKH = (10 / MOLAR_MASS.calciumOxide) * 2;

/** Milligrams of CaCO₃ per milliequivalent: half a mole of it. */
const MG_CACO3_PER_MEQ = MOLAR_MASS.calciumCarbonate / 2;

/** @example dkhFromMeqPerL(1) // 2.80385 */
export function dkhFromMeqPerL(meqPerL: number): number {
	return meqPerL / MEQ_PER_L_PER_DKH;
}

export function meqPerLFromDkh(dkh: number): number {
	return dkh * MEQ_PER_L_PER_DKH;
}

/** @example mgPerLCaCo3FromMeqPerL(1) // 50.043 */
export function mgPerLCaCo3FromMeqPerL(meqPerL: number): number {
	return meqPerL * MG_CACO3_PER_MEQ;
}

export function meqPerLFromMgPerLCaCo3(mgPerL: number): number {
	return mgPerL / MG_CACO3_PER_MEQ;
}
