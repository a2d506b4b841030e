import { instant, type Clock } from '$lib/core/time';

/** How the server's clock goes, when it was set for development; null when it is the real one. */
export interface SharedClock {
	readonly nowMs: number;
	readonly rate: number;
}

/** The browser's one clock: the device's own, or in step with a set one of the server. */
export function browserClock(shared: SharedClock | null): Clock {
	if (!shared) return { now: () => instant(Date.now()) };
	const origin = performance.now();
	return { now: () => instant(Math.round(shared.nowMs + (performance.now() - origin) * shared.rate)) };
}
