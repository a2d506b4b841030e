import { invertPositiveDefinite, type Matrix } from './cholesky.ts';

export interface LinearModel {
	/** One row of regressors per observation. */
	readonly design: Matrix;
	readonly observed: readonly number[];
	/** Standard uncertainty of each observation, in its unit. */
	readonly sd: readonly number[];
	/** Standard deviation of a zero-mean prior on each coefficient; Infinity where nothing is known. */
	readonly priorSd: readonly number[];
}

export interface LinearFit {
	readonly coefficients: readonly number[];
	readonly covariance: Matrix;
	/** Σ (residual / sd)², without the prior's share. */
	readonly chiSquared: number;
	readonly residuals: readonly number[];
}

/**
 * Weighted linear least squares with independent normal priors of mean zero on the coefficients:
 * β = (XᵀWX + Λ)⁻¹ XᵀWy with W = diag(1/sd²) and Λ = diag(1/priorSd²). With all priors infinite it is
 * the ordinary weighted fit, whose covariance takes the stated sd as known (no rescaling by χ²).
 *
 * @throws {RangeError} when the observations and priors do not determine every coefficient
 * @see Björck (1996), Numerical Methods for Least Squares Problems, section 2.1
 */
export function fitLinearModel(model: LinearModel): LinearFit {
	const { design, observed, sd, priorSd } = model;
	const normal = priorSd.map((s, j) => priorSd.map((_, k) => (j === k ? 1 / (s * s) : 0)));
	const right = priorSd.map(() => 0);
	design.forEach((row, i) => {
		const weight = 1 / (sd[i]! * sd[i]!);
		for (let j = 0; j < priorSd.length; j++) {
			right[j]! += weight * row[j]! * observed[i]!;
			for (let k = 0; k < priorSd.length; k++) normal[j]![k]! += weight * row[j]! * row[k]!;
		}
	});
	const covariance = invertPositiveDefinite(normal);
	const coefficients = covariance.map((row) => row.reduce((sum, v, k) => sum + v * right[k]!, 0));
	const residuals = design.map(
		(row, i) => observed[i]! - row.reduce((sum, x, j) => sum + x * coefficients[j]!, 0)
	);
	const chiSquared = residuals.reduce((sum, r, i) => sum + (r / sd[i]!) ** 2, 0);
	return { coefficients, covariance, chiSquared, residuals };
}
