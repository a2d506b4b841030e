import type { DatedVolume } from '../balance/index.ts';
import type { ProfileId } from '../judgement/index.ts';
import { offsetMinutes, type Instant } from '../time/index.ts';

/** A water as its keeper told of it. */
export interface Water {
	readonly id: string;
	readonly name: string;
	readonly kind: 'tank' | 'new-mix' | 'source' | 'collected';
	readonly hasAnimals: boolean;
	readonly startedAt: Instant;
	/** When it was entered here. */
	readonly knownSince: Instant;
	/** When it was taken down; null while it runs. */
	readonly endedAt: Instant | null;
	/** A stranger's bottle: kept until then, and no tank of this house. Null where it is one. */
	readonly guestUntil: Instant | null;
	/** All hours of light that it had, the earliest first. */
	readonly lights: readonly DatedLights[];
	/** Null where no volume is known (a source, a bottle). */
	readonly netVolumeL: number | null;
	/** Standard uncertainty of the volume; null where nobody said how it is known. */
	readonly volumeUL: number | null;
	/** All that it had, by which what was done then is reckoned. */
	readonly volumes: readonly DatedVolume[];
	readonly profile: ProfileId | null;
}

/** Minutes after midnight, in the site's zone; both null where there is no light, or nobody said. */
export interface DatedLights {
	readonly fromAt: Instant;
	readonly onMinute: number | null;
	readonly offMinute: number | null;
}

/** The light in force then; null where there is none, or nobody said. */
export function lightsAt(
	lights: readonly DatedLights[],
	at: Instant
): { readonly onMinute: number; readonly offMinute: number } | null {
	const { onMinute = null, offMinute = null } = lights.findLast((l) => l.fromAt <= at) ?? lights[0] ?? {};
	return onMinute === null || offMinute === null ? null : { onMinute, offMinute };
}

const MINUTES_PER_DAY = 1440;

/** Local minutes after midnight. */
function minuteOfDay(at: Instant, timeZone: string): number {
	const minutes = Math.floor(at / 60_000) + offsetMinutes(at, timeZone);
	return ((minutes % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
}

/** Whether the light was on at a time, by the hours that it had then; null where nobody said. */
export function litBy(lights: readonly DatedLights[], timeZone: string): ((at: Instant) => boolean) | null {
	if (lights.every((l) => l.onMinute === null)) return null;
	return (at) => {
		const { onMinute: on, offMinute: off } = lights.findLast((l) => l.fromAt <= at) ?? lights[0]!;
		if (on === null || off === null) return false;
		const minute = minuteOfDay(at, timeZone);
		return on <= off ? minute >= on && minute < off : minute >= on || minute < off;
	};
}
