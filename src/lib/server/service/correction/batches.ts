import type { Static } from '@sinclair/typebox';
import type { NewMixDetails } from '$lib/contract/event';
import { findingsOfBatch } from '$lib/core/correction';
import { levelsRead, type Batch } from '$lib/core/judgement/plan';
import { addDays } from '$lib/core/time';
import { eventsSince } from '../../repository/event.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { waterAt, watersOf } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { soundResultsSince } from '../reading/sound-results.ts';

const LOOK_BACK_DAYS = 730;
const SALINITY_AIM = 35;

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
			const levels = levelsRead(results.filter(({ at }) => at >= mix.happenedAt && at < until));
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
