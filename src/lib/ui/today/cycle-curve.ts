import type { CycleToday } from '$lib/core/judgement/water';
import type { Instant } from '$lib/core/time';

/** A reading as it is drawn: where it is taken to be, and its ends. */
export interface CurvePoint {
	readonly at: Instant;
	readonly best: number;
	readonly lower: number;
	readonly upper: number;
	/** "More than": its upper end is not known. */
	readonly open: boolean;
}

export interface Curve {
	readonly points: readonly CurvePoint[];
	/** The height of the drawing, mg/L. */
	readonly top: number;
}

/** Readings of one parameter as a curve; the lowest colour is drawn as none. */
export function curveOf(readings: CycleToday['curves']): Curve {
	const points = readings.map(({ at, lower, upper }): CurvePoint => {
		const end = upper ?? 1.3 * lower;
		return { at, lower, upper: end, best: lower === 0 ? 0 : (lower + end) / 2, open: upper === null };
	});
	return { points, top: Math.max(0.5, ...points.map((p) => p.upper)) };
}
