import type { ConcentrationInput } from '../balance/index.ts';
import { REFERENCE_SALINITY } from '../seawater/index.ts';
import type { TestResult } from '../reading/index.ts';
import type { Instant } from '../time/index.ts';
import type { Estimate, History, Observation, Prediction } from './estimate.ts';

/** A salinity known worse than this says nothing about what follows it. */
const KNOWN_WITHIN = 0.6;
const LEAST_READINGS = 3;

/** How salty a water was against the reference, 1 where that is not known well. */
interface Saltiness {
	readonly ratio: number;
	readonly u: number;
}

/** Tells it of any time, of the same time once: what follows the salinity was mostly read at the same moments. */
export type SaltinessAt = (at: Instant) => Saltiness;

export function saltinessBy(salinity: Estimate): SaltinessAt {
	const told = new Map<Instant, Saltiness>();
	return (at) => {
		const known = told.get(at) ?? saltinessAt(salinity, at);
		told.set(at, known);
		return known;
	};
}

function saltinessAt(salinity: Estimate, at: Instant): Saltiness {
	if (salinity.basedOn < LEAST_READINGS) return { ratio: 1, u: 0 };
	const { value, uRandom } = salinity.at(at);
	// The instrument's own error is the same going in and coming out.
	return uRandom > KNOWN_WITHIN || value < 5
		? { ratio: 1, u: 0 }
		: { ratio: value / REFERENCE_SALINITY, u: uRandom / REFERENCE_SALINITY };
}

function scaledResult(result: TestResult, by: number, relativeU: number): TestResult {
	switch (result.kind) {
		case 'value':
			return {
				...result,
				value: result.value * by,
				uRandom: Math.hypot(result.uRandom, result.value * relativeU) * by,
				uCommon: result.uCommon * by
			};
		case 'interval':
			return {
				...result,
				lower: result.lower * by,
				upper: result.upper * by,
				best: result.best === null ? null : result.best * by,
				uRandom: result.uRandom * by,
				uCommon: result.uCommon * by
			};
		case 'bound':
			return { ...result, limit: result.limit * by };
	}
}

/**
 * A major ion's history as it would be at S = 35, so that evaporation and topping up move nothing: every reading by the
 * salinity of its time, new water by its own.
 */
export function followSalinity(history: History, saltiness: SaltinessAt): History {
	const observations = history.observations.map((o): Observation => {
		const { ratio, u } = saltiness(o.at);
		return { ...o, result: scaledResult(o.result, 1 / ratio, u / ratio) };
	});
	const inputs = history.inputs.map((input): ConcentrationInput => {
		if (input.kind !== 'exchange' || !input.newWater) return input;
		const ratio = input.newSalinity
			? input.newSalinity.value / REFERENCE_SALINITY
			: saltiness(input.at).ratio;
		return { ...input, newWater: { value: input.newWater.value / ratio, u: input.newWater.u / ratio } };
	});
	return { ...history, observations, inputs };
}

/** The same estimate as the water holds it, at its own salinity. */
export function withSalinity(estimate: Estimate, salinity: Estimate): Estimate {
	return {
		get basedOn() {
			return estimate.basedOn;
		},
		get from() {
			return estimate.from;
		},
		get consumptionPerDay() {
			return estimate.consumptionPerDay;
		},
		get netChangePerDay() {
			return estimate.netChangePerDay;
		},
		get mostlyBounds() {
			return estimate.mostlyBounds;
		},
		get doubts() {
			return estimate.doubts.map((doubt) => {
				const { ratio } = saltinessAt(salinity, doubt.at);
				return { ...doubt, expected: doubt.expected * ratio, sd: doubt.sd * ratio };
			});
		},
		get changes() {
			return estimate.changes;
		},
		get couldShowSteps() {
			return estimate.couldShowSteps;
		},
		rateAt(time: Instant) {
			return estimate.rateAt(time);
		},
		at(time: Instant): Prediction {
			const { value, uRandom, uCommon } = estimate.at(time);
			const { ratio, u } = saltinessAt(salinity, time);
			return {
				value: value * ratio,
				uRandom: Math.hypot(uRandom * ratio, value * u),
				uCommon: uCommon * ratio
			};
		}
	};
}
