import type { StepStatement } from '$lib/core/method';

/** A place on a drawn ladder: rungs at whole numbers, gaps between them, and one place beyond each end. */
export type Place = number;

/** From below the first rung (−1) over rungs (0, 1, …) and gaps (0.25, 0.5, 0.75) to above the last one. */
export function placeOf(at: StepStatement, rungs: number): Place {
	switch (at.kind) {
		case 'below':
			return -1;
		case 'above':
			return rungs;
		case 'on':
			return at.index;
		case 'nearer_lower':
			return at.index + 0.25;
		case 'between':
			return at.index + 0.5;
		case 'nearer_upper':
			return at.index + 0.75;
	}
}

/** The statement at a place, brought to the nearest that there is. */
export function statementAt(place: Place, rungs: number, hasBelow: boolean): StepStatement {
	if (place > rungs - 0.75)
		return place >= rungs - 0.5 ? { kind: 'above' } : { kind: 'on', index: rungs - 1 };
	if (place < 0) return hasBelow && place <= -0.5 ? { kind: 'below' } : { kind: 'on', index: 0 };
	const quarter = Math.round(place * 4);
	const index = Math.floor(quarter / 4);
	switch (quarter % 4) {
		case 1:
			return { kind: 'nearer_lower', index };
		case 2:
			return { kind: 'between', index };
		case 3:
			return { kind: 'nearer_upper', index };
		default:
			return { kind: 'on', index };
	}
}

/** One press of an arrow: a quarter of a rung, a whole place beyond the ends. */
export function nudged(
	at: StepStatement | null,
	by: 1 | -1,
	rungs: number,
	hasBelow: boolean
): StepStatement {
	if (!at) return { kind: 'on', index: by > 0 ? 0 : rungs - 1 };
	if (at.kind === 'below') return by > 0 ? { kind: 'on', index: 0 } : at;
	if (at.kind === 'above') return by < 0 ? { kind: 'on', index: rungs - 1 } : at;
	const place = placeOf(at, rungs);
	if (place === rungs - 1 && by > 0) return { kind: 'above' };
	if (place === 0 && by < 0) return hasBelow ? { kind: 'below' } : at;
	return statementAt(place + by / 4, rungs, hasBelow);
}

/** What is still open while the ladder is searched by halving: rungs from `low` to `high`. */
export interface Halving {
	/** The sample is darker than this rung, or −1. */
	readonly low: number;
	/** The sample is paler than this rung, or the number of rungs. */
	readonly high: number;
	/** The rung to hold it against now; null when one place is left. */
	readonly ask: number | null;
	readonly found: StepStatement | null;
}

export type Comparison = 'darker' | 'paler' | 'alike';

/** Follows the answers given so far. @param rungs 2 or more */
export function halve(
	rungs: number,
	answers: readonly { readonly rung: number; readonly is: Comparison }[],
	hasBelow: boolean
): Halving {
	let low = -1;
	let high = rungs;
	for (const { rung, is } of answers) {
		if (is === 'alike') return { low: rung, high: rung, ask: null, found: { kind: 'on', index: rung } };
		if (is === 'darker') low = Math.max(low, rung);
		else high = Math.min(high, rung);
	}
	if (high - low <= 1) {
		const found: StepStatement =
			high === 0
				? hasBelow
					? { kind: 'below' }
					: { kind: 'on', index: 0 }
				: low === rungs - 1
					? { kind: 'above' }
					: { kind: 'between', index: low };
		return { low, high, ask: null, found };
	}
	return { low, high, ask: Math.floor((low + high) / 2), found: null };
}
