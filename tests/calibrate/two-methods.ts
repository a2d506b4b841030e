import {
	compareOnce,
	compareOverTime,
	type Read,
	type TwoMethodGrade
} from '../../src/lib/core/comparison/index.ts';
import { normalDeviate, seededRandom } from '../../src/lib/core/numeric/index.ts';

/** How often each was said, for one true bias. */
export interface VerdictTally {
	readonly how: string;
	/** True difference, dKH, and as a multiple of the standard uncertainty of the mean difference. */
	readonly bias: number;
	readonly inU: number;
	readonly runs: number;
	readonly said: Readonly<Record<TwoMethodGrade, number>>;
	/** "Differ" where there is no difference, or "agree" where there is one that matters. */
	readonly wrong: number;
	/** "Agree" where there is none, "differ" where there is one, "agree" within what matters. */
	readonly right: number;
}

/** Least difference that matters, dKH. */
const MATTERS = 0.4;
/** Chance errors of a syringe and of a display, dKH. */
const U = [0.12, 0.16] as const;
const COMMON = 0.15;
export const BIASES: readonly number[] = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.8, 1];

interface Way {
	readonly name: string;
	/** Pairs over time, or repeats of both on one sample. */
	readonly n: number;
	readonly once: boolean;
	/** Real scatter over the scatter that the kits state. */
	readonly scatter: number;
}

export const WAYS: readonly Way[] = [
	{ name: '8 pairs', n: 8, once: false, scatter: 1 },
	{ name: '12 pairs', n: 12, once: false, scatter: 1 },
	{ name: '12 pairs, scatter half as large again as stated', n: 12, once: false, scatter: 1.5 },
	{ name: '12 pairs, scatter half of what is stated', n: 12, once: false, scatter: 0.5 },
	{ name: '30 pairs', n: 30, once: false, scatter: 1 },
	{ name: 'one sample, each once', n: 1, once: true, scatter: 1 },
	{ name: 'one sample, each three times', n: 3, once: true, scatter: 1 }
];

/** Two simulated methods with a known bias between them, compared many times over. */
export function verdictTally(way: Way, bias: number, runs: number, seed: number): VerdictTally {
	const random = seededRandom(seed);
	const said = { agree: 0, differ: 0, 'cannot-tell': 0 };
	let wrong = 0;
	let right = 0;
	for (let run = 0; run < runs; run++) {
		// On one sample each kit's own error counts as chance: another pack would have another one.
		const own = U.map(() => (way.once ? normalDeviate(random, 0, COMMON) : 0));
		const read = (which: 0 | 1, level: number): Read => ({
			value: normalDeviate(random, level + own[which]! + (which === 0 ? bias : 0), U[which] * way.scatter),
			uRandom: U[which],
			uCommon: COMMON
		});
		const pairs = Array.from({ length: way.n }, () => {
			const level = way.once ? 8 : 7.4 + 1.2 * random();
			return { first: read(0, level), second: read(1, level) };
		});
		const { grade } = way.once
			? compareOnce(
					pairs.map((p) => p.first),
					pairs.map((p) => p.second),
					MATTERS
				)
			: compareOverTime(pairs, MATTERS);
		said[grade]++;
		if ((grade === 'differ' && bias === 0) || (grade === 'agree' && bias >= MATTERS)) wrong++;
		else if (grade === 'differ' || (grade === 'agree' && bias < MATTERS)) right++;
	}
	const u = Math.hypot(
		(way.scatter * Math.hypot(...U)) / Math.sqrt(way.n),
		way.once ? COMMON * Math.SQRT2 : 0
	);
	return { how: way.name, bias, inU: bias / u, runs, said, wrong, right };
}
