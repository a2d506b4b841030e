import { pointOf, type TestResult } from '../reading/index.ts';
import { SURPRISING_Z } from '../trend/index.ts';
import { standardUncertaintyOf } from '../uncertainty/index.ts';
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
	const probabilities = band ? againstBand(value, u, band) : null;
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

/**
 * Judges a result of any kind by itself. A bound is one: "above 8.8" lies above a band that ends at 8.4, as surely as a
 * number would.
 *
 * @returns null where a bound leaves both sides of a limit open
 */
export function judgeResult(result: TestResult, band: Band | null): Verdict | null {
	const point = pointOf(result);
	if (point) return judge(point.value, Math.max(standardUncertaintyOf(point), LEAST_U), band, null);
	if (!band || result.kind !== 'bound') return null;
	const probabilities = boundAgainstBand(result.sense, result.limit, band);
	return probabilities && { ...gradeOf(probabilities), band, probabilities, expectation: null };
}
