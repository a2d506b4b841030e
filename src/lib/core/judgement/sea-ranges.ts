import type { ParameterId } from '../quantity/index.ts';
import { referenceIon } from '../seawater/index.ts';

/** Seas that a bottle may come from, and how deep. */
export const SEAS = [
	'atlantic-surface',
	'atlantic-deep',
	'indian-surface',
	'indian-deep',
	'pacific-surface',
	'pacific-deep',
	'mediterranean'
] as const;
export type Sea = (typeof SEAS)[number];

type Range = readonly [low: number, high: number];

/**
 * Practical salinity of the warm seas, surface and about 1000 m, rounded to halves of what maps show.
 *
 * @see World Ocean Atlas 2018, volume 2 (Zweng et al. 2019); Mediterranean: Tomczak and Godfrey (2003)
 */
const SALINITY: Readonly<Record<Sea, Range>> = {
	'atlantic-surface': [35, 37.5],
	'atlantic-deep': [34.5, 35.5],
	'indian-surface': [33.5, 36.5],
	'indian-deep': [34.5, 35.5],
	'pacific-surface': [33.5, 36],
	'pacific-deep': [34.4, 34.7],
	mediterranean: [36.5, 39.5]
};

/**
 * Total alkalinity, µmol/kg, rounded.
 *
 * @see Lee et al. (2006), Geophys. Res. Lett. 33, L19605 (surface); Key et al. (2004), Global Biogeochem. Cycles 18, GB4031
 */
const ALKALINITY_UMOL_PER_KG: Readonly<Record<Sea, Range>> = {
	'atlantic-surface': [2300, 2450],
	'atlantic-deep': [2290, 2350],
	'indian-surface': [2220, 2370],
	'indian-deep': [2320, 2400],
	'pacific-surface': [2200, 2360],
	'pacific-deep': [2350, 2430],
	mediterranean: [2380, 2660]
};

/**
 * Nitrate and phosphate, µmol/kg, rounded: nearly none where there is light, much where nothing takes it up.
 *
 * @see World Ocean Atlas 2018, volume 4 (Garcia et al. 2019)
 */
const NITRATE_UMOL_PER_KG: Readonly<Record<Sea, Range>> = {
	'atlantic-surface': [0, 1],
	'atlantic-deep': [15, 32],
	'indian-surface': [0, 1],
	'indian-deep': [30, 40],
	'pacific-surface': [0, 4],
	'pacific-deep': [38, 46],
	mediterranean: [0, 1]
};
const PHOSPHATE_UMOL_PER_KG: Readonly<Record<Sea, Range>> = {
	'atlantic-surface': [0, 0.3],
	'atlantic-deep': [1, 2.2],
	'indian-surface': [0, 0.4],
	'indian-deep': [2.1, 2.8],
	'pacific-surface': [0.05, 0.6],
	'pacific-deep': [2.6, 3.3],
	mediterranean: [0, 0.1]
};

/**
 * pH on the total scale, in place; a bottle that was opened, or warmed, shows another.
 *
 * @see Lauvset et al. (2020), Global Biogeochem. Cycles 34, e2019GB006229
 */
const PH: Readonly<Record<Sea, Range>> = {
	'atlantic-surface': [8, 8.15],
	'atlantic-deep': [7.7, 8],
	'indian-surface': [8, 8.1],
	'indian-deep': [7.6, 7.8],
	'pacific-surface': [7.95, 8.15],
	'pacific-deep': [7.5, 7.7],
	mediterranean: [8, 8.15]
};

/** Ammonium of the open sea stays under this, µmol/kg (rounded handbook value); near coasts there is more. */
const AMMONIUM_UMOL_PER_KG: Range = [0, 0.5];

/** kg of sea water in a litre, near enough for ranges that are rounded. */
const KG_PER_L = 1.025;
const NITRATE_G_PER_MOL = 62.005;
const PHOSPHATE_G_PER_MOL = 94.971;
const AMMONIUM_G_PER_MOL = 18.039;
const DKH_PER_MEQ = 2.80385;
/** Concentrations per litre are stated at this temperature, °C. */
const STATED_AT_C = 25;
const IONS = { calcium: 'calcium', magnesium: 'magnesium', potassium: 'potassium' } as const;

const mgPerL = ([low, high]: Range, gPerMol: number): Range => [
	(low * KG_PER_L * gPerMol) / 1000,
	(high * KG_PER_L * gPerMol) / 1000
];

/**
 * What a sea holds of a parameter, canonical unit, from its usual lowest to its usual highest.
 *
 * @returns null for what has no natural range
 * @example seaRangeOf('nitrate', 'pacific-deep') // 2.4 to 2.9 mg/L
 */
export function seaRangeOf(
	parameter: ParameterId,
	sea: Sea
): { readonly low: number; readonly high: number } | null {
	const range = rangeOf(parameter, sea);
	return range && { low: range[0], high: range[1] };
}

function rangeOf(parameter: ParameterId, sea: Sea): Range | null {
	switch (parameter) {
		case 'salinity':
			return SALINITY[sea];
		case 'alkalinity': {
			const [low, high] = ALKALINITY_UMOL_PER_KG[sea];
			return [(low * KG_PER_L * DKH_PER_MEQ) / 1000, (high * KG_PER_L * DKH_PER_MEQ) / 1000];
		}
		case 'nitrate':
			return mgPerL(NITRATE_UMOL_PER_KG[sea], NITRATE_G_PER_MOL);
		case 'phosphate':
			return mgPerL(PHOSPHATE_UMOL_PER_KG[sea], PHOSPHATE_G_PER_MOL);
		case 'ammonia':
			return mgPerL(AMMONIUM_UMOL_PER_KG, AMMONIUM_G_PER_MOL);
		case 'ph':
			return PH[sea];
		default: {
			if (!(parameter in IONS)) return null;
			// In constant proportion to salinity.
			const ion = IONS[parameter as keyof typeof IONS];
			const [low, high] = SALINITY[sea];
			return [referenceIon(ion, low, STATED_AT_C).mgPerL, referenceIon(ion, high, STATED_AT_C).mgPerL];
		}
	}
}
