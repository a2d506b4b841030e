import { nearlyEqual, atLeast, atMost } from '../numeric/index.ts';
import { fail, ok, type Result } from '../result/index.ts';

/** What was read, and the result that the leaflet prints beside it. */
export type ChartPoint = readonly [x: number, value: number];

/** Points in rising x, at least two, no x twice. Made by `chart` only. */
export type Chart = readonly ChartPoint[] & { readonly __chart: unique symbol };

export type ChartLookup =
	| { readonly flag: 'ok' | 'on_knot'; readonly value: number }
	| {
			readonly flag: 'outside_low' | 'outside_high';
			readonly bound: { readonly sense: '<' | '>'; readonly limit: number };
	  };

/** Sorts a leaflet's table. Fails on fewer than two rows, or on one reading that stands for two results. */
export function chart(points: readonly ChartPoint[]): Result<Chart> {
	if (points.length < 2) return fail('chart-too-short', 'points');
	const sorted = [...points].sort((a, b) => a[0] - b[0]);
	const twice = sorted.find((p, i) => i > 0 && nearlyEqual(sorted[i - 1]![0], p[0]));
	if (twice) return fail('chart-duplicate', 'points', { x: twice[0] });
	return ok(sorted as unknown as Chart);
}

/**
 * Looks a reading up: linear between rows, exact on a row, and never beyond the ends. There the answer is a
 * bound: ">" or "<" the end value, by the slope of the last segment.
 */
export function lookUp(table: Chart, x: number): ChartLookup {
	const knot = table.find((p) => nearlyEqual(x, p[0]));
	if (knot) return { flag: 'on_knot', value: knot[1] };
	const last = table.length - 1;
	const rises = (i: number) => table[i + 1]![1] > table[i]![1];
	if (!atLeast(x, table[0]![0])) {
		return { flag: 'outside_low', bound: { sense: rises(0) ? '<' : '>', limit: table[0]![1] } };
	}
	if (!atMost(x, table[last]![0])) {
		return { flag: 'outside_high', bound: { sense: rises(last - 1) ? '>' : '<', limit: table[last]![1] } };
	}
	const upper = table.findIndex((p) => p[0] > x);
	const [x0, y0] = table[upper - 1]!;
	const [x1, y1] = table[upper]!;
	return { flag: 'ok', value: y0 + ((x - x0) / (x1 - x0)) * (y1 - y0) };
}
