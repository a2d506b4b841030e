/** Milliseconds since 1970-01-01T00:00:00Z. */
export type Instant = number & { readonly __instant: unique symbol };

/** Where the present comes from; the core never reads a clock by itself. */
export interface Clock {
	now(): Instant;
}

export const DAY_MS = 86_400_000;

/** @throws {RangeError} when ms is not a finite number */
export function instant(ms: number): Instant {
	if (!Number.isFinite(ms)) throw new RangeError(`not an instant: ${ms}`);
	return ms as Instant;
}

export function toIso(at: Instant): string {
	return new Date(at).toISOString();
}

/** @throws {RangeError} when the text is not an ISO 8601 date and time */
export function fromIso(text: string): Instant {
	return instant(Date.parse(text));
}

/** From `from` to `to`, in days of 24 hours; negative when `to` is earlier. */
export function daysBetween(from: Instant, to: Instant): number {
	return (to - from) / DAY_MS;
}

export function addDays(at: Instant, days: number): Instant {
	return instant(at + days * DAY_MS);
}

export function addSeconds(at: Instant, seconds: number): Instant {
	return instant(at + seconds * 1000);
}
