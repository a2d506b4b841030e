import type { BlandAltman } from '$lib/core/comparison';

export interface ChartFrame {
	readonly width: number;
	readonly height: number;
	readonly left: number;
	readonly bottom: number;
}

export interface BiasChart {
	readonly points: readonly { readonly x: number; readonly y: number }[];
	/** From a difference to its height in the drawing. */
	readonly yOf: (difference: number) => number;
	readonly xTicks: readonly { readonly at: number; readonly value: number }[];
	readonly yTicks: readonly { readonly at: number; readonly value: number }[];
}

/** Steps of 1, 2 or 5 times a power of ten, about so many over a range. */
function ticksOver(low: number, high: number, about: number): number[] {
	const raw = (high - low) / about;
	const power = 10 ** Math.floor(Math.log10(raw));
	const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= raw) ?? raw;
	const first = Math.ceil(low / step - 1e-9);
	const last = Math.floor(high / step + 1e-9);
	return Array.from({ length: last - first + 1 }, (_, i) => Number(((first + i) * step).toPrecision(10)));
}

/** Differences against means, with zero and the limits of agreement always in sight. */
export function biasChart(
	pairs: readonly { readonly first: number; readonly second: number }[],
	limits: BlandAltman | null,
	{ width, height, left, bottom }: ChartFrame
): BiasChart {
	const means = pairs.map((p) => (p.first + p.second) / 2);
	const differences = pairs.map((p) => p.first - p.second);
	const spread = (values: readonly number[], least: number) => {
		const [low, high] = [Math.min(...values), Math.max(...values)];
		const room = Math.max(least, 0.12 * (high - low));
		return [low - room, high + room] as const;
	};
	const tops = limits ? [limits.low.from, limits.high.to] : [];
	const [x0, x1] = spread(means, Math.max(1e-9, 0.01 * Math.abs(means[0] ?? 1)));
	const [y0, y1] = spread([0, ...differences, ...tops], 1e-9);
	const xOf = (m: number) => left + ((m - x0) / (x1 - x0)) * (width - left);
	const yOf = (d: number) => (height - bottom) * (1 - (d - y0) / (y1 - y0));
	return {
		points: means.map((m, i) => ({ x: xOf(m), y: yOf(differences[i]!) })),
		yOf,
		xTicks: ticksOver(x0, x1, 5).map((value) => ({ at: xOf(value), value })),
		yTicks: ticksOver(y0, y1, 5).map((value) => ({ at: yOf(value), value }))
	};
}
