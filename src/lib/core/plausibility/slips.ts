import type { Method } from '../method/index.ts';
import { nearlyEqual, normalCdf, normalDensity } from '../numeric/index.ts';
import { POSSIBLE_IN_WATER, type ParameterId } from '../quantity/index.ts';
import {
	boundsOf,
	deriveWith,
	pointOf,
	type KnownKit,
	type RawReading,
	type TestResult
} from '../reading/index.ts';
import { measurementNoise, type Prediction } from '../trend/index.ts';
import { hypothesesOf } from './hypotheses.ts';
import { USUAL_PRIORS, type SlipKind, type SlipPriors } from './priors.ts';

export interface SlipCandidate {
	readonly kind: SlipKind;
	/** The reading as it would be without the slip, and the method it was then made with. */
	readonly reading: RawReading;
	readonly method: Method;
	/** What it would then say of the method's own parameter. */
	readonly result: TestResult;
	/** Posterior probability against the reading as entered and the other slips. */
	readonly probability: number;
}

export interface SlipAssessment {
	/** How far from expected, in standard deviations of (reading − prediction). */
	readonly z: number;
	/** Likeliest first. */
	readonly candidates: readonly SlipCandidate[];
	/** Those worth asking about, at most two; empty when nothing is asked. */
	readonly ask: readonly SlipCandidate[];
}

/** What the water is expected to hold; null for what is not expected to be anything. */
export type Expected = (parameter: ParameterId) => Prediction | null;

/** A right reading now and then surprises because the water really changed; then it may be this much wider. */
const REAL_CHANGE = { share: 0.02, widening: 4 } as const;
/** A slip is asked about when all slips together are so likely (docs/calibration.md tells what that costs). */
const ASK_ABOVE = 0.3;
/** A second explanation is offered from here on. */
const WORTH_NAMING = 0.04;
const MOST_ASKED = 2;

/** Density of a value, probability of an interval or bound, given what was predicted with an sd of its own. */
function likelihood(result: TestResult, expected: Prediction, widening: number): number {
	const sd = widening * Math.hypot(measurementNoise(result), expected.uRandom);
	if (result.kind === 'value') return normalDensity(result.value, expected.value, sd);
	const { lower, upper } = boundsOf(result);
	const from = lower <= POSSIBLE_IN_WATER[result.parameter].least ? -Infinity : lower;
	return normalCdf(((upper ?? Infinity) - expected.value) / sd) - normalCdf((from - expected.value) / sd);
}

/** How far from expected, in standard deviations; of an interval or bound its nearer end. */
function zOf(result: TestResult, expected: Prediction): number {
	const sd = Math.hypot(measurementNoise(result), expected.uRandom);
	if (result.kind === 'value') return (result.value - expected.value) / sd;
	const { lower, upper } = boundsOf(result);
	if (expected.value < lower) return (lower - expected.value) / sd;
	return upper !== null && expected.value > upper ? (upper - expected.value) / sd : 0;
}

function resultsOf(method: Method, reading: RawReading, kit: KnownKit | null): readonly TestResult[] | null {
	const derived = deriveWith(method, reading, kit);
	return derived.ok ? derived.value.outcomes.map((o) => o.result) : null;
}

/** Likelihood of all that a run told and that something was expected of. */
function together(results: readonly TestResult[], expected: Expected, widening = 1): number {
	return results.reduce((product, result) => {
		const prediction = expected(result.parameter);
		return prediction ? product * likelihood(result, prediction, widening) : product;
	}, 1);
}

function same(a: readonly TestResult[], b: readonly TestResult[]): boolean {
	return (
		a.length === b.length &&
		a.every((x, i) => {
			const y = b[i]!;
			const [p, q] = [pointOf(x), pointOf(y)];
			return x.kind === y.kind && p !== null && q !== null && nearlyEqual(p.value, q.value);
		})
	);
}

/**
 * Weighs a reading as entered against the usual slips, by Bayes' rule. As entered it follows the prediction, or, less
 * often, a wider distribution because the water really changed; under a slip, what was meant follows the prediction.
 *
 * @param expected what the water was predicted to be, canonical unit; the kit's common part is left out, since the
 *   readings behind it come from the same kit and it cancels
 * @param others methods whose tables could be mixed up with this one's
 * @param kit what is known of the kit that was used; another method's table is not its own
 * @returns null when nothing was expected of it, or when it cannot be derived
 */
export function weighReading(
	method: Method,
	reading: RawReading,
	expected: Expected,
	{
		others = [],
		priors = USUAL_PRIORS,
		kit = null
	}: {
		readonly others?: readonly Method[] | undefined;
		readonly priors?: SlipPriors | undefined;
		readonly kit?: KnownKit | null;
	} = {}
): SlipAssessment | null {
	const entered = resultsOf(method, reading, kit);
	if (!entered?.some((r) => expected(r.parameter))) return null;
	const z = entered.reduce((most, result) => {
		const prediction = expected(result.parameter);
		const own = prediction ? zOf(result, prediction) : 0;
		return Math.abs(own) > Math.abs(most) ? own : most;
	}, 0);

	const weighed = hypothesesOf(method, reading, others).flatMap((h) => {
		const results = resultsOf(h.method, h.reading, h.method.code === method.code ? kit : null);
		// A value and a bound are told in different measures; what cannot be compared is left out.
		if (!results || results.some((r, i) => (r.kind === 'value') !== (entered[i]?.kind === 'value')))
			return [];
		if (same(results, entered)) return [];
		const weight = priors[h.kind] * h.share * h.stretch * together(results, expected);
		return [{ kind: h.kind, reading: h.reading, method: h.method, result: results[0]!, weight }];
	});
	const rightShare = 1 - Object.values(priors).reduce((sum, p) => sum + p, 0);
	const asEntered =
		rightShare *
		((1 - REAL_CHANGE.share) * together(entered, expected) +
			REAL_CHANGE.share * together(entered, expected, REAL_CHANGE.widening));
	const total = weighed.reduce((sum, w) => sum + w.weight, asEntered);
	const candidates = weighed
		.map(({ weight, ...rest }) => ({ ...rest, probability: total > 0 ? weight / total : 0 }))
		.sort((a, b) => b.probability - a.probability);
	const slipped = total > 0 ? 1 - asEntered / total : 0;
	const named = candidates.filter((c, i) => i === 0 || c.probability > WORTH_NAMING).slice(0, MOST_ASKED);
	return { z, candidates, ask: slipped > ASK_ABOVE && candidates.length > 0 ? named : [] };
}
