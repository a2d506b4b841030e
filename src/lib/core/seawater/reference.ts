import { atLeast, atMost } from '../numeric/index.ts';
import { MOLAR_MASS } from '../quantity/index.ts';
import { standardUncertaintyOf } from '../uncertainty/index.ts';
import { densityNear } from './density/index.ts';

export type MajorIon = 'calcium' | 'magnesium' | 'potassium' | 'strontium' | 'boron';

/** mol per kg of reference sea water of S = 35. @see Millero et al. (2008), Deep-Sea Research I 55, 50 */
const MOL_PER_KG: Readonly<Record<MajorIon, number>> = {
	calcium: 0.0102821,
	magnesium: 0.0528171,
	potassium: 0.0102077,
	strontium: 0.0000907,
	boron: 0.0004151
};
/** Bicarbonate, twice the carbonate, borate and hydroxide of the same composition, eq per kg. */
const ALKALINITY_EQ_PER_KG = 0.0017177 + 2 * 0.0002389 + 0.0001008 + 0.0000079;
export const SULPHATE_MOL_PER_KG = 0.0282352;
export const FLUORIDE_MOL_PER_KG = 0.0000683;
export const REFERENCE_SALINITY = 35;

/** Density in kg/L, the bridge between per mass and per volume. */
function kgPerL(salinity: number, temperatureC: number): number {
	return densityNear(salinity, temperatureC) / 1000;
}

/**
 * A major ion in sea water of natural proportions.
 *
 * @param salinity practical salinity, 0 to 42
 * @returns mg per kg and mg per litre at the temperature
 * @example referenceIon('calcium', 35, 25).mgPerL // 421.705
 */
export function referenceIon(
	ion: MajorIon,
	salinity: number,
	temperatureC: number
): { readonly mgPerKg: number; readonly mgPerL: number } {
	const mgPerKg = MOL_PER_KG[ion] * MOLAR_MASS[ion] * 1000 * (salinity / REFERENCE_SALINITY);
	return { mgPerKg, mgPerL: mgPerKg * kgPerL(salinity, temperatureC) };
}

/** Total alkalinity of sea water of natural proportions, meq/L. @example referenceAlkalinity(35, 25) // 2.357987 */
export function referenceAlkalinity(salinity: number, temperatureC: number): number {
	return ALKALINITY_EQ_PER_KG * 1000 * (salinity / REFERENCE_SALINITY) * kgPerL(salinity, temperatureC);
}

/** Where constant proportions hold well enough to normalise. */
const NORMALISED_FROM = 20;
const NORMALISED_TO = 42;

/** Concentrations per litre are stated at this temperature, °C. */
const STATED_AT_C = 25;

/**
 * Factor from a concentration as read to the same water brought to S = 35: (35/S)·ρ(35, t)/ρ(S, t). Its relative
 * uncertainty is that of S.
 *
 * @param salinity practical salinity, 20 to 42
 * @throws {RangeError} outside
 * @example normalisingFactor(32.5, 25) // 1.078914
 */
export function normalisingFactor(salinity: number, temperatureC: number): number {
	if (!atLeast(salinity, NORMALISED_FROM) || !atMost(salinity, NORMALISED_TO)) {
		throw new RangeError(`salinity ${salinity} is outside ${NORMALISED_FROM} to ${NORMALISED_TO}`);
	}
	return (
		(REFERENCE_SALINITY / salinity) *
		(densityNear(REFERENCE_SALINITY, temperatureC) / densityNear(salinity, temperatureC))
	);
}

/** A number with the two parts of its standard uncertainty, in its own unit. */
interface Uncertain {
	readonly value: number;
	readonly uRandom: number;
	readonly uCommon: number;
}

/**
 * A major ion as it would be at S = 35, at 25 °C; the relative uncertainty of the salinity comes along.
 *
 * @param ion per litre, any unit
 * @param salinity practical salinity of the same water
 * @returns null where the salinity is outside 20 to 42, where proportions no longer hold
 */
export function atReferenceSalinity(
	ion: Uncertain,
	salinity: Uncertain
): { readonly value: number; readonly u: number } | null {
	if (!(salinity.value >= NORMALISED_FROM && salinity.value <= NORMALISED_TO)) return null;
	const factor = normalisingFactor(salinity.value, STATED_AT_C);
	const relative = standardUncertaintyOf(salinity) / salinity.value;
	return {
		value: factor * ion.value,
		u: factor * Math.hypot(ion.uRandom, ion.uCommon, ion.value * relative)
	};
}
