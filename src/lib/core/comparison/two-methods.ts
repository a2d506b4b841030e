import { studentQuantile } from '../numeric/index.ts';
import { PAIRS_TO_TELL } from './bland-altman.ts';
import { comparePair } from './compare-pair.ts';

/** A reading of one method, any one unit. */
export interface Read {
	readonly value: number;
	readonly uRandom: number;
	/** Shared by every reading with that kit. */
	readonly uCommon: number;
}

export type TwoMethodGrade = 'agree' | 'differ' | 'cannot-tell';

export interface TwoMethodVerdict {
	readonly grade: TwoMethodGrade;
	/** Pairs that it stands on. */
	readonly n: number;
	/** First less second, with its standard uncertainty by scatter alone and its 95 % interval. */
	readonly difference: number;
	readonly u: number;
	readonly lower: number;
	readonly upper: number;
	/** The least difference that matters. */
	readonly matters: number;
	/** What both kits admit of their own common errors leaves room for the difference. */
	readonly withinClaims: boolean;
	/** They differ, but by less than matters. */
	readonly small: boolean;
	/** Fewer pairs than it takes to tell. */
	readonly tooFew: boolean;
}

/** The scatter that the kits state counts like so many pairs beside the scatter that was seen. */
const CLAIM_WEIGHT = 8;
/** "Differ" is said only where chance alone would say it once in fifty times. */
const SURE = 0.99;
const SHOWN = 0.975;
/** Degrees of freedom of a scatter that is stated, not seen. */
const ALL_KNOWN = 1e6;

const mean = (list: readonly number[]) => list.reduce((sum, x) => sum + x, 0) / list.length;

/** What a verdict is made from: a difference with its uncertainty, and what it is held against. */
interface Compared {
	readonly difference: number;
	readonly u: number;
	readonly degrees: number;
	readonly matters: number;
	/** A difference up to this is within what the kits state. */
	readonly claims: number;
	readonly n: number;
	readonly tooFew: boolean;
}

function graded({ difference, u, degrees, matters, claims, n, tooFew }: Compared): TwoMethodVerdict {
	const half = studentQuantile(SHOWN, degrees) * u;
	const differs = Math.abs(difference) > studentQuantile(SURE, degrees) * u;
	const lower = difference - half;
	const upper = difference + half;
	const agrees = lower > -matters && upper < matters;
	return {
		grade: tooFew ? 'cannot-tell' : differs ? 'differ' : agrees ? 'agree' : 'cannot-tell',
		n,
		difference,
		u,
		lower,
		upper,
		matters,
		withinClaims: Math.abs(difference) <= claims,
		small: Math.abs(difference) < matters,
		tooFew
	};
}

/**
 * Do two methods agree, over pairs of the same samples? They differ where no chance explains the mean difference; they
 * agree where its 95 % interval leaves no room for a difference that matters; else nobody can tell. The scatter of the
 * pairs is pooled with the scatter that the kits themselves state.
 *
 * @param pairs of one sample each
 * @param matters the least difference that matters, above 0, same unit
 * @throws {RangeError} on no pair, or where nothing at all scatters
 */
export function compareOverTime(
	pairs: readonly { readonly first: Read; readonly second: Read }[],
	matters: number
): TwoMethodVerdict {
	const n = pairs.length;
	if (n === 0) throw new RangeError('no pairs to compare');
	const differences = pairs.map(({ first, second }) => first.value - second.value);
	const difference = mean(differences);
	const seen = differences.reduce((sum, d) => sum + (d - difference) ** 2, 0);
	const stated = mean(pairs.map(({ first, second }) => first.uRandom ** 2 + second.uRandom ** 2));
	const degrees = CLAIM_WEIGHT + n - 1;
	const variance = (CLAIM_WEIGHT * stated + seen) / degrees;
	if (!(variance > 0)) throw new RangeError('readings without any uncertainty cannot be compared');
	const u = Math.sqrt(variance / n);
	const common = mean(pairs.map(({ first, second }) => Math.hypot(first.uCommon, second.uCommon)));
	const claims = 2 * Math.hypot(common, u);
	return graded({ difference, u, degrees, matters, claims, n, tooFew: n < PAIRS_TO_TELL });
}

/**
 * Do two methods agree on one sample? Here what is common to all readings of a kit counts as well: one sample cannot
 * tell a kit's own error from chance.
 *
 * @param first and second repeats of each, one or more
 * @throws {RangeError} on no reading
 */
export function compareOnce(
	first: readonly Read[],
	second: readonly Read[],
	matters: number
): TwoMethodVerdict {
	const side = (reads: readonly Read[]) => {
		if (reads.length === 0) throw new RangeError('nothing was read with one of the two');
		const random = Math.sqrt(mean(reads.map((r) => r.uRandom ** 2)) / reads.length);
		return {
			value: mean(reads.map((r) => r.value)),
			random,
			common: mean(reads.map((r) => r.uCommon))
		};
	};
	const [a, b] = [side(first), side(second)];
	const { difference, uDifference } = comparePair(
		{ value: a.value, u: Math.hypot(a.random, a.common) },
		{ value: b.value, u: Math.hypot(b.random, b.common) }
	);
	const n = Math.min(first.length, second.length);
	const known = { u: uDifference, degrees: ALL_KNOWN, claims: 2 * uDifference };
	const verdict = graded({ difference, ...known, matters, n, tooFew: false });
	// Here the claims are in the interval already: what it cannot explain is beyond them.
	return { ...verdict, withinClaims: verdict.grade !== 'differ' };
}
