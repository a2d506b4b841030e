import { fitLinearModel } from '../numeric/index.ts';

export interface Rate {
	/** Positive when the concentration falls, canonical unit per day. */
	readonly perDay: number;
	readonly u: number;
}

/**
 * Consumption between two tests: r = (C₀ + added − C₁)/Δt. A bias common to both tests cancels, so the random
 * parts of their uncertainties belong here.
 *
 * @throws {RangeError} unless days is above 0
 */
export function twoPointRate(
	first: { readonly value: number; readonly u: number },
	second: { readonly value: number; readonly u: number },
	days: number,
	added: { readonly value: number; readonly u: number } = { value: 0, u: 0 }
): Rate {
	if (!(days > 0)) throw new RangeError(`days between two tests must be above 0, not ${days}`);
	return {
		perDay: (first.value + added.value - second.value) / days,
		u: Math.hypot(first.u, second.u, added.u) / days
	};
}

export interface WeightedRate extends Rate {
	/** Level of the line at time 0, canonical unit. */
	readonly atStart: number;
	readonly chiSquared: number;
}

/**
 * Consumption over several tests: weighted least squares of (C − cumulative addition) on time. The stated
 * uncertainties are taken as known, so u does not grow with a bad fit; χ² tells of one.
 *
 * @param points time in days, at two different times at least
 * @throws {RangeError} when all times are equal
 */
export function weightedRate(
	points: readonly {
		readonly day: number;
		readonly value: number;
		readonly u: number;
		readonly cumulativeAdded: number;
	}[]
): WeightedRate {
	const fit = fitLinearModel({
		design: points.map((p) => [1, p.day]),
		observed: points.map((p) => p.value - p.cumulativeAdded),
		sd: points.map((p) => p.u),
		priorSd: [Infinity, Infinity]
	});
	return {
		perDay: -fit.coefficients[1]!,
		u: Math.sqrt(fit.covariance[1]![1]!),
		atStart: fit.coefficients[0]!,
		chiSquared: fit.chiSquared
	};
}
