import { nextTimeOf, type TestSet } from '$lib/core/bench';
import { timeOfMinute, type Instant } from '$lib/core/time';
import { shortDay } from '../date.ts';

/** When it is made next: "today at 10:00", "Sat 28 Nov at 10:00"; empty where it has no day. */
export function setTime(set: TestSet, now: Instant, timeZone: string, isMade = false): string {
	const at = nextTimeOf(set, now, timeZone, isMade);
	if (at === null) return '';
	const day = shortDay(at, timeZone, now);
	return set.atMinute === null ? day : `${day} at ${timeOfMinute(set.atMinute)}`;
}
