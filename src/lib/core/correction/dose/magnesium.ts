import { massForRise } from './dose.ts';

/** Sulphate to chloride in sea water, by moles. @see Millero et al. (2008), Deep-Sea Research I 55, 50 */
const SULPHATE_PER_CHLORIDE = 0.0282352 / 0.5458696;

/**
 * Magnesium raised at the sea's own proportion of sulphate to chloride: mole fraction 2q/(1 + 2q) as sulphate.
 *
 * @param rise mg/L
 * @returns grams of each salt
 */
export function magnesiumSalts(
	rise: number,
	volumeL: number
): { readonly sulphateShare: number; readonly sulphateG: number; readonly chlorideG: number } {
	const sulphateShare = (2 * SULPHATE_PER_CHLORIDE) / (1 + 2 * SULPHATE_PER_CHLORIDE);
	return {
		sulphateShare,
		sulphateG: massForRise('MgSO4.7H2O', { raised: 'Mg', by: rise * sulphateShare, volumeL }),
		chlorideG: massForRise('MgCl2.6H2O', { raised: 'Mg', by: rise * (1 - sulphateShare), volumeL })
	};
}
