import { normalCdf } from '../../numeric/index.ts';

/**
 * One answer: how far from where it was. In steps of what is read (drops, divisions), after or above it positive, and
 * counted from the middle of the step in which it fell: such an answer is what was meant and anything within half a step.
 */
export interface Answer {
	readonly error: number;
}

/** What is believed of an eye before it was tried: normal in bias (steps) and in the logarithm of the spread (steps). */
export interface EyePrior {
	readonly bias: { readonly mean: number; readonly sd: number };
	readonly logSpread: { readonly mean: number; readonly sd: number };
	/** How far each share of answers that go astray is believed; left out, as of anybody. */
	readonly lapseWeights?: readonly number[];
}

/** A number with the interval that holds it with 95 %. */
export interface Spanned {
	readonly best: number;
	readonly lower: number;
	readonly upper: number;
}

/** What answers tell of an eye, in steps. */
export interface Eye {
	readonly answers: number;
	readonly bias: Spanned & { readonly sd: number };
	/** Standard deviation of one answer, those that went astray left out. */
	readonly spread: Spanned & { readonly logMean: number; readonly logSd: number };
	/** Share of answers that went astray. */
	readonly lapses: number;
	readonly lapseWeights: readonly number[];
	/** Where the next answer will lie with 95 %, lapses and all. */
	readonly next: Spanned;
	/**
	 * Standard uncertainty of one answer once the bias is taken off, so that twice of it holds 95 % of them: what goes astray
	 * is in it. What the step itself leaves open, and what is not known of the bias, are not.
	 */
	readonly u: number;
}

/** Nodes of the grid. Spreads are spaced evenly in their logarithm. */
const BIAS_NODES = 45;
const SPREADS: readonly number[] = Array.from({ length: 17 }, (_, i) => 0.12 * 1.28 ** i);
/** Shares of answers that go astray, and how far each is believed beforehand (choice: one in twenty on average). */
const LAPSES = [
	{ share: 0.006, weight: 0.38 },
	{ share: 0.03, weight: 0.28 },
	{ share: 0.08, weight: 0.22 },
	{ share: 0.15, weight: 0.12 }
] as const;
/** An answer that went astray lies anywhere, about so far off (Cauchy, steps): nobody knows how wide such tails are. */
const ASTRAY = 4.5;
/** Older answers than this many are not looked at: they have faded. */
const MOST_ANSWERS = 150;
/** An answer counts for this share of the one after it: hands learn and tire, and the model knows of neither. */
const FADES = 0.985;

/** Half of an interval of 95 %, in standard deviations. */
const Z_95 = 1.96;
/** Variance of what lies anywhere within a step. */
const WITHIN_STEP = 1 / 12;
/** No next answer is looked for further off, steps. */
const REACH = 40;

const astray = (error: number, bias: number) => 1 / (Math.PI * ASTRAY * (1 + ((error - bias) / ASTRAY) ** 2));

/** Density of what was meant (normal) and anything within half a step: Φ((e + ½ − b)/σ) − Φ((e − ½ − b)/σ). */
const meant = (error: number, bias: number, spread: number) =>
	normalTable((error + 0.5 - bias) / spread) - normalTable((error - 0.5 - bias) / spread);

const TABLE_FROM = -8;
const TABLE_STEP = 1 / 128;
const TABLE = Float64Array.from({ length: 16 / TABLE_STEP + 2 }, (_, i) =>
	normalCdf(TABLE_FROM + i * TABLE_STEP)
);
/** Φ from a table, straight between its nodes: good to 2e-6, and a hundred times as fast. */
function normalTable(z: number): number {
	if (z <= TABLE_FROM) return 0;
	if (z >= -TABLE_FROM) return 1;
	const place = (z - TABLE_FROM) / TABLE_STEP;
	const i = Math.floor(place);
	return TABLE[i]! + (place - i) * (TABLE[i + 1]! - TABLE[i]!);
}

/** Bias nodes: wide enough for what was believed and what was answered, fine enough for the spread of the answers' mean. */
function biasNodes(prior: EyePrior, answers: readonly Answer[]): number[] {
	const errors = answers.map((a) => a.error).sort((a, b) => a - b);
	const middle = errors.length > 0 ? errors[Math.floor(errors.length / 2)]! : prior.bias.mean;
	const near =
		errors.length > 0 ? errors.slice(Math.ceil(errors.length * 0.15), Math.ceil(errors.length * 0.85)) : [];
	const width = near.length > 1 ? near.at(-1)! - near[0]! + 0.6 : 2 * prior.bias.sd;
	const half = Math.min(
		Math.max(3.5 * prior.bias.sd, 1),
		Math.max(0.8, (4.5 * width) / Math.sqrt(Math.max(1, errors.length)))
	);
	const centre = errors.length > 0 ? middle : prior.bias.mean;
	return Array.from({ length: BIAS_NODES }, (_, i) => centre + half * ((2 * i) / (BIAS_NODES - 1) - 1));
}

/** A further thing that is known of bias and spread together, as a logarithm of its likelihood. */
export type Evidence = (bias: number, spread: number) => number;

interface Grid {
	readonly biases: readonly number[];
	readonly spreads: readonly number[];
	/** Posterior of bias i, spread j and lapse k at (i·spreads + j)·lapses + k; sums to 1. */
	readonly mass: Float64Array;
}

function gridOf(prior: EyePrior, answers: readonly Answer[], evidence: readonly Evidence[]): Grid {
	const biases = biasNodes(prior, answers);
	const mass = new Float64Array(biases.length * SPREADS.length * LAPSES.length);
	const weights = answers.map((_, i) => FADES ** (answers.length - 1 - i));
	const on = new Float64Array(answers.length);
	let most = -Infinity;
	biases.forEach((bias, i) => {
		const off = answers.map(({ error }) => astray(error, bias));
		SPREADS.forEach((spread, j) => {
			const zBias = (bias - prior.bias.mean) / prior.bias.sd;
			const zSpread = (Math.log(spread) - prior.logSpread.mean) / prior.logSpread.sd;
			const known = evidence.reduce(
				(sum, e) => sum + e(bias, spread),
				-(zBias * zBias + zSpread * zSpread) / 2
			);
			for (let a = 0; a < answers.length; a++) on[a] = meant(answers[a]!.error, bias, spread);
			LAPSES.forEach(({ share, weight }, k) => {
				let log = known + Math.log(prior.lapseWeights?.[k] ?? weight);
				for (let a = 0; a < answers.length; a++) {
					log += weights[a]! * Math.log((1 - share) * on[a]! + share * off[a]!);
				}
				mass[(i * SPREADS.length + j) * LAPSES.length + k] = log;
				if (log > most) most = log;
			});
		});
	});
	let sum = 0;
	for (let n = 0; n < mass.length; n++) sum += mass[n] = Math.exp(mass[n]! - most);
	for (let n = 0; n < mass.length; n++) mass[n]! /= sum;
	return { biases, spreads: SPREADS, mass };
}

function marginal({ biases, spreads, mass }: Grid, of: 'bias' | 'spread' | 'lapse'): Float64Array {
	const sums = new Float64Array(
		of === 'bias' ? biases.length : of === 'spread' ? spreads.length : LAPSES.length
	);
	for (let n = 0; n < mass.length; n++) {
		const k = n % LAPSES.length;
		const j = Math.floor(n / LAPSES.length) % spreads.length;
		const i = Math.floor(n / (LAPSES.length * spreads.length));
		sums[of === 'bias' ? i : of === 'spread' ? j : k]! += mass[n]!;
	}
	return sums;
}

/** Where a share of a marginal lies below, straight within its cells. */
function quantile(nodes: readonly number[], masses: Float64Array, share: number): number {
	const half = (nodes[1]! - nodes[0]!) / 2;
	let below = 0;
	for (let i = 0; i < nodes.length; i++) {
		const m = masses[i]!;
		if (below + m >= share) return nodes[i]! - half + 2 * half * (m > 0 ? (share - below) / m : 0.5);
		below += m;
	}
	return nodes.at(-1)!;
}

function momentsOf(
	nodes: readonly number[],
	masses: Float64Array
): { readonly mean: number; readonly sd: number } {
	let mean = 0;
	let square = 0;
	nodes.forEach((x, i) => {
		mean += masses[i]! * x;
		square += masses[i]! * x * x;
	});
	return { mean, sd: Math.sqrt(Math.max(0, square - mean * mean)) };
}

/** What the next answer hangs on: bias and spread where they are at all likely, and how often one goes astray. */
interface NextAnswer {
	readonly nodes: readonly { readonly bias: number; readonly wide: number; readonly mass: number }[];
	readonly lapse: number;
}

function nextOf({ biases, spreads, mass }: Grid, lapse: number): NextAnswer {
	const nodes = biases.flatMap((bias, i) =>
		spreads.flatMap((spread, j) => {
			const at = (i * spreads.length + j) * LAPSES.length;
			let m = 0;
			for (let k = 0; k < LAPSES.length; k++) m += mass[at + k]!;
			// The half step is a spread of its own.
			return m < 1e-6 ? [] : [{ bias, wide: Math.hypot(spread, Math.sqrt(1 / 12)), mass: m }];
		})
	);
	return { nodes, lapse };
}

/** Distribution function of the next answer, as it will be counted: what is meant, anywhere within its step. */
function nextBelow({ nodes, lapse }: NextAnswer, around: number, x: number): number {
	let below = 0;
	for (const { bias, wide, mass } of nodes) below += mass * normalTable((x - bias) / wide);
	return (1 - lapse) * below + lapse * (0.5 + Math.atan((x - around) / ASTRAY) / Math.PI);
}

function nextQuantile(next: NextAnswer, share: number, around: number): number {
	let [low, high] = [around - REACH, around + REACH];
	for (let n = 0; n < 24; n++) {
		const middle = (low + high) / 2;
		if (nextBelow(next, around, middle) < share) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}

/**
 * What answers tell of an eye: bias, spread and lapses by Bayes' rule on a grid, the older answers faded. An answer is
 * what was meant, N(b, σ²), and anything within half a step; or, now and then, it went astray.
 *
 * @param answers in the order in which they were given, steps
 * @param evidence what is known besides, such as from real vials
 * @see Gelman et al. (2013), Bayesian Data Analysis, 3rd ed., chapter 3.7 (posterior on a grid) and 17 (robust by a mixture)
 */
export function eyeOf(prior: EyePrior, answers: readonly Answer[], evidence: readonly Evidence[] = []): Eye {
	const grid = gridOf(prior, answers.slice(-MOST_ANSWERS), evidence);
	const biasMass = marginal(grid, 'bias');
	const spreadMass = marginal(grid, 'spread');
	const lapseMass = marginal(grid, 'lapse');
	const bias = momentsOf(grid.biases, biasMass);
	const logs = SPREADS.map(Math.log);
	const log = momentsOf(logs, spreadMass);
	const lapses = LAPSES.reduce((sum, { share }, k) => sum + share * lapseMass[k]!, 0);
	const next = nextOf(grid, lapses);
	const [lower, upper] = [nextQuantile(next, 0.025, bias.mean), nextQuantile(next, 0.975, bias.mean)];
	const spread = Math.exp(log.mean);
	return {
		answers: answers.length,
		bias: {
			best: bias.mean,
			sd: bias.sd,
			lower: quantile(grid.biases, biasMass, 0.025),
			upper: quantile(grid.biases, biasMass, 0.975)
		},
		spread: {
			best: spread,
			lower: Math.exp(quantile(logs, spreadMass, 0.025)),
			upper: Math.exp(quantile(logs, spreadMass, 0.975)),
			logMean: log.mean,
			logSd: log.sd
		},
		lapses,
		lapseWeights: [...lapseMass],
		next: { best: bias.mean, lower, upper },
		u: Math.sqrt(Math.max(spread * spread, ((upper - lower) / (2 * Z_95)) ** 2 - bias.sd ** 2 - WITHIN_STEP))
	};
}
