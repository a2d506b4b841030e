import { fail, ok, type Result } from '../result/index.ts';
import type { Instant } from './instant.ts';

/** A device's clock may run a little ahead of the server's; beyond that the time is a mistake. */
const LEEWAY_MS = 5 * 60_000;

export function isFuture(at: number, now: Instant): boolean {
	return at > now + LEEWAY_MS;
}

/** One time of something that happened: which field it is, and what a person calls it within a sentence. */
export interface NamedTime {
	readonly field: string;
	readonly at: number;
	readonly name: string;
}

/**
 * Whether what happened, happened in its order and by now. A device whose clock is ahead is told by how many minutes,
 * so that what it sent can be put right by them.
 *
 * @param times in the order in which they must be; equal ones are in order
 */
export function inOrderByNow(times: readonly NamedTime[], now: Instant): Result<null> {
	const latest = times.reduce<NamedTime | null>((last, t) => (last && last.at >= t.at ? last : t), null);
	if (latest && isFuture(latest.at, now)) {
		return fail('in-the-future', latest.field, { minutes: Math.ceil((latest.at - now) / 60_000) });
	}
	for (const [i, time] of times.entries()) {
		const before = times[i - 1];
		if (before && time.at < before.at) return fail('out-of-order', time.field, { before: before.name });
	}
	return ok(null);
}
