import { meqPerLFromDkh, MOLAR_MASS } from '../../quantity/index.ts';

/** Salts that raise carbonate hardness alone, general hardness alone, or both, in fresh water. */
export const FRESH_SALTS = {
	'sodium-bicarbonate': { raises: ['kh'], slow: false },
	'potassium-bicarbonate': { raises: ['kh'], slow: false },
	'calcium-chloride': { raises: ['gh'], slow: false },
	'magnesium-sulphate': { raises: ['gh'], slow: false },
	'coral-gravel': { raises: ['kh', 'gh'], slow: true }
} as const satisfies Readonly<Record<string, { raises: readonly ('kh' | 'gh')[]; slow: boolean }>>;
export type FreshSalt = keyof typeof FRESH_SALTS;

/** g/mol. */
const NAHCO3 = 84.0058;
const KHCO3 = 100.114;
const CACL2_2H2O = 147.008;
const MGSO4_7H2O = 246.466;
/** mmol/L of calcium and magnesium in a degree of general hardness: 10 mg/L of CaO. */
const MMOL_PER_DGH = 10 / MOLAR_MASS.calciumOxide;

/**
 * Grams of a salt for a rise of hardness in fresh water; coral gravel has none: it dissolves as the water asks.
 *
 * @param degrees dKH or dGH, above 0
 * @param volumeL above 0
 * @example freshSaltFor('sodium-bicarbonate', 1, 100) // 2.996
 */
export function freshSaltFor(
	salt: Exclude<FreshSalt, 'coral-gravel'>,
	degrees: number,
	volumeL: number
): number {
	if (!(volumeL > 0)) throw new RangeError(`a volume must be above 0 L, not ${volumeL}`);
	const rise = Math.max(0, degrees);
	const mmol = { kh: meqPerLFromDkh(rise) * volumeL, gh: rise * MMOL_PER_DGH * volumeL };
	switch (salt) {
		case 'sodium-bicarbonate':
			return (mmol.kh * NAHCO3) / 1000;
		case 'potassium-bicarbonate':
			return (mmol.kh * KHCO3) / 1000;
		case 'calcium-chloride':
			return (mmol.gh * CACL2_2H2O) / 1000;
		case 'magnesium-sulphate':
			return (mmol.gh * MGSO4_7H2O) / 1000;
	}
}

/** The ways to a carbonate and a general hardness from where a water stands. */
export interface HardnessWay {
	readonly kh: { readonly salt: 'sodium-bicarbonate'; readonly grams: number } | null;
	readonly gh: { readonly salt: 'calcium-chloride' | 'magnesium-sulphate'; readonly grams: number }[];
	/** What no salt does: only thinner water lowers it. */
	readonly lower: readonly ('kh' | 'gh')[];
	/** Thinner water for it: the share of purified water that brings the harder one down. */
	readonly purifiedShare: number | null;
}

/** Calcium to magnesium by moles in water that fish know (convention). */
const CALCIUM_SHARE = 0.75;

/** Salts, or purified water, that bring fresh water from its hardness to another; after thinning, salts raise what is short. */
export function hardnessWay(
	from: { readonly kh: number; readonly gh: number },
	to: { readonly kh: number; readonly gh: number },
	volumeL: number
): HardnessWay {
	const lower = (['kh', 'gh'] as const).filter((h) => to[h] < from[h] - 1e-9);
	const keep = Math.min(1, ...lower.map((h) => to[h] / from[h]));
	const left = { kh: from.kh * keep, gh: from.gh * keep };
	const raise = { kh: to.kh - left.kh, gh: to.gh - left.gh };
	return {
		kh:
			raise.kh > 1e-9
				? { salt: 'sodium-bicarbonate', grams: freshSaltFor('sodium-bicarbonate', raise.kh, volumeL) }
				: null,
		gh:
			raise.gh > 1e-9
				? [
						{
							salt: 'calcium-chloride',
							grams: freshSaltFor('calcium-chloride', raise.gh * CALCIUM_SHARE, volumeL)
						},
						{
							salt: 'magnesium-sulphate',
							grams: freshSaltFor('magnesium-sulphate', raise.gh * (1 - CALCIUM_SHARE), volumeL)
						}
					]
				: [],
		lower,
		purifiedShare: lower.length > 0 ? 1 - keep : null
	};
}
