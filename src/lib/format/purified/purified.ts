import {
	LASTS_DAYS,
	PPM_PER_US,
	type MeterUnit,
	type PurifiedFact,
	type PurifiedPart,
	type PurifiedState,
	type UnitPart,
	type UnitStage
} from '$lib/core/purified';
import type { Instant } from '$lib/core/time';
import { ago, shortDay } from '../date.ts';
import { percent, plain } from '../number.ts';

export const STAGE_OF_UNIT_NAMES: Readonly<Record<UnitStage, string>> = {
	tap: 'Tap water',
	'after-membrane': 'After the membrane',
	'after-resin': 'After the resin, as it is used'
};
export const UNIT_PART_NAMES: Readonly<Record<UnitPart, string>> = {
	prefilter: 'Filters before the membrane',
	membrane: 'Membrane',
	resin: 'Resin'
};
export const METER_UNIT_NAMES: Readonly<Record<MeterUnit, string>> = { 'us-per-cm': 'µS/cm', ppm: 'ppm' };

const rounded = (x: number) => plain(Number(x.toPrecision(x < 10 ? 2 : 3)));

/** "4 µS/cm, 2 ppm" */
export function meterWords(us: number): string {
	return `${rounded(us)} µS/cm, ${rounded(us * PPM_PER_US)} ppm`;
}

/** One line of what was noted. */
export function purifiedFactWords(fact: PurifiedFact): string {
	return fact.kind === 'changed'
		? `${UNIT_PART_NAMES[fact.part]} changed`
		: `${STAGE_OF_UNIT_NAMES[fact.stage]}: ${plain(fact.value)} ${METER_UNIT_NAMES[fact.unit]}`;
}

/** Whether it may be used, in one sentence. */
export function purifiedSentence(
	{ isPure, readings, parts }: PurifiedState,
	timeZone: string,
	now: Instant
): string {
	const last = readings['after-resin'];
	if (!last) return 'Nobody has measured it yet.';
	const changedAt = parts.find((p) => p.part === 'resin')?.changedAt ?? null;
	if (changedAt !== null && changedAt > last.at) return 'Not measured since the resin was changed.';
	if (isPure === null) {
		return `Measured ${ago(last.at, timeZone, now)}: that is too long ago to rely on. Measure it before it is used.`;
	}
	return isPure
		? `${meterWords(last.us)}, ${ago(last.at, timeZone, now)}: pure enough for mixing, topping up and thinning.`
		: `${meterWords(last.us)}, ${ago(last.at, timeZone, now)}: it brings something along. Change the resin, then measure again, before it is mixed or topped up with.`;
}

/** What the membrane holds back; empty without both readings. */
export function rejectionWords({ rejection }: PurifiedState): string {
	if (rejection === null) return '';
	return `The membrane holds back ${percent(rejection)} of what the tap brings.`;
}

/** How a part stands, and what to do. */
export function unitPartWords(
	{ part, changedAt, dueAt, state }: PurifiedPart,
	timeZone: string,
	now: Instant
): string {
	const since = changedAt === null ? '' : `Changed ${shortDay(changedAt, timeZone, now)}. `;
	switch (state.kind) {
		case 'done':
			return `${since}${part === 'resin' ? 'The meter shows that it is used up: change it.' : 'It lets too much through: look at its seal and its flush, then change it.'}`;
		case 'old':
			return `${since}That is ${state.days} days; it lasts about ${LASTS_DAYS[part]}. Change it.`;
		case 'unknown':
			return 'Nobody noted when it was changed.';
		case 'good':
			return `${since}Due about ${shortDay(dueAt!, timeZone, now)}, or when the meter says so.`;
	}
}
