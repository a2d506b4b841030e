import type { Verdict } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import type { WaterLine } from './today.ts';

/** A parameter of a water, last week beside now. */
export interface BoardCell {
	readonly parameter: ParameterId;
	readonly now: { readonly value: number; readonly u: number };
	/** What was estimated for a week ago, with all that is known now; null before its first reading. */
	readonly weekAgo: { readonly value: number; readonly u: number } | null;
	readonly verdict: Verdict;
	readonly drawnAt: Instant;
}

export interface BoardWater extends WaterLine {
	readonly cells: readonly BoardCell[];
}
