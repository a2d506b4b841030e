import type { Known } from '../../correction/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { boundsOf, pointOf } from '../../reading/index.ts';
import type { DatedResult } from '../../record/index.ts';
import { standardUncertaintyOf } from '../../uncertainty/index.ts';

/**
 * What a batch of new water holds by what was read of it: it lies still, and so the last reading of each parameter
 * stands. Of an interval it is the middle, rectangular.
 *
 * @param results in the order of time
 */
export function levelsRead(results: readonly DatedResult[]): Readonly<Partial<Record<ParameterId, Known>>> {
	const levels: Partial<Record<ParameterId, Known>> = {};
	for (const { result } of results) {
		const point = pointOf(result);
		const { lower, upper } = boundsOf(result);
		if (point) levels[result.parameter] = { value: point.value, u: standardUncertaintyOf(point) };
		else if (upper !== null) {
			levels[result.parameter] = { value: (lower + upper) / 2, u: (upper - lower) / Math.sqrt(12) };
		}
	}
	return levels;
}
