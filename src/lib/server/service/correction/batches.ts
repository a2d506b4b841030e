import type { Static } from '@sinclair/typebox';
import type { NewMixDetails } from '$lib/contract/event';
import { findingsOfBatch, type BatchFinding, type Known } from '$lib/core/correction';
import type { ParameterId } from '$lib/core/quantity';
import { boundsOf, pointOf } from '$lib/core/reading';
import { addDays, type Instant } from '$lib/core/time';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import { eventsSince } from '../../repository/event.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { waterAt, watersOf } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { soundResultsSince } from '../reading/sound-results.ts';

const LOOK_BACK_DAYS = 730;
const SALINITY_AIM = 35;

/** A batch of new water with what was read of it. */
export interface Batch {
	readonly waterId: string;
	readonly waterName: string;
	readonly name: string;
	readonly saltLot: string;
	readonly volumeL: number;
	readonly mixedAt: Instant;
	readonly levels: Readonly<Partial<Record<ParameterId, Known>>>;
	readonly findings: readonly BatchFinding[];
}

/** Every batch that the barrels of a site held, newest first; what was read until the next one belongs to it. */
export async function readBatches(deps: Deps, scope: SiteScope): Promise<readonly Batch[]> {
	const now = deps.clock.now();
	const since = addDays(now, -LOOK_BACK_DAYS);
	const batches: Batch[] = [];
	for (const { id, name, kind } of await watersOf(deps.db, scope)) {
		if (kind !== 'new-mix') continue;
		const [events, { results }, water] = await Promise.all([
			eventsSince(deps.db, scope, id, since),
			soundResultsSince(deps, scope, id, since),
			waterAt(deps.db, scope, id, now)
		]);
		const mixes = events.filter((e) => e.kind === 'new-mix');
		mixes.forEach((mix, i) => {
			const details = mix.details as Static<typeof NewMixDetails>;
			const until = mixes[i + 1]?.happenedAt ?? Infinity;
			const levels: Partial<Record<ParameterId, Known>> = {};
			for (const { result, at } of results) {
				if (at < mix.happenedAt || at >= until) continue;
				const point = pointOf(result);
				const { lower, upper } = boundsOf(result);
				if (point) levels[result.parameter] = { value: point.value, u: standardUncertaintyOf(point) };
				else if (upper !== null) {
					levels[result.parameter] = { value: (lower + upper) / 2, u: (upper - lower) / Math.sqrt(12) };
				}
			}
			batches.push({
				waterId: id,
				waterName: name,
				name: details.batch,
				saltLot: details.saltLot,
				volumeL: details.volumeL || (water?.netVolumeL ?? 0),
				mixedAt: mix.happenedAt,
				levels,
				findings: findingsOfBatch(levels, SALINITY_AIM)
			});
		});
	}
	return batches.sort((a, b) => b.mixedAt - a.mixedAt);
}
