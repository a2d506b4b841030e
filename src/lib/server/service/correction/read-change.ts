import { LIMITED, type Limited } from '$lib/core/caution';
import {
	largestChange,
	limitFor,
	movesOfChange,
	seriesOf,
	type ChangeMove,
	type Known,
	type LevelsOf,
	type SeriesStep
} from '$lib/core/correction';
import { betweenChanges, levelsOf, newWaterOf, type Batch } from '$lib/core/judgement/plan';
import { waterNow } from '$lib/core/judgement/water';
import type { ParameterId } from '$lib/core/quantity';
import { ownLimits } from '../../repository/correction.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from '../judgement/judged-water.ts';
import { readBatches } from './batches.ts';

export interface ChangeWish {
	readonly litres: number;
	readonly count: number;
	readonly everyDays: number;
	readonly batch: string;
}

/** What a change, or several, would do. */
export interface ChangeAnswer {
	readonly volumeL: number | null;
	readonly tank: Readonly<Partial<Record<ParameterId, Known>>>;
	readonly fresh: LevelsOf;
	readonly batches: readonly Batch[];
	readonly moves: readonly ChangeMove[];
	readonly largest: { readonly litres: number; readonly by: ParameterId | null } | null;
	readonly series: readonly SeriesStep[];
}

/** A tenth of the water, once, with the newest batch: where nothing was asked for. */
const USUAL_SHARE = 0.1;

export async function readChange(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	wish: Partial<ChangeWish>
): Promise<ChangeAnswer & { readonly wish: ChangeWish }> {
	const [judged, batches, limits] = await Promise.all([
		judgedWater(deps, scope, water),
		readBatches(deps, scope),
		ownLimits(deps.db, scope, water.id)
	]);
	const now = waterNow(judged, true);
	const volumeL = water.netVolumeL;
	const asked: ChangeWish = {
		litres: wish.litres ?? Math.round((volumeL ?? 100) * USUAL_SHARE),
		count: wish.count ?? 1,
		everyDays: wish.everyDays ?? 7,
		batch: wish.batch ?? batches[0]?.name ?? ''
	};
	const fresh = newWaterOf(batches, asked.batch);
	if (!now || volumeL === null) {
		return { volumeL, tank: {}, fresh, batches, moves: [], largest: null, series: [], wish: asked };
	}
	const tank = levelsOf(now);
	const fraction = Math.min(1, asked.litres / volumeL);
	const limitOf = (parameter: Limited, direction: 'up' | 'down') =>
		LIMITED.includes(parameter) ? limitFor(parameter, direction, limits, water.hasAnimals) : null;
	const { fraction: most, by } = largestChange(tank, fresh, limitOf);
	return {
		volumeL,
		tank: now.levels,
		fresh,
		batches,
		moves: movesOfChange(tank, fresh, fraction, limitOf),
		largest: { litres: most * volumeL, by },
		series: seriesOf(tank, fresh, { fraction, count: asked.count }, betweenChanges(judged, asked.everyDays)),
		wish: asked
	};
}
