import { estimateSince } from '$lib/core/judgement/water';
import type { DoubtfulReading } from '$lib/core/plausibility';
import type { Instant } from '$lib/core/time';
import { eventsSince } from '../../repository/event.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { estimateOfWater } from '../judgement/estimate-of-water.ts';
import { findDoubts } from './find-doubts.ts';
import { soundResultsSince } from './sound-results.ts';

/** Whether one stored reading is in doubt, and what would explain it. */
export async function readDoubt(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	reading: { readonly readingId: string; readonly at: Instant }
): Promise<DoubtfulReading | null> {
	const now = deps.clock.now();
	const since = estimateSince(reading.at);
	const [{ results }, events] = await Promise.all([
		soundResultsSince(deps, scope, water.id, since),
		eventsSince(deps.db, scope, water.id, since)
	]);
	const estimate = await estimateOfWater(deps, { water, results, events, since }, now);
	const doubts = await findDoubts(deps, scope, estimate, reading.at);
	return doubts.find((d) => d.readingId === reading.readingId) ?? null;
}
