import { atMost, chiSquaredQuantile } from '../numeric/index.ts';

export interface WeightedMean {
	readonly mean: number;
	/** As the stated uncertainties have it. */
	readonly uInternal: number;
	readonly chiSquared: number;
	readonly chiSquaredCritical: number;
	readonly birgeRatio: number;
	/** Widened by the Birge ratio where the values scatter more than their uncertainties allow. */
	readonly u: number;
	readonly consistent: boolean;
}

/**
 * Mean weighted by 1/u², checked for consistency by χ² at 95 %.
 *
 * @param values and their standard uncertainties, two or more, one unit
 * @throws {RangeError} on fewer than two, or on an uncertainty of 0 or less
 * @see Birge (1932), Phys. Rev. 40, 207
 * @example weightedMean([7.9, 8.2, 8.05], [0.15, 0.2, 0.1]).mean // 8.032787
 */
export function weightedMean(values: readonly number[], us: readonly number[]): WeightedMean {
	if (values.length < 2 || values.length !== us.length) {
		throw new RangeError('two or more values, each with its uncertainty');
	}
	if (us.some((u) => !(u > 0))) throw new RangeError('every uncertainty must be above 0');
	const weights = us.map((u) => 1 / (u * u));
	const total = weights.reduce((sum, w) => sum + w, 0);
	const mean = values.reduce((sum, x, i) => sum + weights[i]! * x, 0) / total;
	const chiSquared = values.reduce((sum, x, i) => sum + weights[i]! * (x - mean) ** 2, 0);
	const degrees = values.length - 1;
	const chiSquaredCritical = chiSquaredQuantile(0.95, degrees);
	const birgeRatio = Math.sqrt(chiSquared / degrees);
	const uInternal = 1 / Math.sqrt(total);
	return {
		mean,
		uInternal,
		chiSquared,
		chiSquaredCritical,
		birgeRatio,
		u: uInternal * Math.max(1, birgeRatio),
		consistent: atMost(chiSquared, chiSquaredCritical)
	};
}
