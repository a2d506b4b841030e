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

/**
 * Rounds to a multiple of a step that divides one (0.01, 0.005, 1e-6), to the nearest number there is: 0.57,
 * not 0.5700000001, since the quotient of two whole numbers is rounded only once; or of a whole one (5, 10).
 *
 * @throws {RangeError} when the step neither divides one nor is whole
 */
export function roundTo(value: number, step: number): number {
	if (Number.isInteger(step) && step > 1) return Math.round(value / step) * step;
	const perOne = Math.round(1 / step);
	if (Math.abs(perOne * step - 1) > SLACK)
		throw new RangeError(`a step of ${step} neither divides one nor is whole`);
	return Math.round(value * perOne) / perOne;
}
