import { MOLAR_MASS, UNITS, dkhFromMeqPerL, type ParameterId } from '../quantity/index.ts';

/**
 * Millimoles of titrant per litre of sample: 1000·c·(V − V₀)/V_s.
 *
 * @throws {RangeError} on a sample of 0 or less
 */
function millimolesPerL(molPerL: number, deliveredMl: number, sampleMl: number, blankMl = 0): number {
	if (!(sampleMl > 0)) throw new RangeError(`sample volume must be above 0 mL, not ${sampleMl}`);
	return (1000 * molPerL * (deliveredMl - blankMl)) / sampleMl;
}

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

/** Milligrams of magnesium that one milligram of calcium stands for in a total counted "as Mg": 0.606442. */
export const MG_PER_CA_AS_MG = MOLAR_MASS.magnesium / MOLAR_MASS.calcium;

/**
 * Magnesium as total hardness less calcium, by moles: Mg = 24.305·(TH − Ca/40.078 − Sr/87.62).
 *
 * @param totalMmolPerL calcium, magnesium and strontium together
 * @returns mg/L, below 0 where the two do not fit together
 * @example magnesiumByMoles(64.1, 425) // 1300.2125
 */
export function magnesiumByMoles(totalMmolPerL: number, calciumMgPerL: number, strontiumMgPerL = 0): number {
	return (
		MOLAR_MASS.magnesium *
		(totalMmolPerL - calciumMgPerL / MOLAR_MASS.calcium - strontiumMgPerL / MOLAR_MASS.strontium)
	);
}

/**
 * Magnesium as some leaflets have it: the total "as Mg" less the calcium in mg/L. Low by 0.3936·Ca against the moles,
 * and right only where the leaflet's table has that offset built in. Never to be mixed with the other.
 */
export function magnesiumByPlainSubtraction(totalMgPerLAsMg: number, calciumMgPerL: number): number {
	return totalMgPerLAsMg - calciumMgPerL;
}

/**
 * Potassium by tetraphenylborate, 1:1: directly, K = 39.0983·1000·c(V − V₀)/V_s, or by titrating the excess back with a
 * quaternary ammonium, K = 39.0983·1000·(c_T·V_T − c_Q·V_Q)/V_s. Ammonium is precipitated too and is taken off.
 *
 * @param back the titrant that took up the excess; left out for a direct titration
 * @returns mg/L
 * @throws {RangeError} on a sample of 0 or less
 * @example potassiumFromTitrant(0.005, 2.06, 1) // 402.71249
 */
export function potassiumFromTitrant(
	precipitantMolPerL: number,
	precipitantMl: number,
	sampleMl: number,
	{ blankMl = 0, backMolPerL = 0, backMl = 0, ammoniumMmolPerL = 0 } = {}
): number {
	const precipitated = millimolesPerL(precipitantMolPerL, precipitantMl, sampleMl, blankMl);
	const back = millimolesPerL(backMolPerL, backMl, sampleMl);
	return MOLAR_MASS.potassium * (precipitated - back - ammoniumMmolPerL);
}

/** The ions that a titrant takes up one for one (acid: equivalent for equivalent). */
export type TitratedParameter = Extract<
	ParameterId,
	'alkalinity' | 'calcium' | 'magnesium' | 'potassium' | 'hardness'
>;

/** What one millimole (for acid, one milliequivalent) per litre is in the parameter's canonical unit. */
export const PER_MILLIMOLE: Readonly<Record<TitratedParameter, number>> = {
	alkalinity: dkhFromMeqPerL(1),
	calcium: MOLAR_MASS.calcium,
	magnesium: MOLAR_MASS.magnesium,
	potassium: MOLAR_MASS.potassium,
	hardness: 1 / UNITS['mmol-per-l-gh'].perCanonical
};

export function isTitrated(parameter: ParameterId): parameter is TitratedParameter {
	return Object.hasOwn(PER_MILLIMOLE, parameter);
}

/** Value in the canonical unit of what a volume of titrant took up, one for one. */
export function titratedValue(
	parameter: TitratedParameter,
	molPerL: number,
	deliveredMl: number,
	sampleMl: number
): number {
	return PER_MILLIMOLE[parameter] * millimolesPerL(molPerL, deliveredMl, sampleMl);
}
