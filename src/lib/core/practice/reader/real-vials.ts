import { normalLogDensity } from '../../numeric/index.ts';
import { eyeOf, type Evidence, type Eye } from './eye.ts';

/**
 * A screen is no vial: how far the bias in real vials may lie from that on the screen (steps), and the logarithm of the
 * spread (choices; nobody has measured them). What real vials tell takes their place as it comes in.
 */
export const SCREEN_BIAS_SD = 0.25;
const SCREEN_LOG_SPREAD_SD = 0.2;
/** An answer is known to a step, wherever in it the colour turned. */
const WITHIN_STEP = 1 / 12;

/** Differences that share a part nobody knows: the standard's own error, or where the other reader stops. In steps. */
export interface Beside {
	readonly differences: readonly number[];
	/** The shared part as it is believed, and its standard uncertainty: more differences do not narrow it. */
	readonly shared: number;
	readonly uShared: number;
	/** Standard uncertainty of what each has of its own besides the reader's spread. */
	readonly uEach: number;
}

/** What real vials told of one person at one end point or scale, in its steps. Only blind readings are asked. */
export interface RealVials {
	/** Two readings of one sample with one kit by the same person: their differences. */
	readonly repeats: readonly number[];
	/** Readings of standards less what each holds, one entry for each standard and lot. */
	readonly standards: readonly Beside[];
	/** Vials that somebody else read, unseen: own less other's, one entry for each other reader. */
	readonly beside: readonly Beside[];
	/** Ends that were watched again after they were called: the first stop less the last. Null where none was. */
	readonly watched: Beside | null;
}

export const NO_REAL_VIALS: RealVials = { repeats: [], standards: [], beside: [], watched: null };

const sum = <T>(items: readonly T[], of: (item: T) => number) => items.reduce((s, item) => s + of(item), 0);

/**
 * Logarithm of the density of differences around a mean, each with an error of its own and all with one in common: a
 * normal distribution with the covariance s²I + c²J (its inverse and determinant by Sherman and Morrison 1950). A
 * standard read thirty times is not known thirty times better.
 */
function sharedLogDensity(
	differences: readonly number[],
	mean: number,
	each: number,
	shared: number
): number {
	const n = differences.length;
	if (n === 0) return 0;
	const off = sum(differences, (d) => d - mean) / n;
	const within = sum(differences, (d) => normalLogDensity(d, mean + off, each));
	// The mean of them stands for itself; its own share of the densities within is taken out again.
	return (
		within -
		normalLogDensity(0, 0, each / Math.sqrt(n)) +
		normalLogDensity(off, 0, Math.hypot(each / Math.sqrt(n), shared))
	);
}

/** What real vials say of a bias and a spread, as the logarithm of its likelihood. */
function evidenceOf({ repeats, standards, beside, watched }: RealVials): Evidence {
	const groups = [...standards, ...beside, ...(watched ? [watched] : [])];
	return (bias, spread) => {
		const one = spread * spread + WITHIN_STEP;
		return (
			sum(repeats, (d) => normalLogDensity(d, 0, Math.sqrt(2 * one))) +
			sum(groups, ({ differences, shared, uShared, uEach }) =>
				sharedLogDensity(differences, bias - shared, Math.sqrt(one + uEach * uEach), uShared)
			)
		);
	};
}

/** How many real readings stand behind it. */
export const realReadings = ({ repeats, standards, beside, watched }: RealVials): number =>
	repeats.length +
	sum([...standards, ...beside], (b) => b.differences.length) +
	(watched?.differences.length ?? 0);

/**
 * The eye as it reads real vials: what practice on the screen told, widened by what a screen cannot know, and joined by
 * what real vials tell. The more of them there are, the less practice weighs.
 */
export function eyeAtBench(onScreen: Eye, real: RealVials = NO_REAL_VIALS): Eye {
	const { bias, spread, answers, lapseWeights } = onScreen;
	const eye = eyeOf(
		{
			bias: { mean: bias.best, sd: Math.hypot(bias.sd, SCREEN_BIAS_SD) },
			logSpread: { mean: spread.logMean, sd: Math.hypot(spread.logSd, SCREEN_LOG_SPREAD_SD) },
			lapseWeights
		},
		[],
		realReadings(real) > 0 ? [evidenceOf(real)] : []
	);
	return { ...eye, answers };
}
