import { Chart, LinearScale, ScatterController, type ChartConfiguration, type Plugin } from 'chart.js';
import type { DayTick } from '$lib/format/trends/ticks';
import {
	coloursOf,
	paintBand,
	paintCursor,
	paintEvents,
	paintLine,
	paintReadings,
	type Frame,
	type MarkedEvent
} from './paint';
import { lineAt, verticalSpan, type Series } from './series';

Chart.register(LinearScale, ScatterController);

/** What one row shows, whatever the span. */
export interface RowInput {
	readonly main: Series;
	/** Another parameter laid over, on an axis of its own at the right. */
	readonly over: Series | null;
	/** The same parameter of another water, on the same axis. */
	readonly other: Series | null;
	readonly events: readonly MarkedEvent[];
	readonly now: number;
	readonly edgeText: (series: Series, limit: number) => string;
}

/** What of it is looked at. */
export interface RowView {
	readonly from: number;
	readonly to: number;
	readonly cursor: number | null;
	readonly superseded: boolean;
	/** Only the lowest row shows the days. */
	readonly ticks: readonly DayTick[];
	readonly showDays: boolean;
}

/** Every row keeps the same room at its sides, so that all share one axis. */
export const LEFT_PX = 54;
const RIGHT_PX = 14;
const MOST_TICKS = 4;

/** One row of the stack: the library lays out the axes, everything in them is painted here. */
export class RowChart {
	readonly #chart: Chart<'scatter'>;
	#input: RowInput;
	#view: RowView;
	/** The row without its cursor, so that a cursor can move over ten years without painting them anew. */
	#still: HTMLCanvasElement | null = null;

	constructor(canvas: HTMLCanvasElement, input: RowInput, view: RowView) {
		this.#input = input;
		this.#view = view;
		this.#chart = new Chart(canvas, this.#config(canvas));
	}

	/** Shows another span, or the cursor elsewhere. */
	look(view: RowView): void {
		const old = this.#view;
		this.#view = view;
		if (view.from !== old.from || view.to !== old.to || view.superseded !== old.superseded) {
			this.#fit();
			this.#chart.update('none');
		} else {
			this.#point();
		}
	}
	/** Where a place on the screen is in time. */
	timeAt(clientX: number): number {
		const { left } = this.#chart.canvas.getBoundingClientRect();
		return this.#chart.scales.x!.getValueForPixel(clientX - left) ?? this.#view.from;
	}
	destroy(): void {
		this.#view = { ...this.#view, cursor: null };
		this.#chart.destroy();
	}

	/** Lays the cursor over the still row. Whatever the library has just drawn bears none yet. */
	#point(): void {
		const { canvas, ctx } = this.#chart;
		const { cursor } = this.#view;
		if (!this.#still) {
			if (cursor === null) return;
			this.#still = document.createElement('canvas');
			this.#still.width = canvas.width;
			this.#still.height = canvas.height;
			this.#still.getContext('2d')?.drawImage(canvas, 0, 0);
		}
		ctx.save();
		ctx.resetTransform();
		ctx.clearRect(0, 0, canvas.width, canvas.height);
		ctx.drawImage(this.#still, 0, 0);
		ctx.restore();
		if (cursor !== null) paintCursor(this.#frame(this.#chart, 'y'), cursor, lineAt(this.#input.main, cursor));
	}
	#fit(): void {
		const { scales } = this.#chart.options;
		const { from, to } = this.#view;
		const set = (id: string, [min, max]: readonly [number, number]) => {
			const scale = scales?.[id];
			if (scale) Object.assign(scale, { min, max });
		};
		set('x', [from, to]);
		set('y', this.#verticalOf(this.#input.main, this.#input.other));
		if (this.#input.over) set('right', verticalSpan(this.#input.over, from, to));
	}
	#verticalOf(main: Series, other: Series | null): readonly [number, number] {
		const { from, to } = this.#view;
		const [low, high] = verticalSpan(main, from, to);
		if (!other) return [low, high];
		const [otherLow, otherHigh] = verticalSpan({ ...other, band: null }, from, to);
		return [Math.min(low, otherLow), Math.max(high, otherHigh)];
	}
	#frame(chart: Chart<'scatter'>, axis: 'y' | 'right'): Frame {
		const { ctx, chartArea, scales, canvas } = chart;
		const { from, to } = this.#view;
		return {
			ctx,
			left: chartArea.left,
			right: chartArea.right,
			top: chartArea.top,
			bottom: chartArea.bottom,
			from,
			to,
			x: (at) => scales.x!.getPixelForValue(at),
			y: (value) => scales[axis]!.getPixelForValue(value),
			colours: coloursOf(canvas)
		};
	}
	/** The library draws once before it hands the chart over, so it is given, not remembered. */
	#paint(chart: Chart<'scatter'>): void {
		const { main, over, other, events, now } = this.#input;
		const { superseded } = this.#view;
		const frame = this.#frame(chart, 'y');
		frame.ctx.font = `13px ${getComputedStyle(chart.canvas).fontFamily}`;
		if (!over) paintBand(frame, main);
		paintEvents(frame, events, now);
		paintLine(frame, main, now, { ribbon: true, muted: false });
		if (other) {
			paintLine(frame, other, now, { ribbon: false, muted: true });
			paintReadings(frame, other, { superseded: false, muted: true });
		}
		if (over) {
			const right = this.#frame(chart, 'right');
			paintLine(right, over, now, { ribbon: false, muted: true });
			paintReadings(right, over, { superseded, muted: true });
		}
		paintReadings(frame, main, { superseded, muted: false });
	}
	#config(canvas: HTMLCanvasElement): ChartConfiguration<'scatter'> {
		const style = getComputedStyle(canvas);
		const colour = style.getPropertyValue('--muted').trim();
		const font = { family: style.fontFamily, size: 13 };
		const { main, over } = this.#input;
		const painter: Plugin<'scatter'> = {
			id: 'painter',
			beforeDatasetsDraw: (chart) => this.#paint(chart),
			afterDraw: () => {
				this.#still = null;
				queueMicrotask(() => this.#point());
			}
		};
		const axis = (series: Series, position: 'left' | 'right', range: readonly [number, number]) => ({
			type: 'linear' as const,
			position,
			min: range[0],
			max: range[1],
			border: { display: false },
			grid: { display: false },
			afterFit: (scale: { width: number }) => {
				scale.width = LEFT_PX;
			},
			afterBuildTicks: (scale: { ticks: { value: number }[] }) => {
				const edges = [series.band?.low, series.band?.high].filter((v): v is number => v != null);
				if (edges.length > 0) scale.ticks = edges.map((value) => ({ value }));
			},
			ticks: {
				color: colour,
				font,
				maxTicksLimit: MOST_TICKS,
				callback: (value: string | number) => this.#input.edgeText(series, Number(value))
			}
		});
		return {
			type: 'scatter',
			data: { datasets: [] },
			options: {
				animation: false,
				maintainAspectRatio: false,
				events: [],
				layout: { autoPadding: false, padding: { top: 6, right: over ? 0 : RIGHT_PX, bottom: 2 } },
				plugins: { legend: { display: false }, tooltip: { enabled: false } },
				scales: {
					x: {
						type: 'linear',
						min: this.#view.from,
						max: this.#view.to,
						border: { display: false },
						grid: { display: false },
						// Rows share one axis, so none may shrink for a label at its end.
						afterFit: (scale) => {
							scale.paddingLeft = 0;
							scale.paddingRight = 0;
						},
						afterBuildTicks: (scale) => {
							scale.ticks = this.#view.ticks.map((t) => ({ value: t.at }));
						},
						ticks: {
							display: this.#view.showDays,
							color: colour,
							font,
							maxRotation: 0,
							autoSkipPadding: 18,
							callback: (value) => this.#view.ticks.find((t) => t.at === Number(value))?.text ?? ''
						}
					},
					y: axis(main, 'left', this.#verticalOf(main, this.#input.other)),
					...(over ? { right: axis(over, 'right', verticalSpan(over, this.#view.from, this.#view.to)) } : {})
				}
			},
			plugins: [painter]
		};
	}
}
