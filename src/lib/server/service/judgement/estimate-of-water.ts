import { estimateOf, learnFrom, standsStill, type WaterRecord } from '$lib/core/judgement/water';
import type { Instant } from '$lib/core/time';
import { estimateFrom, type WaterEstimate } from '$lib/core/trend';
import { eventsSince } from '../../repository/event.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { soundResultsSince } from '../reading/sound-results.ts';

type Lived = Pick<WaterRecord, 'results' | 'events' | 'since'> & { readonly water: Water };

/** What a water lived through since a time. */
export async function livedSince(deps: Deps, scope: SiteScope, water: Water, since: Instant): Promise<Lived> {
	const [{ results }, events] = await Promise.all([
		soundResultsSince(deps, scope, water.id, since),
		eventsSince(deps.db, scope, water.id, since)
	]);
	return { water, results, events, since };
}

/** Estimates a water's parameters. What was learned of them is kept where somebody keeps it. */
export async function estimateOfWater(
	{ memory, db }: Deps,
	record: Lived,
	now: Instant
): Promise<WaterEstimate> {
	const { id, revision } = record.water;
	// What nothing lives in has no line to learn.
	if (standsStill(record.water)) return estimateOf(record, now);
	const isAhead = record.results.some((r) => r.at > now);
	if (!memory || revision === undefined || isAhead) return estimateOf(record, now);
	const from = { waterId: id, since: record.since, madeFrom: revision };
	const learned = await memory.learned(db, from, (before) => learnFrom(record, now, before));
	return estimateFrom(learned, now, undefined, memory.passes(id));
}
