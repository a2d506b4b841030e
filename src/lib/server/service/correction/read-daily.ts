import {
	limitFor,
	runningDoses,
	strangeMoves,
	TUNED,
	type DailyGiven,
	type Known,
	type StrangeMove,
	type Tuned
} from '$lib/core/correction';
import type { NamedSupplement } from '$lib/core/judgement/plan';
import { knownLevel, volumeOf } from '$lib/core/judgement/water';
import { bandAt, type SourcedBand } from '$lib/core/record';
import { isLine } from '$lib/core/trend';
import { ownLimits } from '../../repository/correction.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from '../judgement/judged-water.ts';
import { namedSupplements } from './supplements.ts';

/** What the daily dose stands on: what is used, what runs, what is at hand. */
export interface DailyAnswer {
	/** Null where use or volume are not known. */
	readonly given: DailyGiven | null;
	readonly isVolumeKnown: boolean;
	readonly bands: Readonly<Record<Tuned, SourcedBand | null>>;
	readonly running: readonly {
		readonly name: string;
		readonly perDay: number;
		readonly unit: 'ml' | 'g';
		readonly brings: readonly { readonly parameter: string; readonly perDay: number }[];
	}[];
	/** What asks whether a pump failed before anything is set. */
	readonly strange: readonly StrangeMove[];
	readonly supplements: readonly NamedSupplement[];
}

export async function readDaily(deps: Deps, scope: SiteScope, water: Water): Promise<DailyAnswer> {
	const [judged, supplements, limits] = await Promise.all([
		judgedWater(deps, scope, water),
		namedSupplements(deps.db, scope),
		ownLimits(deps.db, scope, water.id)
	]);
	const useOf = (parameter: Tuned): Known | null => {
		const line = judged.estimates.of(parameter);
		// One reading says nothing of what is used.
		return isLine(parameter, line) && line.basedOn > 1 ? line.consumptionPerDay : null;
	};
	const both = (parameter: Tuned) => ({
		up: limitFor(parameter, 'up', limits, water.hasAnimals),
		down: limitFor(parameter, 'down', limits, water.hasAnimals)
	});
	const ofBoth = <T>(of: (parameter: Tuned) => T) =>
		Object.fromEntries(TUNED.map((p) => [p, of(p)])) as Record<Tuned, T>;
	const use = ofBoth(useOf);
	const volumeL = volumeOf(water, false);
	const litres = water.netVolumeL;
	const running = runningDoses(judged).map((r) => ({
		name: r.supplement,
		perDay: r.amountMlPerDay,
		unit: r.unit ?? ('ml' as const),
		brings: r.strength.map((s) => ({
			parameter: s.parameter,
			perDay: litres === null ? 0 : (s.risePerMlIn100L * r.amountMlPerDay * 100) / litres
		}))
	}));
	const brought = (parameter: Tuned) =>
		running.reduce((sum, r) => sum + (r.brings.find((b) => b.parameter === parameter)?.perDay ?? 0), 0);
	const { alkalinity, calcium } = use;
	return {
		given:
			alkalinity && calcium && volumeL
				? {
						use: { alkalinity, calcium },
						volumeL,
						levels: ofBoth((p) => knownLevel(judged, p)),
						salinity: knownLevel(judged, 'salinity'),
						brought: ofBoth(brought),
						limits: ofBoth(both)
					}
				: null,
		isVolumeKnown: volumeL !== null,
		bands: ofBoth((p) => bandAt(judged.targets, p, judged.now)),
		running,
		strange: strangeMoves(judged),
		supplements
	};
}
