/** Relative and least absolute slack of a comparison with a limit: 0.1 + 0.2 must not miss 0.3. */
const SLACK = 1e-9;

function slackAt(limit: number): number {
	return SLACK * Math.max(1, Math.abs(limit));
}

export function nearlyEqual(a: number, b: number): boolean {
	return Math.abs(a - b) <= slackAt(b);
}

export function atMost(value: number, limit: number): boolean {
	return value <= limit + slackAt(limit);
}

export function atLeast(value: number, limit: number): boolean {
	return value >= limit - slackAt(limit);
}

/** Rounds to a multiple of `step`, without the dust that binary fractions leave (0.57, not 0.5700000001). */
export function roundTo(value: number, step: number): number {
	return Number((Math.round(value / step) * step).toPrecision(12));
}
