import { addDays, type Instant } from '../time/index.ts';

/** Tries that cost nothing: whoever mistypes is not held up. */
const FREE_TRIES = 5;
const FIRST_PAUSE_MINUTES = 1;
const LONGEST_PAUSE_MINUTES = 60;
/** After so long without a try all that failed is forgotten. */
const FORGOTTEN_MINUTES = 24 * 60;

const after = (at: Instant, minutes: number) => addDays(at, minutes / (24 * 60));

/** What failed at a door: how often, and when last. */
export interface FailedTries {
	readonly failures: number;
	readonly lastAt: Instant;
}

/**
 * Until when no further try is looked at; null where one may be made at once. The first cost nothing, each after them
 * twice the pause of the one before, from a minute to an hour. At that pace a thousand guesses take six weeks.
 *
 * @param free how many cost nothing: more where several people try at one door
 * @see NIST SP 800-63B-4, section 3.2.2 (rate limiting): increasing pauses instead of a lock that anybody could set off
 */
export function pausedUntil({ failures, lastAt }: FailedTries, free: number = FREE_TRIES): Instant | null {
	if (failures < free) return null;
	const minutes = FIRST_PAUSE_MINUTES * 2 ** Math.min(failures - free, 10);
	return after(lastAt, Math.min(minutes, LONGEST_PAUSE_MINUTES));
}

/** What failed before is forgotten at a time. */
export function forgottenBefore(now: Instant): Instant {
	return after(now, -FORGOTTEN_MINUTES);
}

/** What stands after one more try failed. */
export function afterFailure(before: FailedTries | null, now: Instant): FailedTries {
	const isForgotten = before === null || before.lastAt <= forgottenBefore(now);
	return { failures: isForgotten ? 1 : before.failures + 1, lastAt: now };
}
