import type { DoseDetails, RecurringDoseDetails } from '$lib/contract/event';
import { volumeAt, type SupplementStrength } from '$lib/core/balance';
import { RAISED, type RisePerDay } from '$lib/core/correction';
import { addDays, type Instant } from '$lib/core/time';
import type { Static } from '@sinclair/typebox';
import type { StoredEvent } from '../repository/event.ts';
import type { Water } from '../repository/water.ts';

/** What a water lived through up to now. */
export interface Lived {
	readonly events: readonly StoredEvent[];
	readonly now: Instant;
	readonly water: Pick<Water, 'netVolumeL' | 'volumes'>;
}

/** The daily doses that run now, by the newest entry of each supplement. */
export function runningDoses({ events, now }: Lived): Static<typeof RecurringDoseDetails>[] {
	const newest = new Map<string, Static<typeof RecurringDoseDetails>>();
	for (const e of events) {
		if (e.kind !== 'recurring-dose' || e.happenedAt > now) continue;
		const details = e.details as Static<typeof RecurringDoseDetails>;
		newest.set(details.supplement, details);
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
			.filter((e) => e.kind === 'dose' && e.happenedAt > since && e.happenedAt <= now)
			.map((e) => e.details as Static<typeof DoseDetails>),
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
		const rise = sumOf([e.details as Static<typeof DoseDetails>], volumeAt(water.volumes, e.happenedAt))[
			parameter
		];
		return rise ? [{ at: e.happenedAt, rise }] : [];
	});
}
