import type { Instant } from '../time/index.ts';
import type { Read } from './two-methods.ts';

/** A reading with what else could make it differ from another. */
export interface ComparableReading extends Read {
	readonly id: string;
	readonly sampleId: string;
	readonly drawnAt: Instant;
	/** Kit, display or laboratory. */
	readonly kit: string;
	readonly reader: string;
}

export interface Pair<R extends ComparableReading = ComparableReading> {
	readonly first: R;
	readonly second: R;
}

/** Two samples drawn further apart are not the same water any more. */
const SAME_WATER_MS = 2 * 3600_000;
/** Drawn within this they are as good as one sample. */
const ONE_SAMPLE_MS = 20 * 60_000;

/**
 * Pairs readings of two kinds that are of the same sample, or of samples drawn within two hours; each reading is in one
 * pair at most, the nearest ones first.
 */
export function pairsOf<R extends ComparableReading>(
	first: readonly R[],
	second: readonly R[]
): readonly Pair<R>[] {
	const candidates = first.flatMap((a) =>
		second.flatMap((b) => {
			const apart = a.sampleId === b.sampleId ? 0 : Math.abs(a.drawnAt - b.drawnAt);
			return a.id !== b.id && apart <= SAME_WATER_MS ? [{ first: a, second: b, apart }] : [];
		})
	);
	candidates.sort((x, y) => x.apart - y.apart || x.first.drawnAt - y.first.drawnAt);
	const taken = new Set<string>();
	const pairs: Pair<R>[] = [];
	for (const { first: a, second: b } of candidates) {
		if (taken.has(a.id) || taken.has(b.id)) continue;
		taken.add(a.id).add(b.id);
		pairs.push({ first: a, second: b });
	}
	return pairs.sort((x, y) => x.first.drawnAt - y.first.drawnAt);
}

/** Repeats of one sample by each of the two, and what they say together. */
export interface Occasion<R extends ComparableReading = ComparableReading> {
	readonly pairs: readonly Pair<R>[];
	readonly first: Read;
	readonly second: Read;
}

function together(reads: readonly Read[]): Read {
	const n = reads.length;
	const mean = (of: (r: Read) => number) => reads.reduce((sum, r) => sum + of(r), 0) / n;
	return {
		value: mean((r) => r.value),
		uRandom: Math.sqrt(mean((r) => r.uRandom ** 2) / n),
		uCommon: mean((r) => r.uCommon)
	};
}

/** Pairs of one sample are repeats, not occasions of their own: each sample counts once, by the means of its repeats. */
export function occasionsOf<R extends ComparableReading>(pairs: readonly Pair<R>[]): readonly Occasion<R>[] {
	const bySample = new Map<string, Pair<R>[]>();
	for (const pair of pairs) {
		const key = `${pair.first.sampleId}/${pair.second.sampleId}`;
		bySample.set(key, [...(bySample.get(key) ?? []), pair]);
	}
	return [...bySample.values()].map((own) => ({
		pairs: own,
		first: together(own.map((p) => p.first)),
		second: together(own.map((p) => p.second))
	}));
}

/** What changes together with the thing compared, so that nobody can tell which of them makes the difference. */
export type Confound = 'kit' | 'reader' | 'sample';

/**
 * What else differs in every pair besides what is compared.
 *
 * @param compared what the comparison is about
 */
export function confounds(pairs: readonly Pair[], compared: 'kit' | 'reader'): readonly Confound[] {
	if (pairs.length === 0) return [];
	const always = (differs: (pair: Pair) => boolean) => pairs.every(differs);
	const found: Confound[] = [];
	if (compared === 'reader' && always(({ first, second }) => first.kit !== second.kit)) found.push('kit');
	if (compared === 'kit' && always(({ first, second }) => first.reader !== second.reader)) {
		found.push('reader');
	}
	const apart = ({ first, second }: Pair) =>
		first.sampleId !== second.sampleId && Math.abs(first.drawnAt - second.drawnAt) > ONE_SAMPLE_MS;
	if (always(apart)) found.push('sample');
	return found;
}
