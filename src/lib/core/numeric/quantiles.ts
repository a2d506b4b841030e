import { betaI, gammaP } from './incomplete.ts';
import { normalCdf } from './normal.ts';
import { bisect } from './roots.ts';

function probability(p: number): number {
	if (!(p > 0 && p < 1)) throw new RangeError(`a probability must lie between 0 and 1, not ${p}`);
	return p;
}

/** @example normalQuantile(0.975) // 1.959963984540054 */
export function normalQuantile(p: number): number {
	return bisect((z) => normalCdf(z) - probability(p), -40, 40);
}

/**
 * Quantile of Student's distribution.
 *
 * @param degrees of freedom, 1 or more; Infinity is the normal distribution
 * @throws {RangeError} on a probability outside 0 to 1
 * @see Abramowitz & Stegun (1964), 26.7.1; their table 26.10 gives 2.447 for p = 0.975, ν = 6
 * @example studentQuantile(0.975, 6) // 2.4469118511
 */
export function studentQuantile(p: number, degrees: number): number {
	if (degrees === Infinity) return normalQuantile(p);
	if (!(degrees >= 1)) throw new RangeError(`degrees of freedom must be 1 or more, not ${degrees}`);
	const cdf = (t: number) => {
		const tail = betaI(degrees / (degrees + t * t), degrees / 2, 0.5) / 2;
		return t > 0 ? 1 - tail : tail;
	};
	return bisect((t) => cdf(t) - probability(p), -1e4, 1e4);
}

/**
 * Quantile of the χ² distribution.
 *
 * @see Abramowitz & Stegun (1964), 26.4; their table 26.8 gives 5.991 for p = 0.95, ν = 2
 * @example chiSquaredQuantile(0.95, 2) // 5.991464547
 */
export function chiSquaredQuantile(p: number, degrees: number): number {
	if (!(degrees >= 1)) throw new RangeError(`degrees of freedom must be 1 or more, not ${degrees}`);
	return bisect((x) => gammaP(degrees / 2, x / 2) - probability(p), 0, 20 * degrees + 200);
}
