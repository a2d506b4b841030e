import { nearlyEqual, normalDensity, atMost, roundTo } from '../numeric/index.ts';
import { titrationsOf, type Method } from '../method/index.ts';
import { derive, type RawReading, type SyringeReading } from '../reading/index.ts';
import type { Prediction } from '../trend/index.ts';

export type SlipKind = 'left-for-used' | 'decimal-point';

export interface SlipCandidate {
	readonly kind: SlipKind;
	/** The reading as it would be without the slip. */
	readonly reading: SyringeReading;
	readonly value: number;
	/** Posterior probability against the reading as entered and the other slips. */
	readonly probability: number;
}

export interface SlipAssessment {
	/** How far from expected, in standard deviations of (reading − prediction). */
	readonly z: number;
	/** Likeliest first. */
	readonly candidates: readonly SlipCandidate[];
	/** The one worth asking about, if any. */
	readonly ask: SlipCandidate | null;
}

/** Share of hand-entered readings with such a slip before anything is known (convention, not measured). */
const PRIOR: Readonly<Record<SlipKind, number>> = { 'left-for-used': 0.01, 'decimal-point': 0.005 };
/** A right reading now and then surprises because the water really changed; then it may be this much wider. */
const REAL_CHANGE = { share: 0.05, widening: 5 } as const;
/** Nobody is asked about a reading that is no surprise, however well a slip would fit. */
const SURPRISING_Z = 3;
const ASK_ABOVE = 0.5;

/** @returns z of a reading against a prediction, both with their standard uncertainties */
export function surprise(value: number, u: number, predicted: number, uPredicted: number): number {
	return (value - predicted) / Math.hypot(u, uPredicted);
}

/** Left taken for used: the same number on every filling, meant the other way round. */
function swapped(reading: SyringeReading): SyringeReading {
	return { ...reading, readAs: reading.readAs === 'left' ? 'used' : 'left' };
}

/** The last reading ten times as large or as small, where the syringe could have shown that. */
function shifted(method: Method, reading: SyringeReading, by: 10 | 0.1): SyringeReading | null {
	const last = reading.fills.at(-1);
	const meter = titrationsOf(method)[0]?.meter;
	if (!last || meter?.kind !== 'syringe') return null;
	const lowerMl = roundTo(last.end.lowerMl * by, 1e-6);
	const upperMl = roundTo(last.end.upperMl * by, 1e-6);
	const marks = lowerMl / meter.graduationMl;
	if (!atMost(upperMl, last.startMl) || !nearlyEqual(marks, Math.round(marks))) return null;
	return { ...reading, fills: [...reading.fills.slice(0, -1), { ...last, end: { lowerMl, upperMl } }] };
}

function valueOf(method: Method, reading: SyringeReading) {
	const derived = derive(method, reading);
	const result = derived.ok ? derived.value.outcomes[0].result : null;
	return result?.kind === 'value' ? result : null;
}

interface Hypothesis {
	readonly kind: SlipKind;
	readonly reading: SyringeReading;
	/** How much the value moves per unit of what was entered: densities are compared per entered millilitre. */
	readonly stretch: number;
}

function hypothesesOf(method: Method, reading: SyringeReading): Hypothesis[] {
	const all: Hypothesis[] = [{ kind: 'left-for-used', reading: swapped(reading), stretch: 1 }];
	for (const by of [10, 0.1] as const) {
		const moved = shifted(method, reading, by);
		if (moved) all.push({ kind: 'decimal-point', reading: moved, stretch: by });
	}
	return all;
}

/**
 * Weighs a reading as entered against the usual slips of the hand, by Bayes' rule. As entered it follows the
 * prediction, or, less often, a wider distribution because the water really changed; under a slip, the value
 * without the slip follows the prediction.
 *
 * @param expected what the water was predicted to be, canonical unit; the kit's common part is left out when
 *   the readings behind it come from the same kit, since it cancels
 * @returns null when the reading has no value to compare (a bound), cannot be derived, or is no syringe's
 */
export function weighSyringeReading(
	method: Method,
	reading: RawReading,
	expected: Prediction
): SlipAssessment | null {
	if (reading.form !== 'syringe') return null;
	const entered = valueOf(method, reading);
	if (!entered) return null;
	const { value, uRandom } = entered;
	const sd = Math.hypot(uRandom, expected.uRandom);
	const z = surprise(value, uRandom, expected.value, expected.uRandom);

	const weighed = hypothesesOf(method, reading).flatMap(({ kind, reading: alternative, stretch }) => {
		const other = valueOf(method, alternative)?.value;
		if (other === undefined || nearlyEqual(other, value)) return [];
		const weight = PRIOR[kind] * normalDensity(other, expected.value, sd) * stretch;
		return [{ kind, reading: alternative, value: other, weight }];
	});
	const rightShare = 1 - Object.values(PRIOR).reduce((sum, p) => sum + p, 0);
	const asEntered =
		rightShare *
		((1 - REAL_CHANGE.share) * normalDensity(value, expected.value, sd) +
			REAL_CHANGE.share * normalDensity(value, expected.value, sd * REAL_CHANGE.widening));
	const total = weighed.reduce((sum, w) => sum + w.weight, asEntered);
	const candidates = weighed
		.map(({ weight, ...rest }) => ({ ...rest, probability: total > 0 ? weight / total : 0 }))
		.sort((a, b) => b.probability - a.probability);
	const likeliest = candidates[0];
	const ask = likeliest && Math.abs(z) > SURPRISING_Z && likeliest.probability > ASK_ABOVE ? likeliest : null;
	return { z, candidates, ask };
}
