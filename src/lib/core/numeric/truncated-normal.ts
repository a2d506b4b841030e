import { normalCdf, normalDensity } from './normal.ts';

export interface TruncatedMoments {
	/** Probability of the interval before the truncation. */
	readonly probability: number;
	readonly mean: number;
	readonly variance: number;
}

/** Below this width the two ends' densities cancel, and the moments are integrated instead. */
const NARROW = 0.3;

/** Nodes and weights of Gauss and Legendre on −1 … 1, six on each side (Abramowitz & Stegun 1964, 25.4.30). */
const GAUSS = [
	[0.1252334085114689, 0.2491470458134028],
	[0.3678314989981802, 0.2334925365383548],
	[0.5873179542866175, 0.2031674267230659],
	[0.7699026741943047, 0.1600783285433462],
	[0.9041172563704749, 0.1069393259953184],
	[0.9815606342467192, 0.0471753363865118]
] as const;

function integrated(alpha: number, beta: number): TruncatedMoments {
	const middle = (alpha + beta) / 2;
	const half = (beta - alpha) / 2;
	let [mass, first, second] = [0, 0, 0];
	for (const [node, weight] of GAUSS) {
		for (const sign of [-1, 1]) {
			const offset = sign * node * half;
			const density = weight * half * normalDensity(middle + offset, 0, 1);
			mass += density;
			first += density * offset;
			second += density * offset * offset;
		}
	}
	const shift = first / mass;
	return { probability: mass, mean: middle + shift, variance: second / mass - shift * shift };
}

/**
 * Mean and variance of a standard normal variable that is known to lie between α and β.
 *
 * @param alpha lower end, may be −Infinity
 * @param beta upper end, above alpha, may be Infinity
 * @throws {RangeError} unless alpha < beta
 * @see Johnson, Kotz & Balakrishnan (1994), Continuous Univariate Distributions 1, section 13.10.1
 * @example truncatedNormal(0, Infinity).mean // √(2/π) = 0.7978845608
 */
export function truncatedNormal(alpha: number, beta: number): TruncatedMoments {
	if (!(alpha < beta)) throw new RangeError(`the interval ${alpha} to ${beta} is empty`);
	if (beta - alpha < NARROW) return integrated(alpha, beta);
	// On the upper tail the distribution function loses its digits; its mirror keeps them.
	if (alpha > 0) {
		const mirror = truncatedNormal(-beta, -alpha);
		return { ...mirror, mean: -mirror.mean };
	}
	const [atAlpha, atBeta] = [normalDensity(alpha, 0, 1), normalDensity(beta, 0, 1)];
	const probability = normalCdf(beta) - normalCdf(alpha);
	const mean = (atAlpha - atBeta) / probability;
	const drawn =
		((alpha === -Infinity ? 0 : alpha * atAlpha) - (beta === Infinity ? 0 : beta * atBeta)) / probability;
	return { probability, mean, variance: 1 + drawn - mean * mean };
}
