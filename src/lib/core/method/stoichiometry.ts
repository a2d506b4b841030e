import { MOLAR_MASS } from '../quantity/index.ts';

/**
 * Total alkalinity from an acid titration to pH 4.2–4.5: A = 1000·c·(V − V₀)/V_s.
 *
 * @param acidEqPerL equivalents of acid per litre (sulphuric acid has two per mole)
 * @param sampleMl above 0
 * @param blankMl acid that pure water takes
 * @returns meq/L
 * @throws {RangeError} on a sample of 0 or less
 * @see Dickson (1981), Deep-Sea Research 28, 609; Standard Methods 2320
 * @example alkalinityFromAcid(0.02, 3.1, 25) // 2.48
 */
export function alkalinityFromAcid(
	acidEqPerL: number,
	deliveredMl: number,
	sampleMl: number,
	blankMl = 0
): number {
	return millimolesPerL(acidEqPerL, deliveredMl, sampleMl, blankMl);
}

export interface CalciumResult {
	/** All that the titrant took up, strontium included, mmol/L. */
	readonly apparentMmolPerL: number;
	readonly calciumMgPerL: number;
}

/**
 * Calcium by a 1:1 complexing titrant (EDTA at pH 12–13, EGTA near pH 10). Strontium is taken along wholly or
 * partly; its share is removed only where the method states it.
 *
 * @param strontiumMgPerL in the sample
 * @param strontiumFraction of the strontium that is titrated, 0 to 1
 * @throws {RangeError} on a sample of 0 or less
 * @see Tsunogai, Nishimura & Nakaya (1968), Talanta 15, 385
 * @example calciumFromTitrant(0.01, 5.2, 5).calciumMgPerL // 416.8112
 */
export function calciumFromTitrant(
	titrantMolPerL: number,
	deliveredMl: number,
	sampleMl: number,
	{ blankMl = 0, strontiumMgPerL = 0, strontiumFraction = 0 } = {}
): CalciumResult {
	const apparentMmolPerL = millimolesPerL(titrantMolPerL, deliveredMl, sampleMl, blankMl);
	const strontiumMmolPerL = (strontiumFraction * strontiumMgPerL) / MOLAR_MASS.strontium;
	return {
		apparentMmolPerL,
		calciumMgPerL: (apparentMmolPerL - strontiumMmolPerL) * MOLAR_MASS.calcium
	};
}

function millimolesPerL(molPerL: number, deliveredMl: number, sampleMl: number, blankMl: number): number {
	if (!(sampleMl > 0)) throw new RangeError(`sample volume must be above 0 mL, not ${sampleMl}`);
	return (1000 * molPerL * (deliveredMl - blankMl)) / sampleMl;
}
