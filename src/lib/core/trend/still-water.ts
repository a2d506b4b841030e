import type { ParameterId } from '../quantity/index.ts';
import { plausibleRangeOf, pointOf, unsoundness } from '../reading/index.ts';
import { daysBetween, type Instant } from '../time/index.ts';
import type { Estimate, Observation, Prediction } from './estimate.ts';
import type { WaterEstimate } from './water-estimate.ts';

/** How a water that nothing lives in keeps: a closed bottle and a barrel age, a tap flows. */
export type Keeping = 'stored' | 'flowing';

/**
 * What storage adds to the uncertainty of a level each day, relative to it (husbandry convention): what bacteria live
 * on goes first, what only evaporation moves goes last; warmth goes to the room's. pH is told in parts of itself, as it drifts by the hour.
 */
const AGEING_PER_DAY: Readonly<Record<ParameterId, number>> = {
	ammonia: 0.05,
	nitrite: 0.05,
	phosphate: 0.02,
	nitrate: 0.015,
	ph: 0.005,
	alkalinity: 0.002,
	calcium: 0.0005,
	magnesium: 0.0005,
	potassium: 0.0005,
	hardness: 0.0005,
	salinity: 0.0005,
	temperature: 0.02
};
/** No level that was read is known worse than to this, however long it stood. */
const MOST_AGEING = 0.5;

/** Readings of one water that stood still meanwhile, taken together; kits that differ are weighted by all they admit. */
function together(
	points: readonly {
		readonly value: number;
		readonly uRandom: number;
		readonly uCommon: number;
		readonly kit: string;
	}[]
): Prediction {
	const oneKit = new Set(points.map((p) => p.kit)).size === 1;
	const variance = (p: (typeof points)[number]) =>
		Math.max(1e-18, p.uRandom ** 2 + (oneKit ? 0 : p.uCommon ** 2));
	const weight = points.reduce((sum, p) => sum + 1 / variance(p), 0);
	return {
		value: points.reduce((sum, p) => sum + p.value / variance(p), 0) / weight,
		uRandom: Math.sqrt(1 / weight),
		// What one kit is off by no repeat averages away.
		uCommon: oneKit ? Math.max(...points.map((p) => p.uCommon)) : 0
	};
}

/** What was read of a water that stands still: it is that, and ages; nothing in it is used or made. */
class StillEstimate implements Estimate {
	readonly isStill = true;
	readonly consumptionPerDay = { value: 0, u: 0 };
	readonly netChangePerDay = { value: 0, u: 0 };
	readonly doubts = [];
	readonly changes = [];
	readonly couldShowSteps = false;
	readonly mostlyBounds: boolean;
	readonly basedOn: number;
	readonly from: Instant;
	readonly #last: Instant;
	readonly #read: Prediction;
	readonly #ageing: number;

	constructor(parameter: ParameterId, observations: readonly Observation[], keeping: Keeping) {
		const points = observations.flatMap(({ result, kit }) => {
			const point = pointOf(result);
			return point ? [{ value: point.value, uRandom: point.uRandom, uCommon: point.uCommon, kit }] : [];
		});
		this.mostlyBounds = points.length * 2 <= observations.length;
		this.basedOn = observations.length;
		this.from = observations[0]!.at;
		this.#last = observations.at(-1)!.at;
		this.#ageing = keeping === 'stored' ? AGEING_PER_DAY[parameter] : 0;
		const { lower, upper } = plausibleRangeOf(observations.at(-1)!.result);
		this.#read =
			points.length > 0
				? together(points)
				: {
						value: (lower + upper) / 2,
						uRandom: Math.max(1e-9, (upper - lower) / Math.sqrt(12)),
						uCommon: 0
					};
	}
	rateAt() {
		return { value: 0, u: 0 };
	}
	at(time: Instant): Prediction {
		const { value, uRandom, uCommon } = this.#read;
		const days = Math.max(0, daysBetween(this.#last, time));
		const aged = Math.abs(value) * Math.min(MOST_AGEING, this.#ageing * days);
		return { value, uRandom: Math.hypot(uRandom, aged), uCommon };
	}
}

/**
 * The estimate of a water that nothing lives in: what was read of it since it was drawn or mixed.
 *
 * @param histories one for each parameter, its observations in the order of time and of one filling
 */
export function estimateStill(
	histories: readonly { readonly parameter: ParameterId; readonly observations: readonly Observation[] }[],
	keeping: Keeping
): WaterEstimate {
	const known = new Map<ParameterId, Estimate>();
	for (const { parameter, observations } of histories) {
		const sound = observations.filter((o) => unsoundness(o.result) === null);
		if (sound.length > 0) known.set(parameter, new StillEstimate(parameter, sound, keeping));
	}
	return { of: (parameter) => known.get(parameter) ?? null, departure: null, leftOut: [] };
}
