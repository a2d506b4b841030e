import { volumeAt, type SupplementStrength } from '../../balance/index.ts';
import type { RecurringDose, StoredEvent, Water } from '../../record/index.ts';
import { addDays, type Instant } from '../../time/index.ts';
import type { RisePerDay } from '../plan/plan-types.ts';
import { RAISED } from './supplement.ts';

/** What a water lived through up to now. */
export interface Lived {
	readonly events: readonly StoredEvent[];
	readonly now: Instant;
	readonly water: Pick<Water, 'netVolumeL' | 'volumes'>;
}

/** The daily doses that run now, by the newest entry of each supplement. */
export function runningDoses({ events, now }: Lived): RecurringDose[] {
	const newest = new Map<string, RecurringDose>();
	for (const e of events) {
		if (e.kind !== 'recurring-dose' || e.happenedAt > now) continue;
		newest.set(e.details.supplement, e.details);
	}
	return [...newest.values()].filter((r) => r.amountMlPerDay > 0);
}

function sumOf(
	added: readonly { readonly amountMl: number; readonly strength: readonly SupplementStrength[] }[],
	volumeL: number | null
): RisePerDay {
	if (volumeL === null) return {};
	return Object.fromEntries(
		RAISED.flatMap((parameter) => {
			const rise = added
				.flatMap(({ amountMl, strength }) =>
					strength.filter((s) => s.parameter === parameter).map((s) => s.risePerMlIn100L * amountMl)
				)
				.reduce((sum, r) => sum + (100 * r) / volumeL, 0);
			return rise > 0 ? [[parameter, rise]] : [];
		})
	);
}

/** What the daily doses bring of each parameter a day. */
export function dosedPerDay(judged: Lived): RisePerDay {
	return sumOf(
		runningDoses(judged).map((r) => ({ amountMl: r.amountMlPerDay, strength: r.strength })),
		judged.water.netVolumeL
	);
}

/** What single doses brought within the last day. */
export function givenToday({ events, now, water }: Lived): RisePerDay {
	const since = addDays(now, -1);
	return sumOf(
		events
			.filter((e) => e.kind === 'dose')
			.filter((e) => e.happenedAt > since && e.happenedAt <= now)
			.map((e) => e.details),
		water.netVolumeL
	);
}

/** The single doses of a parameter with what each was believed to raise, by the volume that the water had then. */
export function singleDoses(
	{ events, now, water }: Lived,
	parameter: (typeof RAISED)[number]
): { readonly at: Instant; readonly rise: number }[] {
	if (water.volumes.length === 0) return [];
	return events.flatMap((e) => {
		if (e.kind !== 'dose' || e.happenedAt > now) return [];
		const rise = sumOf([e.details], volumeAt(water.volumes, e.happenedAt))[parameter];
		return rise ? [{ at: e.happenedAt, rise }] : [];
	});
}
