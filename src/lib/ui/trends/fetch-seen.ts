import { daysOfWindow, type DaySpan, type TrendSeries } from '$lib/contract/trends';
import { instant, type Instant } from '$lib/core/time';
import type { TrendEvent } from './trend-event';

/** A part of a water's time, as it was sent. */
export interface Seen {
	readonly name: string;
	readonly series: TrendSeries;
	readonly events: readonly TrendEvent[];
}

/** What was sent for a much wider span shows too little of what one looks at closely. */
const TOO_COARSE = 6;
/** A window of so many days is fine enough for any look. */
const FINE_MS = 10 * 86_400_000;

/** Whether what is looked at asks for more than what was sent. */
export function asksForMore(
	{ window, from, to }: Pick<TrendSeries, 'window' | 'from' | 'to'>,
	seen: { from: Instant; to: Instant }
): boolean {
	const left = Math.max(seen.from, from);
	const right = Math.min(seen.to, to);
	if (right <= left) return false;
	const isOutside = left < window.from || right > window.to;
	return isOutside || window.to - window.from > Math.max(FINE_MS, TOO_COARSE * (right - left));
}

/** The days that one looks at, as the server is asked for them. */
export function daysSeen(
	{ from, to }: Pick<TrendSeries, 'from' | 'to'>,
	seen: { from: Instant; to: Instant }
): DaySpan {
	const left = instant(Math.min(Math.max(seen.from, from), to));
	return daysOfWindow(left, instant(Math.max(left, Math.min(seen.to, to))));
}

/** @throws {Error} when the server cannot be reached, or does not answer with it */
export async function fetchSeen(waterId: string, { fromDay, toDay }: DaySpan): Promise<Seen> {
	const response = await fetch(`/api/waters/${waterId}/trends?fromDay=${fromDay}&toDay=${toDay}`);
	if (!response.ok) throw new Error(String(response.status));
	return ((await response.json()) as { value: Seen }).value;
}
