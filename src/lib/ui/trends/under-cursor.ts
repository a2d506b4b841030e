import { READING_KINDS } from '$lib/contract/trends';
import { instant, type Instant } from '$lib/core/time';
import type { UnderCursor } from '$lib/format/trends/trend';
import { lineAt, type Series } from './chart/series';
import { nearestIndex } from '$lib/core/numeric';

/** A reading is named under the cursor when it is nearer than this part of the span. */
const NEAR = 1 / 60;

/** What one row says at a time. */
export function underCursor(series: Series, at: Instant, spanMs: number): UnderCursor {
	const i = nearestIndex(series.at, at);
	const near = i >= 0 && Math.abs(series.at[i]! - at) <= NEAR * spanMs;
	return {
		parameter: series.parameter,
		unit: series.unit,
		estimate: lineAt(series, at),
		reading: near
			? {
					at: instant(series.at[i]!),
					value: series.value[i]!,
					lower: series.lower[i]!,
					upper: series.upper[i]!,
					kind: READING_KINDS[series.kind[i]!]!,
					kit: series.kits[series.kit[i]!]?.name ?? ''
				}
			: null
	};
}

/** The next reading of any row after a time, or the one before it; null at the end. */
export function neighbour(all: readonly Series[], at: Instant, direction: 1 | -1): Instant | null {
	let best: number | null = null;
	for (const { at: times } of all) {
		const i = nearestIndex(times, at);
		for (let k = Math.max(0, i - 1); k <= Math.min(times.length - 1, i + 1); k++) {
			const time = times[k]!;
			const ahead = (time - at) * direction;
			if (ahead > 0 && (best === null || ahead < (best - at) * direction)) best = time;
		}
	}
	return best === null ? null : instant(best);
}
