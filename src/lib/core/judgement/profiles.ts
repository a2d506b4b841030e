import type { ParameterId } from '../quantity/index.ts';
import type { Band } from './band.ts';

export interface TargetProfile {
	readonly name: string;
	/** Said beside every band that comes from it. */
	readonly source: string;
	readonly bands: Readonly<Partial<Record<ParameterId, Band>>>;
}

const CONVENTION = 'Conventional husbandry band';

/** Conventional starting bands by kind of water. Canonical units: dKH and mg/L. */
export const PROFILES = {
	'mixed-reef': {
		name: 'Mixed reef',
		source: CONVENTION,
		bands: { alkalinity: { low: 7.5, high: 9, aim: 8.2 }, calcium: { low: 410, high: 450, aim: 430 } }
	},
	'stony-low-nutrient': {
		name: 'Stony corals, low nutrient',
		source: CONVENTION,
		bands: { alkalinity: { low: 7, high: 8.3, aim: 7.6 }, calcium: { low: 410, high: 440, aim: 425 } }
	},
	'fish-only': {
		name: 'Fish only',
		source: CONVENTION,
		bands: { alkalinity: { low: 7, high: 10, aim: null }, calcium: { low: 380, high: 450, aim: null } }
	},
	cycling: { name: 'Cycling', source: CONVENTION, bands: { alkalinity: { low: 7, high: 11, aim: null } } },
	'soft-fresh': {
		name: 'Soft fresh water',
		source: CONVENTION,
		bands: { alkalinity: { low: 1, high: 2, aim: null } }
	},
	'community-fresh': {
		name: 'Community fresh water',
		source: CONVENTION,
		bands: { alkalinity: { low: 3, high: 8, aim: null } }
	}
} as const satisfies Record<string, TargetProfile>;

export type ProfileId = keyof typeof PROFILES;

export const PROFILE_IDS = Object.keys(PROFILES) as readonly ProfileId[];

export function isProfileId(text: string): text is ProfileId {
	return Object.hasOwn(PROFILES, text);
}
