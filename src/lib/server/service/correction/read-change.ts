import { LIMITED } from '$lib/core/caution';
import { limitFor, type ChangeGiven, type DayLimit, type Known } from '$lib/core/correction';
import { betweenChanges, newWaterOf, type Batch } from '$lib/core/judgement/plan';
import { waterNow } from '$lib/core/judgement/water';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import { bandAt, type SourcedBand } from '$lib/core/record';
import { ownLimits } from '../../repository/correction.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from '../judgement/judged-water.ts';
import { readBatches } from './batches.ts';

/** What a change of water is reckoned from. */
export interface ChangeAnswer {
	/** Null where the volume of the water is not known. */
	readonly given: ChangeGiven | null;
	readonly batches: readonly Pick<Batch, 'name' | 'findings'>[];
	readonly bands: Readonly<Partial<Record<ParameterId, SourcedBand>>>;
}

export async function readChange(deps: Deps, scope: SiteScope, water: Water): Promise<ChangeAnswer> {
	const [judged, batches, limits] = await Promise.all([
		judgedWater(deps, scope, water),
		readBatches(deps, scope),
		ownLimits(deps.db, scope, water.id)
	]);
	const tank: Readonly<Partial<Record<ParameterId, Known>>> = waterNow(judged, true)?.levels ?? {};
	const perDay = betweenChanges(judged, 1);
	const present = Object.keys(tank) as ParameterId[];
	return {
		given:
			water.netVolumeL === null
				? null
				: {
						volumeL: water.netVolumeL,
						tank,
						batches: batches.map(({ name }) => ({ name, levels: newWaterOf(batches, name) })),
						limits: Object.fromEntries(
							LIMITED.map((p): [ParameterId, DayLimit] => [
								p,
								{
									up: limitFor(p, 'up', limits, water.hasAnimals),
									down: limitFor(p, 'down', limits, water.hasAnimals)
								}
							])
						),
						netPerDay: Object.fromEntries(present.map((p) => [p, perDay(p)]))
					},
		batches: batches.map(({ name, findings }) => ({ name, findings })),
		bands: Object.fromEntries(
			PARAMETER_IDS.flatMap((p) => {
				const band = bandAt(judged.targets, p, judged.now);
				return band ? [[p, band]] : [];
			})
		)
	};
}
