import { colourDifference, type Vision } from '../../colour/index.ts';
import { normalCdf, type Random } from '../../numeric/index.ts';
import { cssOf, each, type Bands } from '../vial/light.ts';

/** A kind of cone by itself: what only it tells apart lies along its line. */
export type Line = Exclude<Vision, 'usual'>;
export const LINES: readonly Line[] = ['long', 'middle', 'short'];

/** Four patches of about one colour, of which one lies off along a line; each of a lightness of its own. */
export interface OddOne {
	readonly line: Line;
	/** How far it lies off, in CIEDE2000 as the usual eye has it. */
	readonly distance: number;
	readonly patches: readonly string[];
	readonly odd: number;
}

export interface OddAnswer {
	readonly line: Line;
	readonly distance: number;
	readonly right: boolean;
}

/**
 * Directions in linear light (long, middle, short) along which an eye without that kind of cone sees next to no
 * difference: the weakest directions of its matrices.
 *
 * @see Machado, Oliveira & Fernandes (2009), IEEE Transactions on Visualization and Computer Graphics 15, 1291, table 1
 */
const DIRECTIONS: Readonly<Record<Line, Bands>> = {
	long: [0.99, -0.143, 0],
	middle: [0.921, -0.388, 0.024],
	short: [0.116, -0.248, 0.962]
};
const GREY = 0.3;
const PATCHES = 4;
/** Patches differ in lightness by up to so much of it, so that light and dark tell nothing (choice). */
const JITTER = 0.22;
/** Chance alone, and an answer that went astray. */
const BY_CHANCE = 1 / PATCHES;
const LAPSE = 0.03;
/** Spread of the logarithm of the distance over which guessing turns into seeing (choice). */
const SLOPE = 0.5;
/** Thresholds that are weighed: CIEDE2000. */
const THRESHOLDS: readonly number[] = Array.from({ length: 25 }, (_, i) => 1.5 * 1.16 ** i);
const LEAST = 2;
const MOST = 45;
/** Questions on each line. */
export const ODD_QUESTIONS = 12;

const offGrey = (line: Line, amount: number, light: number): Bands =>
	each((b) => Math.max(0, light * (GREY + amount * DIRECTIONS[line][b])));

/** How far along a line a patch must lie off to be so far apart. The furthest that screens show where it is beyond them. */
function amountFor(line: Line, distance: number): number {
	let [low, high] = [0, 0.7];
	for (let n = 0; n < 24; n++) {
		const middle = (low + high) / 2;
		if (colourDifference(cssOf(offGrey(line, 0, 1)), cssOf(offGrey(line, middle, 1))) < distance)
			low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}

/** Four patches to find the odd one of. @param distance CIEDE2000, as the usual eye has it */
export function oddOne(random: Random, line: Line, distance: number): OddOne {
	const odd = Math.floor(random() * PATCHES);
	const amount = amountFor(line, distance);
	const patches = Array.from({ length: PATCHES }, (_, i) =>
		cssOf(offGrey(line, i === odd ? amount : 0, 1 + (2 * random() - 1) * JITTER))
	);
	return { line, distance, patches, odd };
}

/** Share of right answers at a distance of somebody with a threshold. */
function rightAt(distance: number, threshold: number): number {
	const seen = normalCdf(Math.log(distance / threshold) / SLOPE);
	return LAPSE * BY_CHANCE + (1 - LAPSE) * (BY_CHANCE + (1 - BY_CHANCE) * seen);
}

function thresholdMass(answers: readonly OddAnswer[], line: Line): number[] {
	const mass = THRESHOLDS.map((t) =>
		answers.reduce((product, a) => {
			if (a.line !== line) return product;
			const p = rightAt(a.distance, t);
			return product * (a.right ? p : 1 - p);
		}, 1)
	);
	const sum = mass.reduce((s, m) => s + m, 0);
	return mass.map((m) => m / sum);
}

const logMean = (mass: readonly number[]) =>
	mass.reduce((sum, m, i) => sum + m * Math.log(THRESHOLDS[i]!), 0);

/**
 * What to show next: the line that was asked about least, at the distance that its threshold is believed to have.
 *
 * @returns null when all was asked
 * @see Watson & Pelli (1983), Perception & Psychophysics 33, 113
 */
export function nextOdd(
	answers: readonly OddAnswer[]
): { readonly line: Line; readonly distance: number } | null {
	const asked = (line: Line) => answers.filter((a) => a.line === line).length;
	const line = LINES.reduce((least, l) => (asked(l) < asked(least) ? l : least));
	if (asked(line) >= ODD_QUESTIONS) return null;
	// The place on its curve that tells most lies somewhat above the middle, where chance plays less.
	const distance = Math.exp(logMean(thresholdMass(answers, line)) + 0.25);
	return { line, distance: Math.min(MOST, Math.max(LEAST, distance)) };
}

export interface LineKnown {
	readonly line: Line;
	/** Where half of what is not chance is seen, CIEDE2000. */
	readonly threshold: number;
	/** Probability that this line is seen at less than half of what the other lines are. */
	readonly weaker: number;
}

/** A line is called weaker from here on. */
const WEAKER_ABOVE = 0.8;
const TWICE = 2;

/** What was found along each line, once each was asked about; the lines of one person are held against each other, since screens differ. */
export function linesKnown(answers: readonly OddAnswer[]): readonly LineKnown[] {
	const masses = new Map(LINES.map((line) => [line, thresholdMass(answers, line)]));
	return LINES.map((line) => {
		// Long and middle lie near each other: whoever is weak in one is not strong in the other. The best line is the measure.
		const others = LINES.filter((l) => l !== line);
		const best = others.reduce((a, b) => (logMean(masses.get(a)!) < logMean(masses.get(b)!) ? a : b));
		const own = masses.get(line)!;
		const other = masses.get(best)!;
		let weaker = 0;
		own.forEach((m, i) =>
			other.forEach((n, j) => {
				if (THRESHOLDS[i]! > TWICE * THRESHOLDS[j]!) weaker += m * n;
			})
		);
		return { line, threshold: Math.exp(logMean(own)), weaker };
	});
}

/** The kind of cone that tells this person least; null where none stands out. */
export function weakestLine(answers: readonly OddAnswer[]): Line | null {
	if (answers.length < LINES.length * ODD_QUESTIONS) return null;
	const known = linesKnown(answers).filter((l) => l.weaker > WEAKER_ABOVE);
	return known.length === 0 ? null : known.reduce((a, b) => (a.threshold > b.threshold ? a : b)).line;
}
