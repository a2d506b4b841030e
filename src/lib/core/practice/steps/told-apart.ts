import { colourDifference, seenBy, VISIONS, type Vision } from '../../colour/index.ts';
import { normalCdf, normalQuantile } from '../../numeric/index.ts';

/** One question: a vial of one of two neighbouring steps, and whether it was taken for the right one. */
export interface PairAnswer {
	/** The lower step's place in the row. */
	readonly pair: number;
	readonly right: boolean;
}

/** What is known of one pair of neighbouring steps. */
export interface PairKnown {
	readonly pair: number;
	readonly asked: number;
	readonly right: number;
	/** Expected share of right answers, 0.5 by chance. */
	readonly share: number;
	/** Probability that this person does not tell the two apart. */
	readonly mixedUp: number;
	readonly verdict: 'told' | 'mixed up' | 'not yet known';
}

/** Of two colours that lie so near that they are taken for each other: right in under 60 % of answers. Told: above 90 %. */
export const UNTOLD = 0.6;
export const TOLD = 0.9;
/** Questions of one row. */
export const MOST_QUESTIONS = 40;

/** Shares of right answers, by chance up to always. */
const SHARES: readonly number[] = Array.from({ length: 50 }, (_, i) => 0.505 + i * 0.01);
const PROBITS = SHARES.map((p) => normalQuantile(p));
/** Between the two nobody is accused and nobody acquitted; it counts for whichever is nearer. */
const MIDDLE = 0.74;
/** A pair is accused above the first, told below the second, and no more asked about beyond these. */
const ACCUSE_ABOVE = 0.5;
const TOLD_BELOW = 0.25;
const SETTLED = 0.03;
const LEAST_ASKED = 2;

/** Noise of an eye that compares, in CIEDE2000: from the best side by side to hardly seeing (choice). */
const NOISES: readonly number[] = Array.from({ length: 15 }, (_, i) => 1.2 * 1.27 ** i);
/** Kinds of eyes, how strongly they differ, and how many there are of them, roughly. */
const EYES: readonly { readonly vision: Vision; readonly severity: number; readonly share: number }[] = [
	{ vision: 'usual', severity: 0, share: 0.9 },
	...VISIONS.filter((v) => v !== 'usual').flatMap((vision) =>
		[0.5, 1].map((severity) => ({ vision, severity, share: vision === 'short' ? 0.004 : 0.02 }))
	)
];
/** A pair differs from what its distance says by so much, in normal deviates of the share: swatches are no vials (choice). */
const OWN_SD = 0.4;

/** Prior mass over the shares, for each pair and each kind of eye with each noise. */
interface Row {
	readonly pairs: number;
	readonly kinds: readonly number[];
	/** Of pair k and kind h at (k·kinds + h)·shares. */
	readonly mass: Float64Array;
}

const rows = new Map<string, Row>();
const MOST_ROWS = 60;

function rowOf(colours: readonly string[]): Row {
	const key = colours.join();
	const known = rows.get(key);
	if (known) return known;
	const pairs = colours.length - 1;
	const kinds = EYES.flatMap(({ share }) => NOISES.map(() => share / NOISES.length));
	const mass = new Float64Array(pairs * kinds.length * SHARES.length);
	for (let k = 0; k < pairs; k++) {
		EYES.forEach(({ vision, severity }, e) => {
			const distance = colourDifference(
				seenBy(colours[k]!, vision, severity),
				seenBy(colours[k + 1]!, vision, severity)
			);
			NOISES.forEach((noise, n) => {
				const at = (k * kinds.length + e * NOISES.length + n) * SHARES.length;
				// Two colours with the same noise on each: right in Φ(d/√2σ) of answers between two.
				const expected = distance / (Math.SQRT2 * noise);
				let sum = 0;
				PROBITS.forEach((z, i) => {
					const [from, to] = [
						i === 0 ? -Infinity : (PROBITS[i - 1]! + z) / 2,
						(z + (PROBITS[i + 1] ?? Infinity)) / 2
					];
					const m = normalCdf((to - expected) / OWN_SD) - normalCdf((from - expected) / OWN_SD);
					mass[at + i] = m + 1e-4;
					sum += m + 1e-4;
				});
				for (let i = 0; i < SHARES.length; i++) mass[at + i]! /= sum;
			});
		});
	}
	const row = { pairs, kinds, mass };
	if (rows.size >= MOST_ROWS) rows.clear();
	rows.set(key, row);
	return row;
}

interface Tally {
	readonly right: number;
	readonly wrong: number;
}

/** Likelihood of a pair's answers for each kind of eye: in all, where it is mixed up, and times the share of right answers. */
interface OfPair {
	readonly all: Float64Array;
	readonly below: Float64Array;
	readonly mean: Float64Array;
}

function ofPair({ kinds, mass }: Row, pair: number, { right, wrong }: Tally): OfPair {
	const likelihood = SHARES.map((p) => p ** right * (1 - p) ** wrong);
	const [all, below, mean] = [
		new Float64Array(kinds.length),
		new Float64Array(kinds.length),
		new Float64Array(kinds.length)
	];
	for (let h = 0; h < kinds.length; h++) {
		const at = (pair * kinds.length + h) * SHARES.length;
		for (let i = 0; i < SHARES.length; i++) {
			const m = mass[at + i]! * likelihood[i]!;
			all[h]! += m;
			mean[h]! += m * SHARES[i]!;
			if (SHARES[i]! < MIDDLE) below[h]! += m;
		}
	}
	return { all, below, mean };
}

/** Weight of each kind of eye by all pairs but one. */
function weights({ kinds }: Row, pairs: readonly OfPair[], but: number): Float64Array {
	const w = Float64Array.from(kinds);
	pairs.forEach(({ all }, k) => {
		if (k === but) return;
		for (let h = 0; h < w.length; h++) w[h]! *= all[h]!;
	});
	return w;
}

const dot = (a: Float64Array, b: Float64Array) => a.reduce((sum, x, i) => sum + x * b[i]!, 0);

function tallies(pairs: number, answers: readonly PairAnswer[]): Tally[] {
	return Array.from({ length: pairs }, (_, pair) => {
		const own = answers.filter((a) => a.pair === pair);
		const right = own.filter((a) => a.right).length;
		return { right, wrong: own.length - right };
	});
}

/**
 * What answers tell of each pair of neighbouring steps, by Bayes' rule. Each pair has a share of right answers of its own;
 * that of all of them together hangs on how finely this eye compares, and on what kind of eye it is.
 *
 * @param colours of the row, as CSS writes them
 * @see Green & Swets (1966), Signal Detection Theory and Psychophysics: Φ(d′/√2) of choices between two are right
 */
export function pairsKnown(colours: readonly string[], answers: readonly PairAnswer[]): readonly PairKnown[] {
	const row = rowOf(colours);
	const counted = tallies(row.pairs, answers);
	const pairs = counted.map((t, k) => ofPair(row, k, t));
	return counted.map(({ right, wrong }, pair) => {
		const w = weights(row, pairs, pair);
		const all = dot(w, pairs[pair]!.all);
		const mixedUp = dot(w, pairs[pair]!.below) / all;
		const asked = right + wrong;
		const verdict =
			asked < LEAST_ASKED
				? 'not yet known'
				: mixedUp > ACCUSE_ABOVE
					? 'mixed up'
					: mixedUp < TOLD_BELOW
						? 'told'
						: 'not yet known';
		return { pair, asked, right, share: dot(w, pairs[pair]!.mean) / all, mixedUp, verdict };
	});
}

/** Entropy of a yes or no, in nats. */
const doubt = (p: number) => (p <= 0 || p >= 1 ? 0 : -p * Math.log(p) - (1 - p) * Math.log(1 - p));

/**
 * The pair to ask about next: the one of which one more answer is expected to tell most, each at least twice.
 *
 * @returns null when all of them are settled, or the questions are used up
 * @see Lindley (1956), Annals of Mathematical Statistics 27, 986; Kontsevich & Tyler (1999), Vision Research 39, 2729
 */
export function nextPair(colours: readonly string[], answers: readonly PairAnswer[]): number | null {
	if (answers.length >= MOST_QUESTIONS) return null;
	const row = rowOf(colours);
	const counted = tallies(row.pairs, answers);
	const askedOf = (pair: number) => counted[pair]!.right + counted[pair]!.wrong;
	const places = counted.map((_, pair) => pair);
	const fresh = places.filter((pair) => askedOf(pair) < LEAST_ASKED);
	if (fresh.length > 0) return fresh.reduce((least, pair) => (askedOf(pair) < askedOf(least) ? pair : least));
	const pairs = counted.map((t, k) => ofPair(row, k, t));
	let best: { readonly pair: number; readonly gain: number } | null = null;
	for (const pair of places) {
		const w = weights(row, pairs, pair);
		const { all, below, mean } = pairs[pair]!;
		const total = dot(w, all);
		const now = dot(w, below) / total;
		if (now < SETTLED || now > 1 - SETTLED) continue;
		const pRight = dot(w, mean) / total;
		const after = (t: Tally) => {
			const next = ofPair(row, pair, t);
			return dot(w, next.below) / dot(w, next.all);
		};
		const { right, wrong } = counted[pair]!;
		const gain =
			doubt(now) -
			pRight * doubt(after({ right: right + 1, wrong })) -
			(1 - pRight) * doubt(after({ right, wrong: wrong + 1 }));
		if (!best || gain > best.gain) best = { pair, gain };
	}
	return best?.pair ?? null;
}
