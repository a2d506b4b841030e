import { worthAt, type Method, type Titration } from '../../method/index.ts';
import { incrementOf } from '../../reading/index.ts';
import type { Beside, RealVials } from './real-vials.ts';

/** One blind reading as the kit alone tells it, with nothing of its reader taken off. */
export interface BlindReading {
	readonly sampleId: string;
	readonly readerId: string;
	/** The lots that it was made with, as one key: what they share cancels between two readings. */
	readonly madeWith: string;
	readonly value: number;
	/** What is common to all readings with these lots, standard uncertainty. */
	readonly uCommon: number;
	/** What the sample holds by its label, where it is a standard. */
	readonly standard: { readonly id: string; readonly value: number; readonly u: number } | null;
	/** Steps that were added after it was first called turned and was watched again; null where it was not. */
	readonly addedAfter: number | null;
}

/** What one drop, or one of the tip, is worth, canonical unit; below zero where more of it means less. Null where a table bends. */
export function worthOfStep(method: Method, titration: Titration): number | null {
	const ml = method.sampleMl?.full ?? 1;
	if (titration.worth.by === 'table') return null;
	const line = worthAt(titration, 0, ml, ml);
	return 'sense' in line ? null : line.perUnit * incrementOf(titration);
}

/** What is known of another reader's bias, in steps. */
export type OtherEye = (readerId: string) => {
	readonly bias: number;
	readonly uBias: number;
	readonly spread: number;
};

/**
 * What blind readings of real vials tell of one reader at one end point, in its steps: differences between repeats of one
 * sample, readings of standards, readings of the same sample by others who did not know of them, and ends watched again.
 *
 * @param stepWorth what one step is worth, in the readings' unit
 */
export function realVialsOf(
	readings: readonly BlindReading[],
	readerId: string,
	stepWorth: number,
	other: OtherEye
): RealVials {
	// An eye is how one stops first: what was added when it was watched again is taken off.
	const own = readings
		.filter((r) => r.readerId === readerId)
		.map((r) => ({ ...r, value: r.value - (r.addedAfter ?? 0) * stepWorth }));
	const inSteps = (difference: number) => difference / stepWorth;
	const alike = (a: BlindReading, b: BlindReading) => a.sampleId === b.sampleId && a.madeWith === b.madeWith;
	// Each repeat against the one before it: three of one sample tell two differences.
	const repeats = own.flatMap((r, i) => {
		const before = own.slice(0, i).findLast((b) => alike(b, r));
		return before ? [inSteps(r.value - before.value)] : [];
	});
	const standards = groupedBy(
		own.filter((r) => r.standard !== null),
		(r) => `${r.standard!.id} ${r.madeWith}`
	).map((group): Beside => {
		const { standard, uCommon } = group[0]!;
		return {
			differences: group.map((r) => inSteps(r.value - standard!.value)),
			shared: 0,
			uShared: Math.abs(inSteps(Math.hypot(standard!.u, uCommon))),
			uEach: 0
		};
	});
	const others = own.flatMap((r, i) => {
		if (own.slice(0, i).some((b) => alike(b, r))) return [];
		const theirs = readings.find((b) => b.readerId !== readerId && alike(b, r));
		return theirs ? [{ readerId: theirs.readerId, difference: inSteps(r.value - theirs.value) }] : [];
	});
	const beside = groupedBy(others, (o) => o.readerId).map((group): Beside => {
		const { bias, uBias, spread } = other(group[0]!.readerId);
		return { differences: group.map((o) => o.difference), shared: bias, uShared: uBias, uEach: spread };
	});
	// One stop tells of its reader once: what a standard, a repeat or somebody else says of it is the better witness.
	const otherwise = (r: BlindReading) =>
		r.standard !== null || readings.filter((b) => alike(b, r)).length > 1;
	const watchedAgain = own.flatMap((r) => (r.addedAfter === null || otherwise(r) ? [] : [-r.addedAfter]));
	// The second look is one's own, and nobody was ever tried on it: it is believed as anybody's whose eye is not known.
	const { uBias, spread } = other(readerId);
	const watched: Beside | null =
		watchedAgain.length === 0
			? null
			: { differences: watchedAgain, shared: 0, uShared: uBias, uEach: spread };
	return { repeats, standards, beside, watched };
}

function groupedBy<T>(items: readonly T[], keyOf: (item: T) => string): readonly (readonly T[])[] {
	const groups = new Map<string, T[]>();
	for (const item of items) groups.set(keyOf(item), [...(groups.get(keyOf(item)) ?? []), item]);
	return [...groups.values()];
}
