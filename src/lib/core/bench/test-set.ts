import type { Portion } from '../method/index.ts';
import { addDays, civilDate, instantOnDay, timeOfMinute, weekdayOf, type Instant } from '../time/index.ts';
import type { Wish } from './plan/index.ts';

/** One test of a keeper's own set. */
export interface SetTest {
	readonly waterId: string;
	readonly methodCode: string;
	readonly portion: Portion;
	/** Replicates of one sample. */
	readonly times: number;
}

/** Tests that are made together, as their keeper named and ordered them. */
export interface TestSet {
	readonly id: string;
	readonly name: string;
	readonly tests: readonly SetTest[];
	/** Days of the week on which it is made, 1 is Monday and 7 Sunday; empty where it has no day. */
	readonly weekdays: readonly number[];
	/** Minutes after midnight, in the site's zone; null where it has no hour. */
	readonly atMinute: number | null;
	/** The tests begin one after another as they stand, whatever order would be shorter. */
	readonly inOrder: boolean;
}

const NOON = 12 * 60;

/** Whether all that a set reads was read on this day already. @param readAt when each of its tests was made last */
export function isMadeToday(readAt: readonly (Instant | null)[], now: Instant, timeZone: string): boolean {
	const today = civilDate(now, timeZone);
	return readAt.length > 0 && readAt.every((at) => at !== null && civilDate(at, timeZone) === today);
}

/**
 * When a set is made next: today still, however late, unless it was made already, or on the next of its days. One
 * without an hour is told at noon.
 *
 * @returns null where the set has no day
 */
export function nextTimeOf(
	{ weekdays, atMinute }: Pick<TestSet, 'weekdays' | 'atMinute'>,
	now: Instant,
	timeZone: string,
	isMade = false
): Instant | null {
	for (let days = isMade ? 1 : 0; days <= 7; days++) {
		const at = addDays(now, days);
		if (!weekdays.includes(weekdayOf(at, timeZone))) continue;
		return instantOnDay(civilDate(at, timeZone), timeOfMinute(atMinute ?? NOON), timeZone);
	}
	return null;
}

/** Whether today is one of its days. */
export function isSetDay(set: Pick<TestSet, 'weekdays'>, now: Instant, timeZone: string): boolean {
	return set.weekdays.includes(weekdayOf(now, timeZone));
}

/** The sets that are about a water, the one whose time comes next first; those without a day after them, by name. */
export function setsOf(
	sets: readonly TestSet[],
	waterId: string,
	now: Instant,
	timeZone: string
): readonly TestSet[] {
	const time = (s: TestSet) => nextTimeOf(s, now, timeZone) ?? Infinity;
	return sets
		.filter((s) => s.tests.some((t) => t.waterId === waterId))
		.sort((a, b) => time(a) - time(b) || a.name.localeCompare(b.name));
}

/** What the planner has to keep to where the tests begin one after another. @param runs ids in their order */
export function orderWishes(runs: readonly string[]): readonly Wish[] {
	return runs.slice(1).map((before, i) => ({ kind: 'first', test: runs[i]!, before }));
}

/** Half an hour in the light: the animals are awake, and pH and oxygen are on their way up. */
const INTO_LIGHT_MIN = 30;

/**
 * Tomorrow at this hour, or, where the light is off then, half an hour after it comes on: what is left over is not
 * tested in the dark, when pH and oxygen stand at their lowest.
 *
 * @param lights minutes after midnight; null where there are none
 */
export function tomorrowInLight(
	now: Instant,
	lights: { readonly onMinute: number; readonly offMinute: number } | null,
	timeZone: string
): Instant {
	const day = civilDate(addDays(now, 1), timeZone);
	const clock = (minute: number) => instantOnDay(day, timeOfMinute(minute), timeZone);
	const sameHour = addDays(now, 1);
	if (!lights || lights.onMinute === lights.offMinute) return sameHour;
	const midnight = clock(0);
	const minute = Math.floor((sameHour - midnight) / 60_000);
	const { onMinute, offMinute } = lights;
	const isLit =
		onMinute < offMinute
			? minute >= onMinute && minute < offMinute
			: minute >= onMinute || minute < offMinute;
	return isLit ? sameHour : clock(Math.min(onMinute + INTO_LIGHT_MIN, 24 * 60 - 1));
}
