import {
	BasicPlatform,
	Chart,
	LinearScale,
	ScatterController,
	type ChartConfiguration,
	type Plugin
} from 'chart.js';
import { AXIS_PX, type Ink } from './ink';
import {
	paintBand,
	paintCursor,
	paintEvents,
	paintLine,
	paintReadings,
	paintScale,
	type Frame,
	type MarkedEvent
} from './paint';
import { valueTicks, verticalSpan, type ValueTick } from './scale';
import { lineAt, type Series } from './series';

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
	/** What happened then is looked at. */
	readonly pointed: number | null;
	readonly superseded: boolean;
	/** Where days, weeks or months begin. */
	readonly ticks: readonly { readonly at: number }[];
}

/** What a row is drawn on: a canvas of the page, or one that makes a picture. */
export interface Sheet {
	readonly ink: Ink;
	/** Dots for each pixel of a canvas that is on no page, and has no size but its own. */
	readonly free?: number;
}

/** One row of the stack: the library lays out the axes, everything in them is painted here. */
export class RowChart {
	readonly #chart: Chart<'scatter'>;
	readonly #sheet: Sheet;
	#input: RowInput;
	#view: RowView;
	/** The row without its cursor, so that a cursor can move over ten years without painting them anew. */
	#still: HTMLCanvasElement | null = null;

	constructor(canvas: HTMLCanvasElement, input: RowInput, view: RowView, sheet: Sheet) {
		this.#input = input;
		this.#view = view;
		this.#sheet = sheet;
		this.#chart = new Chart(canvas, this.#config());
	}

	/** Shows another span, or the cursor elsewhere. */
	look(view: RowView): void {
		const old = this.#view;
		this.#view = view;
		if (
			view.from !== old.from ||
			view.to !== old.to ||
			view.superseded !== old.superseded ||
			view.pointed !== old.pointed
		) {
			this.#fit();
			this.#chart.update('none');
		} else {
			this.#point();
		}
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
	#ticksOf(series: Series, scale: { readonly min: number; readonly max: number; readonly height: number }) {
		return valueTicks(series, [scale.min, scale.max], scale.height, (limit) =>
			this.#input.edgeText(series, limit)
		);
	}
	#frame(chart: Chart<'scatter'>, axis: 'y' | 'right'): Frame {
		const { ctx, chartArea, scales } = chart;
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
			colours: this.#sheet.ink.colours
		};
	}
	/** The library draws once before it hands the chart over, so it is given, not remembered. */
	#paint(chart: Chart<'scatter'>): void {
		const { main, over, other, events, now } = this.#input;
		const { superseded, ticks, pointed } = this.#view;
		const frame = this.#frame(chart, 'y');
		frame.ctx.font = `13px ${this.#sheet.ink.fontFamily}`;
		if (!over) paintBand(frame, main);
		paintScale(frame, this.#ticksOf(main, chart.scales.y!), ticks);
		paintEvents(frame, events, { now, pointed });
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
	#axis(series: Series, position: 'left' | 'right', range: readonly [number, number]) {
		const { colours, fontFamily } = this.#sheet.ink;
		let shown: readonly ValueTick[] = [];
		return {
			type: 'linear' as const,
			position,
			min: range[0],
			max: range[1],
			border: { display: false },
			grid: { display: false },
			afterFit: (scale: { width: number }) => {
				scale.width = AXIS_PX.left;
			},
			afterBuildTicks: (scale: { ticks: { value: number }[]; min: number; max: number; height: number }) => {
				const { height, min, max } = scale;
				// Before the first layout the library knows no height yet.
				shown = height > 0 ? this.#ticksOf(series, { min, max, height }) : [];
				scale.ticks = shown.map(({ value }) => ({ value }));
			},
			ticks: {
				color: (context: { tick?: { value: number } }) =>
					shown.find((t) => t.value === context.tick?.value)?.isEdge === true ? colours.ink : colours.muted,
				font: { family: fontFamily, size: 13 },
				autoSkip: false,
				callback: (value: string | number) => shown.find((t) => t.value === Number(value))?.text ?? ''
			}
		};
	}
	#config(): ChartConfiguration<'scatter'> {
		const { main, over, other } = this.#input;
		const painter: Plugin<'scatter'> = {
			id: 'painter',
			beforeDatasetsDraw: (chart) => this.#paint(chart),
			afterDraw: () => {
				this.#still = null;
				if (!this.#sheet.free) queueMicrotask(() => this.#point());
			}
		};
		return {
			type: 'scatter',
			data: { datasets: [] },
			...(this.#sheet.free ? { platform: BasicPlatform } : {}),
			options: {
				animation: false,
				maintainAspectRatio: false,
				responsive: !this.#sheet.free,
				...(this.#sheet.free ? { devicePixelRatio: this.#sheet.free } : {}),
				events: [],
				layout: { autoPadding: false, padding: { top: 4, right: over ? 0 : AXIS_PX.right, bottom: 4 } },
				plugins: { legend: { display: false }, tooltip: { enabled: false } },
				scales: {
					x: {
						type: 'linear',
						// The days stand above all rows, not below each.
						display: false,
						min: this.#view.from,
						max: this.#view.to
					},
					y: this.#axis(main, 'left', this.#verticalOf(main, other)),
					...(over
						? { right: this.#axis(over, 'right', verticalSpan(over, this.#view.from, this.#view.to)) }
						: {})
				}
			},
			plugins: [painter]
		};
	}
}
