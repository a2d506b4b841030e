import type { Clock } from '$lib/core/time';

/**
 * Counts what each address and member asks for in the present minute. Kept in memory: after a restart the
 * minute begins anew, which harms nobody.
 */
export function createLimiter(clock: Clock, mostPerMinute: number) {
	let minute = 0;
	let counts = new Map<string, number>();
	return {
		/** True while the key is within its limit. */
		admits(key: string): boolean {
			const present = Math.floor(clock.now() / 60_000);
			if (present !== minute) {
				minute = present;
				counts = new Map();
			}
			const count = (counts.get(key) ?? 0) + 1;
			counts.set(key, count);
			return count <= mostPerMinute;
		}
	};
}
