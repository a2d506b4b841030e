import type { NamedSupplement } from '$lib/contract/adjust';
import type { RecurringDoseDetails } from '$lib/contract/event';
import type { Static } from '@sinclair/typebox';
import { GUESSED_VOLUME_U, type Known } from '$lib/core/correction';
import type { SiteScope } from '../repository/scope.ts';
import type { Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { judgeWater } from './judge-water.ts';
import { namedSupplements } from './supplements.ts';
import { isLine } from './water-history.ts';
import { knownLevel } from './water-now.ts';

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
	readonly supplements: readonly NamedSupplement[];
}

export async function readDaily(deps: Deps, scope: SiteScope, water: Water): Promise<DailyAnswer> {
	const [judged, supplements] = await Promise.all([
		judgeWater(deps, scope, water),
		namedSupplements(deps.db, scope)
	]);
	const useOf = (parameter: 'alkalinity' | 'calcium'): Known | null => {
		const line = judged.estimates.of(parameter);
		return isLine(parameter, line) ? line.consumptionPerDay : null;
	};
	const alkalinity = useOf('alkalinity');
	const calcium = useOf('calcium');
	const newest = new Map<string, Static<typeof RecurringDoseDetails>>();
	for (const e of judged.events) {
		if (e.kind !== 'recurring-dose' || e.happenedAt > judged.now) continue;
		const details = e.details as Static<typeof RecurringDoseDetails>;
		newest.set(details.supplement, details);
	}
	const litres = water.netVolumeL;
	return {
		use: alkalinity && calcium ? { alkalinity, calcium } : null,
		volumeL: litres === null ? null : { value: litres, u: litres * GUESSED_VOLUME_U },
		alkalinity: knownLevel(judged, 'alkalinity'),
		salinity: knownLevel(judged, 'salinity'),
		running: [...newest.values()]
			.filter((r) => r.amountMlPerDay > 0)
			.map((r) => ({
				name: r.supplement,
				perDay: r.amountMlPerDay,
				unit: r.unit ?? 'ml',
				brings: r.strength.map((s) => ({
					parameter: s.parameter,
					perDay: litres === null ? 0 : (s.risePerMlIn100L * r.amountMlPerDay * 100) / litres
				}))
			})),
		supplements
	};
}
