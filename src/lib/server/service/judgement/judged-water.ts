import { judgeWater, type JudgedWater } from '$lib/core/judgement/water';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { estimateOfWater } from './estimate-of-water.ts';
import { readRecord, type ReadRecord } from './read-record.ts';

/** A water as its record is judged, with what the server knows besides. */
export type Judged = JudgedWater & ReadRecord;

async function judgeAnew(deps: Deps, scope: SiteScope, water: Water): Promise<Judged> {
	const now = deps.clock.now();
	const record = await readRecord(deps, scope, water, now);
	const judged = judgeWater(record, now, await estimateOfWater(deps, record, now));
	return { ...judged, water, items: record.items };
}

/** Where a water stands now. Within a minute, and as long as nothing is changed, it is judged once where somebody keeps it. */
export function judgedWater(deps: Deps, scope: SiteScope, water: Water): Promise<Judged> {
	const { memory } = deps;
	if (!memory || water.revision === undefined) return judgeAnew(deps, scope, water);
	const minute = Math.floor(deps.clock.now() / 60_000);
	return memory.judged(`${water.id} ${water.revision} ${minute}`, () => judgeAnew(deps, scope, water));
}
