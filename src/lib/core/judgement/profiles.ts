import type { ParameterId } from '../quantity/index.ts';
import type { Band } from './band.ts';

export interface TargetProfile {
	readonly name: string;
	/** Said beside every band that comes from it. */
	readonly source: string;
	readonly bands: Readonly<Partial<Record<ParameterId, Band>>>;
}

const CONVENTION = 'Conventional husbandry band';

const band = (low: number | null, high: number | null, aim: number | null = null): Band => ({
	low,
	high,
	aim
});

/** Nothing is to be found: at or below the lowest colour that the shipped cards have above zero. */
const NONE_FOUND = { ammonia: band(null, 0.1), nitrite: band(null, 0.1) } as const;

/** Conventional starting bands by kind of water, canonical units. */
export const PROFILES = {
	'mixed-reef': {
		name: 'Mixed reef',
		source: CONVENTION,
		bands: {
			alkalinity: band(7.5, 9, 8.2),
			calcium: band(410, 450, 430),
			magnesium: band(1280, 1380, 1330),
			potassium: band(370, 420, 395),
			nitrate: band(2, 15, 6),
			phosphate: band(0.03, 0.12, 0.06),
			...NONE_FOUND,
			salinity: band(34, 36, 35),
			ph: band(7.8, 8.5),
			temperature: band(24.5, 26.5)
		}
	},
	'stony-low-nutrient': {
		name: 'Stony corals, low nutrient',
		source: CONVENTION,
		bands: {
			alkalinity: band(7, 8.3, 7.6),
			calcium: band(410, 440, 425),
			magnesium: band(1280, 1360, 1320),
			potassium: band(380, 415, 400),
			nitrate: band(1, 6, 3),
			phosphate: band(0.02, 0.07, 0.04),
			...NONE_FOUND,
			salinity: band(34.5, 35.5, 35),
			ph: band(7.9, 8.5),
			temperature: band(24.5, 26)
		}
	},
	'fish-only': {
		name: 'Fish only',
		source: CONVENTION,
		bands: {
			alkalinity: band(7, 10),
			calcium: band(380, 450),
			magnesium: band(1200, 1400),
			nitrate: band(null, 40),
			phosphate: band(null, 0.4),
			...NONE_FOUND,
			salinity: band(30, 36),
			ph: band(7.8, 8.5),
			temperature: band(23, 27)
		}
	},
	cycling: {
		name: 'Cycling',
		source: CONVENTION,
		bands: {
			alkalinity: band(7, 11),
			nitrate: band(null, 60),
			...NONE_FOUND,
			salinity: band(33, 36),
			ph: band(7.8, 8.5),
			temperature: band(24, 28)
		}
	},
	'soft-fresh': {
		name: 'Soft fresh water',
		source: CONVENTION,
		bands: {
			alkalinity: band(1, 2),
			hardness: band(2, 5),
			nitrate: band(null, 20),
			...NONE_FOUND,
			ph: band(5.5, 6.8),
			temperature: band(22, 26)
		}
	},
	'community-fresh': {
		name: 'Community fresh water',
		source: CONVENTION,
		bands: {
			alkalinity: band(3, 8),
			hardness: band(4, 12),
			nitrate: band(null, 40),
			...NONE_FOUND,
			ph: band(6.5, 7.8),
			temperature: band(22, 26)
		}
	}
} as const satisfies Record<string, TargetProfile>;

export type ProfileId = keyof typeof PROFILES;

export const PROFILE_IDS = Object.keys(PROFILES) as readonly ProfileId[];

export function isProfileId(text: string): text is ProfileId {
	return Object.hasOwn(PROFILES, text);
}
