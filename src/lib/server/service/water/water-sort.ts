import { isFresh } from '$lib/core/judgement';
import type { WaterSort } from '$lib/core/quantity';
import type { Water } from '../../repository/water.ts';

/** What is usual in a water goes by what it is kept as; of a source or a bottle nothing is. */
export function sortOf({ kind, profile }: Pick<Water, 'kind' | 'profile'>): WaterSort {
	if (kind === 'new-mix') return 'sea';
	if (kind !== 'tank' || profile === null) return 'any';
	return isFresh(profile) ? 'fresh' : 'sea';
}
