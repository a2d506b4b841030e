import { OUT_OF_THE_ORDINARY, type EventKind } from '$lib/core/record';
import { daysBetween, type Instant } from '$lib/core/time';

/** Beyond this a line for every water change would hide the readings. */
const LONG_SPAN_DAYS = 200;

/** The events that are drawn as lines: all of them, or in a long span only what is out of the ordinary. */
export function shownEvents<E extends { readonly kind: EventKind }>(
	events: readonly E[],
	from: Instant,
	to: Instant
): readonly E[] {
	return daysBetween(from, to) <= LONG_SPAN_DAYS
		? events
		: events.filter((e) => OUT_OF_THE_ORDINARY.has(e.kind));
}
