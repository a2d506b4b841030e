import type { DatedFact } from '$lib/core/purified';
import { addDays, type Instant } from '$lib/core/time';

/** A unit whose resin is near its end: what comes out of it rises, month by month. */
export function libraryPurified(now: Instant): readonly DatedFact[] {
	const along = (daysAgo: number, tap: number, membrane: number, resin: number): DatedFact[] => {
		const at = addDays(now, -daysAgo);
		const read = (stage: 'tap' | 'after-membrane' | 'after-resin', value: number): DatedFact => ({
			at,
			fact: { kind: 'reading', stage, value, unit: 'us-per-cm' }
		});
		return [read('tap', tap), read('after-membrane', membrane), read('after-resin', resin)];
	};
	return [
		{ at: addDays(now, -700), fact: { kind: 'changed', part: 'membrane' } },
		{ at: addDays(now, -210), fact: { kind: 'changed', part: 'prefilter' } },
		{ at: addDays(now, -150), fact: { kind: 'changed', part: 'resin' } },
		...along(149, 540, 14, 0),
		...along(62, 560, 16, 0.4),
		...along(6, 548, 19, 1.2)
	];
}
