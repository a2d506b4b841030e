import { limitFor, runningDoses, strangeMoves, type Known, type StrangeMove } from '$lib/core/correction';
import type { NamedSupplement } from '$lib/core/judgement/plan';
import { knownLevel, volumeOf } from '$lib/core/judgement/water';
import { isLine } from '$lib/core/trend';
import { ownLimits } from '../../repository/correction.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from '../judgement/judged-water.ts';
import { namedSupplements } from './supplements.ts';

/** What the daily dose stands on: what is used, what runs, what is at hand. */
export interface DailyAnswer {
	readonly use: { readonly alkalinity: Known; readonly calcium: Known } | null;
	readonly volumeL: Known | null;
	readonly alkalinity: Known | null;
	readonly salinity: Known | null;
	readonly running: readonly {
		readonly name: string;
		readonly perDay: number;
		readonly unit: 'ml' | 'g';
		readonly brings: readonly { readonly parameter: string; readonly perDay: number }[];
	}[];
	/** What asks whether a pump failed before anything is set. */
	readonly strange: readonly StrangeMove[];
	/** What a day may change, which a daily dose is never set further by at once; null without animals. */
	readonly limits: Readonly<
		Record<'alkalinity' | 'calcium', { readonly up: number | null; readonly down: number | null }>
	>;
	readonly supplements: readonly NamedSupplement[];
}

export async function readDaily(deps: Deps, scope: SiteScope, water: Water): Promise<DailyAnswer> {
	const [judged, supplements, limits] = await Promise.all([
		judgedWater(deps, scope, water),
		namedSupplements(deps.db, scope),
		ownLimits(deps.db, scope, water.id)
	]);
	const useOf = (parameter: 'alkalinity' | 'calcium'): Known | null => {
		const line = judged.estimates.of(parameter);
		// One reading says nothing of what is used.
		return isLine(parameter, line) && line.basedOn > 1 ? line.consumptionPerDay : null;
	};
	const both = (parameter: 'alkalinity' | 'calcium') => ({
		up: limitFor(parameter, 'up', limits, water.hasAnimals),
		down: limitFor(parameter, 'down', limits, water.hasAnimals)
	});
	const alkalinity = useOf('alkalinity');
	const calcium = useOf('calcium');
	const litres = water.netVolumeL;
	return {
		use: alkalinity && calcium ? { alkalinity, calcium } : null,
		volumeL: volumeOf(water, false),
		alkalinity: knownLevel(judged, 'alkalinity'),
		salinity: knownLevel(judged, 'salinity'),
		running: runningDoses(judged).map((r) => ({
			name: r.supplement,
			perDay: r.amountMlPerDay,
			unit: r.unit ?? 'ml',
			brings: r.strength.map((s) => ({
				parameter: s.parameter,
				perDay: litres === null ? 0 : (s.risePerMlIn100L * r.amountMlPerDay * 100) / litres
			}))
		})),
		strange: strangeMoves(judged),
		limits: {
			alkalinity: both('alkalinity'),
			calcium: both('calcium')
		},
		supplements
	};
}
