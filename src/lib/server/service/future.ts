import type { Instant } from '$lib/core/time';

/** A device's clock may run a little ahead of the server's; beyond that the time is a mistake. */
const LEEWAY_MS = 5 * 60_000;

export function isFuture(at: number, now: Instant): boolean {
	return at > now + LEEWAY_MS;
}
