import type { EventDetails, EventKind } from '$lib/core/record';
import type { Instant } from '$lib/core/time';

/** An event as the time axis shows it. */
export interface TrendEvent {
	readonly id: string;
	readonly kind: EventKind;
	readonly details: EventDetails;
	readonly note: string;
	readonly happenedAt: Instant;
}
