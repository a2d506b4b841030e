import type { Instant } from '../time/index.ts';

/** What happened to the contents of one bottle. */
export type StockEntry =
	| { readonly kind: 'used'; readonly at: Instant; readonly amount: number }
	/** Looked at and estimated; from then on this counts, whatever was reckoned before. */
	| { readonly kind: 'counted'; readonly at: Instant; readonly amount: number };

export interface Stock {
	/** Never below zero. */
	readonly left: number;
	/** What was used beyond what there was by the reckoning: the bottle held more, or a use was noted twice. */
	readonly short: number;
	/** When it was last looked at; null where it was only reckoned. */
	readonly countedAt: Instant | null;
}

/**
 * What is left of a bottle: what was in it, less every use since it was last looked at.
 *
 * @param full when it was new, its own unit
 * @throws {RangeError} on a negative amount
 * @example stockOf(10, [{ kind: 'used', at, amount: 12 }]) // { left: 0, short: 2, countedAt: null }
 */
export function stockOf(full: number, entries: readonly StockEntry[]): Stock {
	if (!(full >= 0)) throw new RangeError(`a bottle holds 0 or more, not ${full}`);
	let left = full;
	let short = 0;
	let countedAt: Instant | null = null;
	for (const entry of [...entries].sort((a, b) => a.at - b.at)) {
		if (!(entry.amount >= 0)) throw new RangeError(`an amount is 0 or more, not ${entry.amount}`);
		if (entry.kind === 'counted') {
			left = entry.amount;
			short = 0;
			countedAt = entry.at;
			continue;
		}
		short += Math.max(0, entry.amount - left);
		left = Math.max(0, left - entry.amount);
	}
	return { left, short, countedAt };
}
