import type { EventDetails, EventKind } from '$lib/contract/event';
import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { Prediction, RatePerDay } from '$lib/core/trend';

/** One parameter over time, as the server sends it; canonical units. */
export interface TrendRow {
	readonly parameter: ParameterId;
	readonly band: { readonly low: number | null; readonly high: number | null } | null;
	readonly readings: readonly { readonly at: Instant; readonly result: TestResult }[];
	readonly line: readonly (Prediction & { readonly at: Instant })[];
	readonly now: Prediction;
	readonly basedOn: number;
	readonly netChangePerDay: RatePerDay;
	readonly consumptionPerDay: RatePerDay;
}

export interface TrendEvent {
	readonly id: string;
	readonly kind: EventKind;
	readonly details: EventDetails;
	readonly note: string;
	readonly happenedAt: Instant;
}
