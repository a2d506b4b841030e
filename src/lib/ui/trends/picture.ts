import type { RowChart, RowInput, RowView } from './chart/row-chart';
import { inPlainColours, type Ink } from './chart/ink';

/** One row of the picture: its words, and what is drawn. */
export interface PictureRow {
	readonly title: string;
	readonly words: string;
	readonly input: RowInput;
}
export type PictureKind = 'png' | 'svg';

const MARGIN = 32;
const TITLE_PX = 56;
const LINE_PX = 22;
const CHART = { width: 1100, height: 130 } as const;
const WIDTH = CHART.width + 2 * MARGIN;
/** Dots of a PNG for each of its pixels: it is read on paper too. */
const SHARP = 2;
const DATES_PX = 22;

/** What a picture is drawn on, whatever becomes of it. */
interface Paper {
	readonly ctx: CanvasRenderingContext2D;
	/** A part of it for one chart. */
	readonly part: (y: number, draw: (canvas: HTMLCanvasElement) => void) => void;
	readonly done: () => Promise<Blob>;
}

function dotsPaper(height: number): Paper {
	const sheet = document.createElement('canvas');
	sheet.width = WIDTH * SHARP;
	sheet.height = height * SHARP;
	const ctx = sheet.getContext('2d');
	if (!ctx) throw new Error('this browser draws no pictures');
	ctx.scale(SHARP, SHARP);
	return {
		ctx,
		part: (y, draw) => {
			const canvas = document.createElement('canvas');
			canvas.width = CHART.width;
			canvas.height = CHART.height;
			draw(canvas);
			ctx.drawImage(canvas, MARGIN, y, CHART.width, CHART.height);
		},
		done: () =>
			new Promise((resolve, failed) => {
				sheet.toBlob(
					(blob) => (blob ? resolve(blob) : failed(new Error('the picture could not be made'))),
					'image/png'
				);
			})
	};
}

const SVG = 'http://www.w3.org/2000/svg';
const ANCHOR: Readonly<Partial<Record<CanvasTextAlign, string>>> = {
	center: 'middle',
	right: 'end',
	end: 'end'
};
const BASELINE: Readonly<Partial<Record<CanvasTextBaseline, string>>> = {
	middle: 'central',
	top: 'text-before-edge',
	bottom: 'text-after-edge'
};

/** Writes as lines: the package's own way asks for a style in the text of the page, which this page takes from nobody. */
function writesItself(ctx: CanvasRenderingContext2D & { getSvg(): SVGSVGElement }): typeof ctx {
	return Object.assign(ctx, {
		fillText: (words: string, x: number, y: number) => {
			const text = document.createElementNS(SVG, 'text');
			const { style } = document.createElement('span');
			style.font = ctx.font;
			const { a, b, c, d, e, f } = ctx.getTransform();
			const attributes = {
				x: String(x),
				y: String(y),
				fill: typeof ctx.fillStyle === 'string' ? ctx.fillStyle : 'currentColor',
				'font-family': style.fontFamily,
				'font-size': style.fontSize,
				'font-weight': style.fontWeight,
				'text-anchor': ANCHOR[ctx.textAlign] ?? 'start',
				'dominant-baseline': BASELINE[ctx.textBaseline] ?? 'alphabetic',
				transform: `matrix(${a} ${b} ${c} ${d} ${e} ${f})`
			};
			for (const [name, value] of Object.entries(attributes)) text.setAttribute(name, value);
			text.textContent = words;
			ctx.getSvg().append(text);
		}
	});
}

async function linesPaper(height: number): Promise<Paper> {
	const { Context } = await import('svgcanvas');
	const sheet = writesItself(new Context({ width: WIDTH, height }));
	return {
		ctx: sheet,
		part: (y, draw) => {
			const part = writesItself(new Context({ ...CHART }));
			// Whoever draws asks a canvas for its context; this is both.
			draw(Object.assign(part, { getContext: () => part }) as unknown as HTMLCanvasElement);
			const lines = part.getSvg();
			lines.setAttribute('x', String(MARGIN));
			lines.setAttribute('y', String(y));
			sheet.getSvg().append(lines);
		},
		done: () => {
			const svg = sheet.getSvg();
			svg.setAttribute('viewBox', `0 0 ${WIDTH} ${height}`);
			return Promise.resolve(
				new Blob([new XMLSerializer().serializeToString(svg)], { type: 'image/svg+xml;charset=utf-8' })
			);
		}
	};
}

interface Asked {
	readonly kind: PictureKind;
	readonly title: string;
	readonly rows: readonly PictureRow[];
	readonly view: RowView;
	readonly ticks: readonly { readonly at: number; readonly text: string }[];
	readonly ink: Ink;
}

/** Draws the rows below each other with their words and days, as a picture to keep or to send. */
export async function pictureOf({ kind, title, rows, view, ticks, ink }: Asked): Promise<Blob> {
	if (rows.length === 0) throw new RangeError('there is nothing to draw');
	const { RowChart: Row } = await import('./chart/row-chart');
	const { timeScale } = await import('./chart/ink');
	const height = TITLE_PX + rows.length * (CHART.height + 2 * LINE_PX) + DATES_PX + 2 * MARGIN;
	const paper = kind === 'svg' ? await linesPaper(height) : dotsPaper(height);
	const plain = kind === 'svg' ? inPlainColours(ink) : ink;
	const { ctx } = paper;
	const { colours } = plain;
	ctx.fillStyle = colours.surface;
	ctx.fillRect(0, 0, WIDTH, height);
	const write = (text: string, x: number, y: number, size: number, weight: number, colour: string) => {
		ctx.font = `${weight} ${size}px ${plain.fontFamily}`;
		ctx.fillStyle = colour;
		ctx.fillText(text, x, y);
	};
	write(title, MARGIN, MARGIN + 18, 20, 700, colours.ink);
	const x = timeScale(view.from, view.to, CHART.width).x;
	const dates = (y: number) => {
		let before = -Infinity;
		for (const { at, text } of ticks) {
			const place = MARGIN + x(at);
			if (place - before < 60) continue;
			write(text, place + 3, y, 13, 400, colours.muted);
			before = place;
		}
	};
	let y = MARGIN + TITLE_PX;
	dates(y - LINE_PX / 2);
	const charts: RowChart[] = [];
	for (const row of rows) {
		write(row.title, MARGIN, y + 15, 16, 700, colours.ink);
		write(row.words, MARGIN + 215, y + 15, 14, 400, colours.muted);
		y += LINE_PX;
		paper.part(y, (canvas) => {
			charts.push(
				new Row(
					canvas,
					row.input,
					{ ...view, cursor: null, pointed: null },
					{ ink: plain, free: kind === 'svg' ? 1 : SHARP }
				)
			);
		});
		y += CHART.height + LINE_PX;
	}
	dates(y);
	const made = await paper.done();
	for (const chart of charts) chart.destroy();
	return made;
}
