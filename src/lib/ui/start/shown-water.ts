import { PROFILES, type ProfileId } from '$lib/core/judgement';
import { timeOfMinute, type Instant } from '$lib/core/time';
import { shortDay } from '$lib/format/date';
import { litresWords } from '$lib/format/volume';
import type { WaterKind } from '$lib/contract/choices';

/** A water in the list of all. */
export interface ShownWater {
	readonly id: string;
	readonly name: string;
	readonly kind: WaterKind;
	readonly profile: ProfileId | null;
	readonly netVolumeL: number | null;
	readonly volumeUL: number | null;
	readonly hasAnimals: boolean;
	readonly startedAt: Instant;
	readonly endedAt: Instant | null;
	readonly lights: readonly {
		readonly fromAt: Instant;
		readonly onMinute: number | null;
		readonly offMinute: number | null;
	}[];
	/** Of the next change of it. */
	readonly changeId: string;
}

export const KIND_WORDS: Readonly<Record<WaterKind, string>> = {
	tank: 'tank',
	'new-mix': 'mixing barrel',
	source: 'source',
	collected: 'collected sample'
};

/** The volume, with how far it may be off. */
export function volumeWords({ netVolumeL, volumeUL }: Pick<ShownWater, 'netVolumeL' | 'volumeUL'>): string {
	if (netVolumeL === null) return 'volume not known';
	const off = volumeUL === null ? '' : ` ± ${litresWords(Number((2 * volumeUL).toPrecision(2)))}`;
	return `${litresWords(netVolumeL)}${off}`;
}

export function lightsNow({ lights }: Pick<ShownWater, 'lights'>, now: Instant) {
	return lights.findLast((l) => l.fromAt <= now) ?? null;
}

/** What is known of it, in one line. */
export function waterFacts(water: ShownWater, timeZone: string, now: Instant): string {
	const light = lightsNow(water, now);
	const lit = light && light.onMinute !== null && light.offMinute !== null;
	return [
		water.profile ? PROFILES[water.profile].name.toLowerCase() : KIND_WORDS[water.kind],
		volumeWords(water),
		lit ? `light ${timeOfMinute(light.onMinute)} to ${timeOfMinute(light.offMinute)}` : '',
		water.kind === 'tank' && !water.hasAnimals ? 'nothing lives in it' : '',
		water.endedAt === null
			? `since ${shortDay(water.startedAt, timeZone, now)}`
			: `${shortDay(water.startedAt, timeZone, now)} to ${shortDay(water.endedAt, timeZone, now)}`
	]
		.filter(Boolean)
		.join(', ');
}
