import { normalCdf } from '../numeric/index.ts';

/** What is known of a method's own error apart from this comparison: of a standard, of a laboratory, or only its claim. */
export interface OwnError {
	/** What it was found to read too high; 0 where nobody looked. */
	readonly bias: number;
	/** Standard uncertainty of that, or the error that the method admits, above 0. */
	readonly u: number;
}

export interface LikelierOff {
	/** Probability that the first one's error is the larger of the two. */
	readonly first: number;
	/** Errors as they are believed to be, the difference seen included: first, second. */
	readonly errors: readonly [number, number];
	/** Which one to suspect; null while the odds are not at least four to one. */
	readonly suspect: 'first' | 'second' | null;
}

const SUSPECTED = 0.8;
const STEPS = 400;
/** Reach of the sum, standard deviations on either side. */
const REACH = 6;

/**
 * Which of two methods is likelier off, given how far apart they read: both errors are normal about what is known of
 * them, and their difference is the one seen.
 *
 * @param difference first less second, with its standard uncertainty by scatter
 * @throws {RangeError} when an uncertainty is not above 0
 * @example likelierOff({ value: 0.9, u: 0.1 }, { bias: 0, u: 0.1 }, { bias: 0, u: 0.4 }).suspect // 'second'
 */
export function likelierOff(
	difference: { readonly value: number; readonly u: number },
	first: OwnError,
	second: OwnError
): LikelierOff {
	if (!(first.u > 0 && second.u > 0 && difference.u > 0)) throw new RangeError('an error needs a spread');
	const variance = first.u ** 2 + second.u ** 2 + difference.u ** 2;
	const surprise = difference.value - (first.bias - second.bias);
	const a = first.bias + (first.u ** 2 / variance) * surprise;
	const b = second.bias - (second.u ** 2 / variance) * surprise;
	const varA = first.u ** 2 * (1 - first.u ** 2 / variance);
	const varB = second.u ** 2 * (1 - second.u ** 2 / variance);
	const covariance = (first.u ** 2 * second.u ** 2) / variance;
	// P(|a| > |b|) by summing over a: given a, b is normal, and has to lie between −|a| and |a|.
	const sdA = Math.sqrt(varA);
	let inside = 0;
	let all = 0;
	for (let i = 0; i <= STEPS; i++) {
		const z = -REACH + (2 * REACH * i) / STEPS;
		const x = a + z * sdA;
		const weight = Math.exp(-0.5 * z * z);
		const middle = b + (covariance / varA) * (x - a);
		const sd = Math.sqrt(Math.max(1e-18, varB - covariance ** 2 / varA));
		const size = Math.abs(x);
		inside += weight * (normalCdf((size - middle) / sd) - normalCdf((-size - middle) / sd));
		all += weight;
	}
	const share = inside / all;
	return {
		first: share,
		errors: [a, b],
		suspect: share >= SUSPECTED ? 'first' : share <= 1 - SUSPECTED ? 'second' : null
	};
}
