import { studentQuantile } from '../numeric/index.ts';

export interface BlandAltman {
	readonly n: number;
	/** Mean of the differences, first less second. */
	readonly bias: number;
	/** Standard deviation of the differences. */
	readonly sd: number;
	/** 95 % confidence interval of the bias. */
	readonly biasLow: number;
	readonly biasHigh: number;
	/** Limits of agreement, bias ± 1.96 sd, each with its own 95 % confidence interval. */
	readonly low: LimitOfAgreement;
	readonly high: LimitOfAgreement;
	/** Change of the difference with the level, and its standard uncertainty: proportional difference. */
	readonly slope: number;
	/** Null where nothing is known of it. */
	readonly uSlope: number | null;
}

/** Whether the difference is seen to change with the level: beyond twice the standard uncertainty of its slope. */
export function slopeIsSeen({ slope, uSlope }: Pick<BlandAltman, 'slope' | 'uSlope'>): boolean {
	return uSlope !== null && Math.abs(slope) > 2 * uSlope;
}

export interface LimitOfAgreement {
	readonly value: number;
	readonly from: number;
	readonly to: number;
}

/** Share of differences between the limits, as a normal deviate. */
const LIMITS = 1.96;
const LEAST_PAIRS = 3;
/** Below this many pairs the limits are too loose to tell anything (husbandry convention). */
export const PAIRS_TO_TELL = 8;

/**
 * Two methods read side by side over time: differences against means.
 *
 * @param x and y paired readings, one unit, at least three pairs
 * @throws {RangeError} on too few pairs, on lists of unequal length
 * @see Bland & Altman (1986), Lancet 327, 307; (1999), Statistical Methods in Medical Research 8, 135
 * @example blandAltman([7.8, 8.1, 8.4], [7.6, 8.0, 8.1]).bias // 0.2
 */
export function blandAltman(x: readonly number[], y: readonly number[]): BlandAltman {
	const n = x.length;
	if (y.length !== n) throw new RangeError(`${n} readings of one and ${y.length} of the other are no pairs`);
	if (n < LEAST_PAIRS) throw new RangeError(`at least ${LEAST_PAIRS} pairs, not ${n}`);
	const differences = x.map((a, i) => a - y[i]!);
	const means = x.map((a, i) => (a + y[i]!) / 2);
	const average = (list: readonly number[]) => list.reduce((sum, v) => sum + v, 0) / n;
	const bias = average(differences);
	const sd = Math.sqrt(differences.reduce((sum, d) => sum + (d - bias) ** 2, 0) / (n - 1));
	const t = studentQuantile(0.975, n - 1);
	const ofBias = (t * sd) / Math.sqrt(n);
	const ofLimit = t * sd * Math.sqrt(1 / n + LIMITS ** 2 / (2 * (n - 1)));
	const limit = (value: number): LimitOfAgreement => ({ value, from: value - ofLimit, to: value + ofLimit });

	const middle = average(means);
	const spread = means.reduce((sum, m) => sum + (m - middle) ** 2, 0);
	const slope =
		spread > 0 ? means.reduce((sum, m, i) => sum + (m - middle) * (differences[i]! - bias), 0) / spread : 0;
	const residual = differences.reduce((sum, d, i) => sum + (d - bias - slope * (means[i]! - middle)) ** 2, 0);
	return {
		n,
		bias,
		sd,
		biasLow: bias - ofBias,
		biasHigh: bias + ofBias,
		low: limit(bias - LIMITS * sd),
		high: limit(bias + LIMITS * sd),
		slope,
		// Where every pair stands at one level, nothing is known of how the difference changes with it.
		uSlope: spread > 0 ? Math.sqrt(residual / (n - 2) / spread) : null
	};
}
