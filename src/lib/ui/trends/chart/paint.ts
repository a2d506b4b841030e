import { drawPoint } from 'chart.js/helpers';
import { firstFrom, visibleIndices } from '$lib/core/numeric';
import type { EventKind } from '$lib/core/record';
import { COVERAGE } from '$lib/core/uncertainty';
import type { Colours } from './ink';
import { markOf } from './mark-word';
import type { ValueTick } from './scale';
import type { Series } from './series';

/** Where values stand on the canvas. */
export interface Frame {
	readonly ctx: CanvasRenderingContext2D;
	readonly left: number;
	readonly right: number;
	readonly top: number;
	readonly bottom: number;
	readonly from: number;
	readonly to: number;
	readonly x: (at: number) => number;
	readonly y: (value: number) => number;
	readonly colours: Colours;
}

/** Value, interval and bound are told apart by what they are drawn with; kits by the shape of the mark. */
const BOUND = 2;
const INTERVAL = 1;
/** More marks than this on a row are drawn small. */
const MANY = 90;

function clipped(frame: Frame, draw: () => void): void {
	const { ctx, left, right, top, bottom } = frame;
	ctx.save();
	ctx.beginPath();
	ctx.rect(left, top, right - left, bottom - top);
	ctx.clip();
	draw();
	ctx.restore();
}

/** What was wanted at its time: a past reading is not judged by a target set later. */
export function paintBand(frame: Frame, series: Series): void {
	const { ctx, left, right, top, bottom, x, y, colours } = frame;
	clipped(frame, () => {
		ctx.fillStyle = colours.slot;
		series.bands.forEach(({ from, low, high }, i) => {
			if (low === null && high === null) return;
			const next = series.bands[i + 1]?.from;
			const start = Math.max(left, x(from));
			const end = next === undefined ? right : Math.min(right, x(next));
			const upper = high === null ? top : y(high);
			const lower = low === null ? bottom : y(low);
			if (end > start) ctx.fillRect(start, upper, end - start, lower - upper);
		});
	});
}

export interface MarkedEvent {
	readonly kind: EventKind | 'found';
	readonly at: number;
}

/** Lines of days and of round numbers, so pale that they are found only when looked for. */
export function paintScale(
	frame: Frame,
	values: readonly ValueTick[],
	days: readonly { readonly at: number }[]
): void {
	const { ctx, left, right, top, bottom, x, y, colours } = frame;
	clipped(frame, () => {
		ctx.strokeStyle = colours.line;
		ctx.lineWidth = 1;
		ctx.beginPath();
		for (const { at } of days) {
			ctx.moveTo(x(at), top);
			ctx.lineTo(x(at), bottom);
		}
		for (const { value, isEdge } of values) {
			if (isEdge) continue;
			ctx.moveTo(left, y(value));
			ctx.lineTo(right, y(value));
		}
		ctx.stroke();
	});
}

/** Events cross all rows, because the question is always what moved together. */
export function paintEvents(
	frame: Frame,
	events: readonly MarkedEvent[],
	{ now, pointed }: { readonly now: number; readonly pointed: number | null }
): void {
	const { ctx, top, bottom, x, colours } = frame;
	const upright = (at: number) => {
		ctx.beginPath();
		ctx.moveTo(x(at), top);
		ctx.lineTo(x(at), bottom);
		ctx.stroke();
	};
	clipped(frame, () => {
		for (const { kind, at } of events) {
			const change = kind === 'water-change';
			ctx.strokeStyle = kind === 'found' ? colours.ink : change ? colours.lineStrong : colours.muted;
			ctx.lineWidth = kind === 'found' ? 1.5 : change ? 0.75 : 1;
			ctx.setLineDash(kind === 'found' ? [8, 3] : change ? [] : [2, 4]);
			upright(at);
		}
		ctx.setLineDash([]);
		if (pointed !== null) {
			ctx.strokeStyle = colours.ink;
			ctx.lineWidth = 2.5;
			upright(pointed);
		}
		ctx.strokeStyle = colours.accent;
		ctx.lineWidth = 1.5;
		upright(now);
	});
}

/** Half-widths in standard uncertainties and how dark each is drawn: the ribbon behind now, the fan ahead of it. */
const FAN = [
	{ half: COVERAGE, alpha: 0.3 },
	{ half: 1.28, alpha: 0.35 },
	{ half: 0.67, alpha: 0.45 }
] as const;

function area(frame: Frame, series: Series, start: number, end: number, half: number): void {
	const { ctx, x, y } = frame;
	const { line, least } = series;
	ctx.beginPath();
	for (let i = start; i <= end; i++) ctx.lineTo(x(line.at[i]!), y(line.value[i]! + half * line.u[i]!));
	for (let i = end; i >= start; i--)
		ctx.lineTo(x(line.at[i]!), y(Math.max(least, line.value[i]! - half * line.u[i]!)));
	ctx.closePath();
	ctx.fill();
}

/** The part of the line that is in view, one point further on either side. */
function inView({ line }: Series, frame: Frame): readonly [number, number] | null {
	if (line.at.length < 2) return null;
	const start = Math.max(0, firstFrom(line.at, frame.from) - 1);
	const end = Math.min(line.at.length - 1, firstFrom(line.at, frame.to));
	return end > start ? [start, end] : null;
}

export function paintLine(
	frame: Frame,
	series: Series,
	now: number,
	style: { readonly ribbon: boolean; readonly muted: boolean }
): void {
	const view = inView(series, frame);
	if (!view) return;
	const [start, end] = view;
	const { ctx, x, y, colours } = frame;
	const { line } = series;
	const ahead = Math.min(end, Math.max(start, firstFrom(line.at, now)));
	clipped(frame, () => {
		if (style.ribbon) {
			ctx.fillStyle = colours.lens;
			ctx.globalAlpha = 0.6;
			area(frame, series, start, ahead, COVERAGE);
			ctx.fillStyle = colours.lineStrong;
			for (const { half, alpha } of FAN) {
				ctx.globalAlpha = alpha * 0.7;
				if (end > ahead) area(frame, series, ahead, end, half);
			}
			ctx.globalAlpha = 1;
		}
		ctx.strokeStyle = style.muted ? colours.muted : colours.ink;
		ctx.lineWidth = style.muted ? 1.5 : 2;
		const stroke = (from: number, to: number, dash: number[]) => {
			ctx.setLineDash(dash);
			ctx.beginPath();
			for (let i = from; i <= to; i++) ctx.lineTo(x(line.at[i]!), y(line.value[i]!));
			ctx.stroke();
		};
		stroke(start, ahead, style.muted ? [9, 4] : []);
		if (end > ahead) stroke(ahead, end, style.muted ? [3, 4] : [5, 4]);
		ctx.setLineDash([]);
	});
}

interface ReadingStyle {
	readonly superseded: boolean;
	/** Beside or under the row's own: hollow, small, and its intervals pale. */
	readonly muted: boolean;
}

export function paintReadings(frame: Frame, series: Series, style: ReadingStyle): void {
	const { ctx, left, right, top, bottom, from, to, x, y, colours } = frame;
	const shown = visibleIndices(
		series.at,
		series.value,
		{ from, to },
		Math.max(1, Math.round(right - left))
	).filter((i) => style.superseded || !series.superseded[i]);
	const many = shown.length > MANY || style.muted;
	const colour = style.muted ? colours.muted : colours.ink;
	clipped(frame, () => {
		ctx.strokeStyle = colours.muted;
		for (const i of shown) {
			if (series.kind[i] === BOUND && many) continue;
			ctx.globalAlpha = many ? 0.4 : series.superseded[i] ? 0.4 : 1;
			// An interval between colour steps is wherever it says; a value is likelier in its middle.
			ctx.lineWidth = series.kind[i] === INTERVAL && !many ? 3 : 1;
			ctx.beginPath();
			ctx.moveTo(x(series.at[i]!), y(series.lower[i]!));
			ctx.lineTo(x(series.at[i]!), series.upper[i] === Infinity ? top : y(series.upper[i]!));
			ctx.stroke();
		}
		ctx.globalAlpha = 1;
	});
	for (const i of shown) {
		const px = x(series.at[i]!);
		const py = y(series.value[i]!);
		const off = py < top - 1 ? -1 : py > bottom + 1 ? 1 : 0;
		const bound = series.kind[i] === BOUND;
		const mark = markOf(series, series.kit[i]!);
		const { pointStyle } = mark;
		const hollow = mark.hollow || style.muted;
		const radius = style.muted ? 3 : many ? 2.25 : pointStyle === 'crossRot' ? 5 : 3.75;
		const pale = series.superseded[i] === 1;
		ctx.fillStyle = hollow || pale ? colours.surface : colour;
		ctx.strokeStyle = hollow || pale ? colour : colours.surface;
		ctx.globalAlpha = pale ? 0.6 : 1;
		const pen = hollow || pale ? 1.5 : 1;
		if (off !== 0 || bound) {
			// Off the scale an arrow stands at the edge; a bound points to where the water may be.
			const up = off !== 0 ? off < 0 : series.upper[i] === Infinity;
			const at = off < 0 ? top + 6 : off > 0 ? bottom - 6 : py;
			ctx.fillStyle = colour;
			drawPoint(ctx, { pointStyle: 'triangle', radius: 5, rotation: up ? 0 : 180, borderWidth: 1 }, px, at);
			if (off !== 0 && !many) paintOffScale(frame, px, at, series.value[i]!);
		} else {
			drawPoint(ctx, { pointStyle, radius, rotation: 0, borderWidth: pen }, px, py);
		}
		ctx.globalAlpha = 1;
	}
}

function paintOffScale({ ctx, right, colours }: Frame, px: number, py: number, value: number): void {
	ctx.fillStyle = colours.muted;
	ctx.textBaseline = 'middle';
	const near = px > right - 60;
	ctx.textAlign = near ? 'right' : 'left';
	ctx.fillText(String(Number(value.toPrecision(3))), px + (near ? -9 : 9), py);
}

export function paintCursor(frame: Frame, at: number, line: { readonly value: number } | null): void {
	const { ctx, top, bottom, x, y, colours } = frame;
	clipped(frame, () => {
		ctx.strokeStyle = colours.ink;
		ctx.lineWidth = 1;
		ctx.beginPath();
		ctx.moveTo(x(at), top);
		ctx.lineTo(x(at), bottom);
		ctx.stroke();
		if (!line) return;
		ctx.fillStyle = colours.surface;
		ctx.lineWidth = 2;
		ctx.beginPath();
		ctx.arc(x(at), y(line.value), 4.5, 0, 2 * Math.PI);
		ctx.fill();
		ctx.stroke();
	});
}
