import { estimateSince } from '$lib/core/judgement/water';
import type { DoubtfulReading } from '$lib/core/plausibility';
import type { Instant } from '$lib/core/time';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { estimateOfWater, livedSince } from '../judgement/estimate-of-water.ts';
import { findDoubts } from './find-doubts.ts';

/** Whether one stored reading is in doubt, and what would explain it. */
export async function readDoubt(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	reading: { readonly readingId: string; readonly at: Instant }
): Promise<DoubtfulReading | null> {
	const now = deps.clock.now();
	const lived = await livedSince(deps, scope, water, estimateSince(reading.at));
	const estimate = await estimateOfWater(deps, lived, now);
	const doubts = await findDoubts(deps, scope, estimate, reading.at);
	return doubts.find((d) => d.readingId === reading.readingId) ?? null;
}
