import type { ParameterId } from '../quantity/index.ts';

/** A number with its standard uncertainty, and whether it was measured or had to be assumed. */
export interface Known {
	readonly value: number;
	readonly u: number;
	readonly assumed?: boolean;
}

/** What is known of a water before something is added to it. */
export interface WaterNow {
	/** Net volume, L. */
	readonly volumeL: Known;
	readonly fresh: boolean;
	readonly animals: boolean;
	/** Canonical units; what was not measured is missing. pH is on the kit's buffers. */
	readonly levels: Readonly<Partial<Record<ParameterId, Known>>>;
}

export type Assumption =
	'volume' | 'ph' | 'salinity' | 'temperature' | 'calcium' | 'magnesium' | 'potassium' | 'form';

/** What is taken where nothing was measured: as wide as is plausible, pH on the kit's buffers. */
const PLAUSIBLE = {
	salt: {
		ph: [8.15, 0.15],
		salinity: [35, 1],
		temperature: [25, 1],
		calcium: [420, 25],
		magnesium: [1310, 60],
		potassium: [400, 25]
	},
	fresh: {
		ph: [7, 0.5],
		salinity: [0, 0],
		temperature: [24, 1.5],
		calcium: [30, 20],
		magnesium: [8, 6],
		potassium: [4, 3]
	}
} as const;

type Assumable = keyof (typeof PLAUSIBLE)['salt'];

/** A level, measured or assumed; what is assumed says so. */
export function levelOr(water: WaterNow, parameter: Assumable): Known {
	const known = water.levels[parameter];
	if (known) return known;
	const [value, u] = PLAUSIBLE[water.fresh ? 'fresh' : 'salt'][parameter];
	return { value, u, assumed: true };
}

/** Relative standard uncertainty of a net volume that was guessed from the glass, and of one that was found by dose or filling. */
export const GUESSED_VOLUME_U = 0.1;
export const KNOWN_VOLUME_U = 0.04;
