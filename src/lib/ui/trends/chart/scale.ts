import { firstFrom, median } from '$lib/core/numeric';
import { COVERAGE } from '$lib/core/uncertainty';
import { fixed } from '$lib/format/number';
import type { Series } from './series';

/** Readings beyond this part of what the rest spans sit at the edge, with an arrow and their number. */
const READINGS_REACH = 0.35;
/** How much of a ribbon or a fan is shown beyond it; wider ones are cut off, and say so by having no end. */
const RIBBON_REACH = 0.3;
const ROOM = 0.08;

function quantile(sorted: readonly number[], share: number): number {
	return sorted[Math.round(share * (sorted.length - 1))]!;
}

interface Extent {
	low: number;
	high: number;
}
const include = (extent: Extent, value: number) => {
	extent.low = Math.min(extent.low, value);
	extent.high = Math.max(extent.high, value);
};

/**
 * What the vertical axis spans: the band, the line, and the middle four fifths of the readings; of all else only what
 * is near these, so that one value far off never squashes the rest.
 */
export function verticalSpan(series: Series, from: number, to: number): readonly [number, number] {
	const { at, value, lower, upper, line, band, least } = series;
	const first = firstFrom(at, from);
	const readings = value.slice(first, firstFrom(at, to + 1));
	const sorted = readings.toSorted((a, b) => a - b);
	const base: Extent = { low: Infinity, high: -Infinity };
	for (const edge of [band?.low, band?.high]) if (edge != null) include(base, edge);
	const start = Math.max(0, firstFrom(line.at, from) - 1);
	const end = firstFrom(line.at, to + 1);
	for (let i = start; i < end; i++) include(base, line.value[i]!);
	if (readings.length > 0) {
		include(base, quantile(sorted, 0.1));
		include(base, quantile(sorted, 0.9));
	}
	if (base.low > base.high) return [0, 1];
	// A value by itself spans what it leaves open.
	const widths = readings.map((_, i) => {
		const [below, above] = [value[first + i]! - lower[first + i]!, upper[first + i]! - value[first + i]!];
		return 2 * (Number.isFinite(above) ? above : below);
	});
	const spread = Math.max(base.high - base.low, widths.length > 0 ? median(widths) : 0);
	const reach = spread || Math.abs(base.high) * 0.1 || 1;
	const seen = { ...base };
	const near = (x: number, part: number) =>
		Math.min(base.high + part * reach, Math.max(base.low - part * reach, x));
	for (const x of readings) if (near(x, READINGS_REACH) === x) include(seen, x);
	for (let i = start; i < end; i++) {
		const half = COVERAGE * line.u[i]!;
		include(seen, near(Math.max(least, line.value[i]! - half), RIBBON_REACH));
		include(seen, near(line.value[i]! + half, RIBBON_REACH));
	}
	const room = ROOM * (seen.high - seen.low || reach);
	return [seen.low - room, seen.high + room];
}

export interface ValueTick {
	readonly value: number;
	readonly text: string;
	/** An end of what is wanted, which a row never leaves out. */
	readonly isEdge: boolean;
}

/** Room that a number needs above and below its middle. */
const NUMBER_PX = 17;
const ROUND_STEPS = [1, 2, 5, 10];

/**
 * What stands beside the vertical axis: the ends of the band, and round numbers as far as there is room between them.
 *
 * @param edgeText what an end of the band is called
 */
export function valueTicks(
	series: Pick<Series, 'band'>,
	[low, high]: readonly [number, number],
	heightPx: number,
	edgeText: (limit: number) => string
): readonly ValueTick[] {
	const perPx = (high - low) / heightPx;
	if (!(perPx > 0)) return [];
	const apart = (a: number, b: number) => Math.abs(a - b) >= NUMBER_PX * perPx;
	const inside = (v: number) => v >= low && v <= high;
	const ticks: ValueTick[] = [];
	for (const edge of [series.band?.high, series.band?.low])
		if (edge != null && inside(edge) && ticks.every((t) => apart(t.value, edge)))
			ticks.push({ value: edge, text: edgeText(edge), isEdge: true });
	const least = 1.6 * NUMBER_PX * perPx;
	const power = 10 ** Math.floor(Math.log10(least));
	const step = power * ROUND_STEPS.find((m) => m * power >= least)!;
	const decimals = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
	for (let k = Math.ceil(low / step); k * step <= high; k++) {
		const value = k * step;
		if (ticks.every((t) => apart(t.value, value)))
			ticks.push({ value, text: fixed(value, decimals), isEdge: false });
	}
	return ticks.toSorted((a, b) => a.value - b.value);
}
