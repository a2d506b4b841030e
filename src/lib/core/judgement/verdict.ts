import { pointOf, type IntervalResult, type TestResult } from '../reading/index.ts';
import { SURPRISING_Z } from '../trend/index.ts';
import { standardUncertaintyOf } from '../uncertainty/index.ts';
import { atLeast, atMost } from '../numeric/index.ts';
import { againstBand, boundAgainstBand, type Band, type BandProbabilities } from './band.ts';

export type Grade =
	'inside' | 'probably-inside' | 'cannot-tell' | 'probably-outside' | 'outside' | 'far-outside';

const OUTSIDE: ReadonlySet<Grade> = new Set<Grade>(['probably-outside', 'outside', 'far-outside']);

/** Whether a grade asks for something: outside its band, or probably so. */
export const isOutside = (grade: Grade | null | undefined): boolean => grade != null && OUTSIDE.has(grade);

/** From here on one side is called probable (husbandry convention, set so that 0.3 outside means "watch"). */
const PROBABLE = 0.7;

/** What the reading was expected to be, in canonical units. */
export interface Expectation {
	readonly value: number;
	/** Standard deviation of (reading − prediction). */
	readonly sd: number;
	readonly z: number;
	readonly fits: boolean;
}

export interface Verdict {
	/** Null where the water has no band for the parameter. */
	readonly grade: Grade | null;
	readonly side: 'low' | 'high' | null;
	readonly band: Band | null;
	readonly probabilities: BandProbabilities | null;
	readonly expectation: Expectation | null;
}

export function gradeOf(p: BandProbabilities): {
	readonly grade: Grade;
	readonly side: 'low' | 'high' | null;
} {
	const side = p.pBelow >= p.pAbove ? 'low' : 'high';
	if (p.decision === 'clear_in') return { grade: 'inside', side: null };
	const outside = p.far ? 'far-outside' : 'outside';
	if (p.decision === 'clear_low') return { grade: outside, side: 'low' };
	if (p.decision === 'clear_high') return { grade: outside, side: 'high' };
	if (p.pIn >= PROBABLE) return { grade: 'probably-inside', side: null };
	// Spread over the band and both its sides it says nothing of any: that is ignorance, no sign of trouble.
	if (Math.max(p.pBelow, p.pAbove) >= PROBABLE && !p.vague) return { grade: 'probably-outside', side };
	return { grade: 'cannot-tell', side };
}

/**
 * Judges a value against its band and against what was expected of the water.
 *
 * @param u standard uncertainty of the value, all parts
 * @param expected prediction with the standard deviation of (reading − prediction), or null without a history
 */
export function judge(
	value: number,
	u: number,
	band: Band | null,
	expected: { readonly value: number; readonly sd: number } | null
): Verdict {
	return verdictOf(value, band ? againstBand(value, u, band) : null, band, expected);
}

function verdictOf(
	value: number,
	probabilities: BandProbabilities | null,
	band: Band | null,
	expected: Parameters<typeof judge>[3]
): Verdict {
	const graded = probabilities ? gradeOf(probabilities) : { grade: null, side: null };
	const z = expected ? (value - expected.value) / expected.sd : 0;
	return {
		...graded,
		band,
		probabilities,
		expectation: expected ? { ...expected, z, fits: Math.abs(z) <= SURPRISING_Z } : null
	};
}

/** How small a standard uncertainty may be to be judged by. */
const LEAST_U = 1e-9;

/** "8, between 2 and 17" is inside a band to 15 for nobody who reads it: a side is clear where both ends are on it. */
function withBothEnds({ lower, upper }: IntervalResult, p: BandProbabilities, band: Band): BandProbabilities {
	const isClear =
		p.decision === 'clear_in'
			? (band.low === null || atLeast(lower, band.low)) && (band.high === null || atMost(upper, band.high))
			: p.decision === 'clear_low'
				? !atLeast(upper, band.low ?? 0)
				: !atMost(lower, band.high ?? 0);
	return isClear ? p : { ...p, decision: 'cannot_tell' };
}

/**
 * Judges a result of any kind. A bound is one: "above 8.8" lies above a band that ends at 8.4, as surely as a number
 * would. An interval is clearly on a side only with both its ends.
 *
 * @param expected as of `judge`; nothing is expected of a bound
 * @returns null where a bound leaves both sides of a limit open
 */
export function judgeResult(
	result: TestResult,
	band: Band | null,
	expected: Parameters<typeof judge>[3] = null
): Verdict | null {
	const point = pointOf(result);
	if (point) {
		const u = Math.max(standardUncertaintyOf(point), LEAST_U);
		const probabilities = band && againstBand(point.value, u, band);
		const whole =
			probabilities && result.kind === 'interval' ? withBothEnds(result, probabilities, band) : probabilities;
		return verdictOf(point.value, whole, band, expected);
	}
	if (!band || result.kind !== 'bound') return null;
	const probabilities = boundAgainstBand(result.sense, result.limit, band);
	return probabilities && { ...gradeOf(probabilities), band, probabilities, expectation: null };
}
