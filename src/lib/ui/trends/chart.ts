import {
	Chart,
	LinearScale,
	LineElement,
	PointElement,
	ScatterController,
	Tooltip,
	type ChartConfiguration,
	type Plugin
} from 'chart.js';
import annotation, { type AnnotationOptions } from 'chartjs-plugin-annotation';
import { boundsOf, pointOf } from '$lib/core/reading';
import { convert, PARAMETERS, type UnitId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { COVERAGE } from '$lib/core/uncertainty';
import { clockTime, shortDay } from '$lib/format/date';
import { limitInUnit, resultInUnit } from '$lib/format/quantity';
import { dayTicks } from '$lib/format/ticks';
import { markRadius, shownEvents } from './shown-events';
import type { TrendRow } from '$lib/contract/trends';
import type { TrendEvent } from './trend-event';

Chart.register(LinearScale, LineElement, PointElement, ScatterController, Tooltip, annotation);

interface Whisker {
	readonly x: number;
	readonly lower: number;
	/** Null: open upwards. */
	readonly upper: number | null;
}

interface Colours {
	readonly ink: string;
	readonly muted: string;
	readonly lineStrong: string;
	readonly slot: string;
	readonly lens: string;
	readonly surface: string;
	readonly accent: string;
}

/** The theme's colours; a canvas follows no style sheet. */
function coloursOf(canvas: HTMLCanvasElement): Colours {
	const style = getComputedStyle(canvas);
	const get = (name: string) => style.getPropertyValue(`--${name}`).trim();
	return {
		ink: get('ink'),
		muted: get('muted'),
		lineStrong: get('line-strong'),
		slot: get('slot'),
		lens: get('lens'),
		surface: get('surface'),
		accent: get('accent')
	};
}

/** A thin line from end to end of every reading's interval. */
function whiskers(items: readonly Whisker[], colour: string): Plugin<'scatter'> {
	return {
		id: 'whiskers',
		beforeDatasetsDraw({ ctx, scales, chartArea }) {
			ctx.save();
			ctx.strokeStyle = colour;
			ctx.lineWidth = 1;
			ctx.globalAlpha = items.length > 80 ? 0.45 : 1;
			ctx.beginPath();
			ctx.rect(chartArea.left, chartArea.top, chartArea.width, chartArea.height);
			ctx.clip();
			ctx.beginPath();
			for (const { x, lower, upper } of items) {
				const px = scales.x!.getPixelForValue(x);
				ctx.moveTo(px, scales.y!.getPixelForValue(lower));
				ctx.lineTo(px, upper === null ? chartArea.top : scales.y!.getPixelForValue(upper));
			}
			ctx.stroke();
			ctx.restore();
		}
	};
}

/** The estimate's 95 % interval as a ribbon under everything else. */
function ribbon(points: readonly Whisker[], colour: string): Plugin<'scatter'> {
	return {
		id: 'ribbon',
		beforeDatasetsDraw({ ctx, scales, chartArea }) {
			if (points.length < 2) return;
			const at = (p: Whisker, v: number) =>
				[scales.x!.getPixelForValue(p.x), scales.y!.getPixelForValue(v)] as const;
			ctx.save();
			ctx.beginPath();
			ctx.rect(chartArea.left, chartArea.top, chartArea.width, chartArea.height);
			ctx.clip();
			ctx.fillStyle = colour;
			ctx.globalAlpha = 0.6;
			ctx.beginPath();
			points.forEach((p, i) => (i === 0 ? ctx.moveTo(...at(p, p.lower)) : ctx.lineTo(...at(p, p.lower))));
			[...points].reverse().forEach((p) => ctx.lineTo(...at(p, p.upper ?? p.lower)));
			ctx.fill();
			ctx.restore();
		}
	};
}

export interface ChartInput {
	readonly row: TrendRow;
	readonly events: readonly TrendEvent[];
	readonly from: Instant;
	readonly to: Instant;
	readonly now: Instant;
	readonly timeZone: string;
	readonly unit: UnitId;
	/** Only the lowest row shows the days. */
	readonly showDays: boolean;
}

function annotationsOf(
	input: ChartInput,
	colours: Colours,
	toUnit: (v: number) => number
): Record<string, AnnotationOptions> {
	const { row, from, to, now } = input;
	const events = shownEvents(input.events, from, to);
	const all: Record<string, AnnotationOptions> = {};
	if (row.band) {
		all.band = {
			type: 'box',
			drawTime: 'beforeDraw',
			backgroundColor: colours.slot,
			borderWidth: 0,
			...(row.band.low === null ? {} : { yMin: toUnit(row.band.low) }),
			...(row.band.high === null ? {} : { yMax: toUnit(row.band.high) })
		};
	}
	for (const event of events) {
		const change = event.kind === 'water-change';
		all[event.id] = {
			type: 'line',
			drawTime: 'beforeDatasetsDraw',
			xMin: event.happenedAt,
			xMax: event.happenedAt,
			borderColor: change ? colours.lineStrong : colours.muted,
			borderWidth: change ? 0.75 : 1,
			borderDash: change ? [] : [2, 4]
		};
	}
	all.now = {
		type: 'line',
		drawTime: 'beforeDatasetsDraw',
		xMin: now,
		xMax: now,
		borderColor: colours.accent,
		borderWidth: 1.5
	};
	return all;
}

/** Values, intervals between colour steps, and bounds are told apart by their mark. */
const POINT = { value: 'circle', interval: 'rectRounded', bound: 'triangle' } as const;

/** Draws one row; the returned function takes it away again. */
export function drawTrend(canvas: HTMLCanvasElement, input: ChartInput): () => void {
	const { row, from, to, now, timeZone, unit, showDays } = input;
	const colours = coloursOf(canvas);
	const toUnit = (v: number) => convert(v, PARAMETERS[row.parameter].canonicalUnit, unit);
	const intervals = row.readings.map(({ at, result }): Whisker => {
		const { lower, upper } = boundsOf(result);
		return { x: at, lower: toUnit(lower), upper: upper === null ? null : toUnit(upper) };
	});
	const points = row.readings.map(({ at, result }) => ({
		x: at,
		y: toUnit(result.kind === 'bound' ? result.limit : (pointOf(result)?.value ?? 0))
	}));
	const line = row.line.map((p): Whisker & { y: number } => {
		const half = COVERAGE * Math.hypot(p.uRandom, p.uCommon);
		const lower = Math.max(PARAMETERS[row.parameter].conceivable[0], p.value - half);
		return { x: p.at, y: toUnit(p.value), lower: toUnit(lower), upper: toUnit(p.value + half) };
	});
	const edges = [row.band?.low, row.band?.high].flatMap((v) => (v == null ? [] : [toUnit(v)]));
	const values = [...points.map((p) => p.y), ...line.map((p) => p.y), ...edges];
	const least = Math.min(...values);
	const most = Math.max(...values);
	const room = 0.18 * (most - least || Math.abs(most) * 0.1 || 1);
	const ticks = dayTicks(from, to, timeZone);
	const texts = new Map(ticks.map((t) => [t.at as number, t.text]));
	const font = { family: getComputedStyle(canvas).fontFamily, size: 13 };

	const config: ChartConfiguration<'scatter'> = {
		type: 'scatter',
		data: {
			datasets: [
				{
					label: 'line',
					data: line.map(({ x, y }) => ({ x, y })),
					showLine: true,
					pointRadius: 0,
					pointHitRadius: 0,
					borderColor: colours.ink,
					borderWidth: 2,
					segment: { borderDash: (c) => ((c.p1.parsed.x ?? 0) > now ? [5, 4] : []) }
				},
				{
					label: 'readings',
					data: points,
					pointRadius: row.readings.map((r) => (r.result.kind === 'bound' ? 5 : markRadius(points.length))),
					pointStyle: row.readings.map((r) => POINT[r.result.kind]),
					pointHoverRadius: 6,
					backgroundColor: colours.ink,
					borderColor: colours.surface,
					borderWidth: 1
				}
			]
		},
		options: {
			animation: false,
			maintainAspectRatio: false,
			layout: { autoPadding: false, padding: { top: 4, right: 20 } },
			interaction: { mode: 'nearest', axis: 'x', intersect: false },
			scales: {
				x: {
					type: 'linear',
					min: from,
					max: to,
					border: { display: false },
					grid: { display: false },
					// Rows share one axis, so none may shrink for a label at its end.
					afterFit: (axis) => {
						axis.paddingLeft = 0;
						axis.paddingRight = 0;
					},
					afterBuildTicks: (axis) => {
						axis.ticks = ticks.map((t) => ({ value: t.at }));
					},
					ticks: {
						display: showDays,
						color: colours.muted,
						font,
						maxRotation: 0,
						autoSkipPadding: 18,
						callback: (value) => texts.get(Number(value)) ?? ''
					}
				},
				y: {
					min: least - room,
					max: most + room,
					border: { display: false },
					grid: { display: false },
					afterFit: (axis) => {
						axis.width = 52;
					},
					afterBuildTicks: (axis) => {
						if (edges.length > 0) axis.ticks = edges.map((value) => ({ value }));
					},
					ticks: {
						color: colours.muted,
						font,
						callback: (value) => {
							const edge = edges.findIndex((e) => e === Number(value));
							const limits = [row.band?.low, row.band?.high].filter((v): v is number => v != null);
							return edge < 0 ? String(value) : limitInUnit(row.parameter, limits[edge]!, unit);
						}
					}
				}
			},
			plugins: {
				annotation: { annotations: annotationsOf(input, colours, toUnit) },
				tooltip: {
					filter: (item) => item.dataset.label === 'readings',
					displayColors: false,
					backgroundColor: colours.ink,
					titleColor: colours.surface,
					bodyColor: colours.surface,
					titleFont: font,
					bodyFont: { ...font, size: 15 },
					cornerRadius: 4,
					callbacks: {
						title: (items) => {
							const at = row.readings[items[0]?.dataIndex ?? 0]?.at ?? now;
							return `${shortDay(at, timeZone, now)}, ${clockTime(at, timeZone)}`;
						},
						label: (item) => {
							const reading = row.readings[item.dataIndex];
							return reading ? resultInUnit(reading.result, unit) : '';
						}
					}
				}
			}
		},
		plugins: [ribbon(line, colours.lens), whiskers(intervals, colours.muted)]
	};
	const chart = new Chart(canvas, config);
	return () => chart.destroy();
}
