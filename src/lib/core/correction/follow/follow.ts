import { solvePositiveDefinite } from '../../numeric/index.ts';
import type { Known } from '../water-state.ts';

/** What was really added of a parameter, by the label and the volume that the keeper believes in. */
export interface GivenDose {
	/** Days since the plan began. */
	readonly day: number;
	readonly rise: number;
}

export interface FollowReading {
	readonly day: number;
	readonly value: number;
	/** Random standard uncertainty; what all readings of the kit share cancels. */
	readonly u: number;
}

export interface Followed {
	/** What the water answers to a dose, as a share of what was expected. */
	readonly response: { readonly value: number; readonly u: number };
	/** Net change a day besides the plan. */
	readonly drift: { readonly value: number; readonly u: number };
	readonly course: 'too-early' | 'on-course' | 'weaker' | 'stronger' | 'use-changed';
	/** How much better the best other explanation foresees the readings, as a natural logarithm. */
	readonly evidence: number;
	/** Of the readings so far against the curve, in standard deviations; null before the first. */
	readonly z: number | null;
}

/** Spread of an ordinary response: volume and strength are never quite what is believed. */
const ORDINARY_RESPONSE_U = 0.08;
/** What it is about when something is wrong, either way, and how far from that it may lie. */
const WEAK_RESPONSE = 0.7;
const STRONG_RESPONSE = 1.35;
const WRONG_RESPONSE_U = 0.15;
/**
 * How much better the readings must be explained before something is said to be wrong: a Bayes factor of about nine. The
 * curve of what smaller and larger ones cost stands in docs/calibration-corrections.md.
 */
export const NOTICE_LOG_ODDS = 2.2;
/** A change of use of about so much of a day's limit is looked for. */
const CHANGED_USE = 3;

interface Hypothesis {
	readonly response: number;
	readonly responseU: number;
	readonly driftU: number;
}

/** What was expected when the plan began. */
interface Origin {
	/** Its random uncertainty only. */
	readonly start: Known;
	/** Net change a day besides the plan. */
	readonly drift: { readonly value: number; readonly u: number };
	/** What a day may change, the scale of a changed use. */
	readonly limitPerDay: number;
}

interface Weighed {
	readonly logLikelihood: number;
	readonly response: { readonly value: number; readonly u: number };
	readonly drift: { readonly value: number; readonly u: number };
}

const addedUntil = (doses: readonly GivenDose[], day: number) =>
	doses.reduce((sum, d) => sum + (d.day < day ? d.rise : 0), 0);

/** Log-likelihood of the readings and what they make of response and drift, all Gaussian. */
function weigh(
	{ start, drift }: Origin,
	doses: readonly GivenDose[],
	readings: readonly FollowReading[],
	{ response, responseU, driftU }: Hypothesis
): Weighed {
	const D = readings.map((r) => addedUntil(doses, r.day));
	const t = readings.map((r) => r.day);
	const residual = readings.map((r, i) => r.value - start.value - response * D[i]! - drift.value * t[i]!);
	const C = readings.map((a, i) =>
		readings.map(
			(_b, j) =>
				(i === j ? a.u * a.u : 0) +
				start.u * start.u +
				responseU * responseU * D[i]! * D[j]! +
				driftU * driftU * t[i]! * t[j]!
		)
	);
	const solved = solvePositiveDefinite(C, residual);
	const chi2 = residual.reduce((sum, r, i) => sum + r * solved[i]!, 0);
	const posterior = (shape: readonly number[], priorU: number, prior: number) => {
		const seen = solvePositiveDefinite(C, shape);
		const gain = shape.reduce((sum, s, i) => sum + s * solved[i]!, 0);
		const known = shape.reduce((sum, s, i) => sum + s * seen[i]!, 0);
		return {
			value: prior + priorU * priorU * gain,
			u: priorU * Math.sqrt(Math.max(1e-6, 1 - priorU * priorU * known))
		};
	};
	return {
		logLikelihood: -0.5 * chi2 - 0.5 * logDeterminant(C),
		response: posterior(D, responseU, response),
		drift: posterior(t, driftU, drift.value)
	};
}

function logDeterminant(matrix: readonly (readonly number[])[]): number {
	const a = matrix.map((row) => [...row]);
	let sum = 0;
	for (let k = 0; k < a.length; k++) {
		sum += Math.log(a[k]![k]!);
		for (let i = k + 1; i < a.length; i++) {
			const factor = a[i]![k]! / a[k]![k]!;
			for (let j = k; j < a.length; j++) a[i]![j]! -= factor * a[k]![j]!;
		}
	}
	return sum;
}

/**
 * Whether a plan runs as it should. Three explanations are weighed by how well they foresee the readings: all is
 * ordinary, the water answers to doses otherwise than expected (a product weaker or stronger than its label, a volume
 * that is not what is believed), or its use has changed.
 */
export function follow(
	origin: Origin,
	doses: readonly GivenDose[],
	readings: readonly FollowReading[]
): Followed {
	const { start, drift, limitPerDay } = origin;
	const later = readings.filter((r) => r.day > 0);
	const ordinary: Hypothesis = { response: 1, responseU: ORDINARY_RESPONSE_U, driftU: drift.u };
	const nothing = { value: 1, u: ORDINARY_RESPONSE_U };
	if (later.length === 0 || addedUntil(doses, later.at(-1)!.day) === 0) {
		return { response: nothing, drift, course: 'too-early', evidence: 0, z: null };
	}
	const usual = weigh(origin, doses, later, ordinary);
	const [weak, strong] = [WEAK_RESPONSE, STRONG_RESPONSE].map((response) =>
		weigh(origin, doses, later, { response, responseU: WRONG_RESPONSE_U, driftU: drift.u })
	) as [Weighed, Weighed];
	const wrong = weak.logLikelihood >= strong.logLikelihood ? weak : strong;
	const changed = weigh(origin, doses, later, {
		response: 1,
		responseU: ORDINARY_RESPONSE_U,
		driftU: Math.hypot(drift.u, limitPerDay / CHANGED_USE)
	});
	const last = later.at(-1)!;
	const expected = start.value + addedUntil(doses, last.day) + drift.value * last.day;
	const sd = Math.hypot(
		start.u,
		last.u,
		ORDINARY_RESPONSE_U * addedUntil(doses, last.day),
		drift.u * last.day
	);
	const z = (last.value - expected) / sd;
	const best = wrong.logLikelihood >= changed.logLikelihood ? wrong : changed;
	const evidence = best.logLikelihood - usual.logLikelihood;
	if (evidence < NOTICE_LOG_ODDS) {
		return { response: usual.response, drift: usual.drift, course: 'on-course', evidence, z };
	}
	if (best === changed) {
		return { response: usual.response, drift: changed.drift, course: 'use-changed', evidence, z };
	}
	return {
		response: wrong.response,
		drift: wrong.drift,
		course: wrong.response.value < 1 ? 'weaker' : 'stronger',
		evidence,
		z
	};
}

/** No product is believed to be further from its label. */
const LEAST_RESPONSE = 0.5;
const MOST_RESPONSE = 1.5;

/** What the rest of a plan reckons with: the answer as seen, less boldly by its uncertainty. */
export function cautiousResponse({ value, u }: { readonly value: number; readonly u: number }): number {
	const bold = value < 1 ? Math.min(1, value + u) : Math.max(1, value - u);
	return Math.min(MOST_RESPONSE, Math.max(LEAST_RESPONSE, bold));
}

/**
 * What several parameters say together: where every product answers alike, the volume is likelier wrong than all
 * labels; where one differs, its product is.
 *
 * @returns net volume by dose and response, L, where that is the likelier reason
 */
export function sharedReason(
	responses: readonly { readonly value: number; readonly u: number }[],
	volumeL: number
):
	| { readonly kind: 'volume'; readonly volumeL: Known }
	| { readonly kind: 'product' }
	| { readonly kind: 'either'; readonly volumeL: Known } {
	const weights = responses.map((r) => 1 / r.u ** 2);
	const sum = weights.reduce((a, b) => a + b, 0);
	const mean = responses.reduce((s, r, i) => s + r.value * weights[i]!, 0) / sum;
	const u = Math.sqrt(1 / sum);
	const net = { value: volumeL / mean, u: (volumeL / mean) * (u / mean) };
	if (responses.length < 2) return { kind: 'either', volumeL: net };
	const alike = responses.every((r) => Math.abs(r.value - mean) <= 2 * r.u);
	return alike ? { kind: 'volume', volumeL: net } : { kind: 'product' };
}
