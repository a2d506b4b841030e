import { CONVENTIONS } from '../caution/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import { plausibleRangeOf, pointOf, type TestResult } from '../reading/index.ts';
import { standardUncertaintyOf } from '../uncertainty/index.ts';

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
	| 'volume'
	| 'alkalinity'
	| 'ph'
	| 'salinity'
	| 'temperature'
	| 'calcium'
	| 'magnesium'
	| 'potassium'
	| 'form';

const freshPh = {
	value: (CONVENTIONS.freshPhLeast.value + CONVENTIONS.freshPhWorst.value) / 2,
	half: (CONVENTIONS.freshPhWorst.value - CONVENTIONS.freshPhLeast.value) / 2
};

/** What is taken where nothing was measured: as wide as is plausible, pH on the kit's buffers. */
const PLAUSIBLE = {
	salt: {
		alkalinity: [CONVENTIONS.saltAlkalinity.value, 1],
		ph: [CONVENTIONS.saltPh.value, 0.15],
		salinity: [35, 1],
		temperature: [25, 1],
		calcium: [420, 25],
		magnesium: [1310, 60],
		potassium: [400, 25]
	},
	fresh: {
		alkalinity: [CONVENTIONS.freshAlkalinity.value, 0.3],
		ph: [freshPh.value, freshPh.half],
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
export const GUESSED_VOLUME_U = CONVENTIONS.guessedVolume.value;
export const KNOWN_VOLUME_U = CONVENTIONS.knownVolume.value;

/**
 * A result as a number with its standard uncertainty. A bound is one too: the middle of what it leaves, as far as is
 * plausible beyond it, so that "above 8.8" is never taken for unread.
 */
export function knownFrom(result: TestResult): Known {
	const point = pointOf(result);
	if (point) return { value: point.value, u: Math.max(1e-9, standardUncertaintyOf(point)) };
	const { lower, upper } = plausibleRangeOf(result);
	return { value: (lower + upper) / 2, u: Math.max(1e-9, (upper - lower) / Math.sqrt(12)) };
}
