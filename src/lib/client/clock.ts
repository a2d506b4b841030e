import { instant, type Clock } from '$lib/core/time';

/** How the server's clock goes, when it was set for development; null when it is the real one. */
export interface SharedClock {
	readonly nowMs: number;
	readonly rate: number;
}

/** Where a set clock is remembered, so that the bench without a network goes on in step with it. */
const REMEMBERED = 'tevrik-clock';

/** Sent to the window by whoever moved the server's set clock, with the milliseconds. */
const MOVED = 'tevrik:clock';

/** The browser's one clock: the device's own, or in step with a set one of the server. */
export function browserClock(shared: SharedClock | null): Clock {
	if (!shared) return { now: () => instant(Date.now()) };
	const origin = performance.now();
	let movedMs = 0;
	const nowMs = () => shared.nowMs + movedMs + (performance.now() - origin) * shared.rate;
	if (typeof window !== 'undefined') {
		window.addEventListener(MOVED, (event) => {
			movedMs += (event as CustomEvent<number>).detail;
			rememberClock({ nowMs: nowMs(), rate: shared.rate });
		});
	}
	return { now: () => instant(Math.round(nowMs())) };
}

/** Remembers how a set clock goes against the device's own; forgets it where none is set. */
export function rememberClock(shared: SharedClock | null): void {
	try {
		if (shared) localStorage.setItem(REMEMBERED, JSON.stringify({ ...shared, wallMs: Date.now() }));
		else localStorage.removeItem(REMEMBERED);
	} catch {
		// Without a store there is nothing to remember it in.
	}
}

/** The set clock as it goes now, as far as it is remembered. */
export function rememberedClock(): SharedClock | null {
	try {
		const kept = JSON.parse(localStorage.getItem(REMEMBERED) ?? 'null') as
			(SharedClock & { wallMs: number }) | null;
		return kept && { nowMs: kept.nowMs + (Date.now() - kept.wallMs) * kept.rate, rate: kept.rate };
	} catch {
		return null;
	}
}
