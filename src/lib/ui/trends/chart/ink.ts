/** Room at a row's sides, so that all rows and the days above them share one axis, px. */
export const AXIS_PX = { left: 54, right: 14 } as const;

/** The theme's colours; a canvas follows no style sheet. */
export interface Colours {
	readonly ink: string;
	readonly muted: string;
	readonly line: string;
	readonly lineStrong: string;
	readonly slot: string;
	readonly lens: string;
	readonly surface: string;
	readonly accent: string;
}
export interface Ink {
	readonly colours: Colours;
	readonly fontFamily: string;
}

const NAMES = {
	ink: 'ink',
	muted: 'muted',
	line: 'line',
	lineStrong: 'line-strong',
	slot: 'slot',
	lens: 'lens',
	surface: 'surface',
	accent: 'accent'
} as const satisfies Record<keyof Colours, string>;

export function inkOf(element: Element): Ink {
	const style = getComputedStyle(element);
	const colours = Object.fromEntries(
		Object.entries(NAMES).map(([key, name]) => [key, style.getPropertyValue(`--${name}`).trim()])
	) as unknown as Colours;
	return { colours, fontFamily: style.fontFamily };
}

/** The same colours as red, green and blue, which programs read that know no others. */
export function inPlainColours({ colours, fontFamily }: Ink): Ink {
	const dot = document.createElement('canvas');
	dot.width = dot.height = 1;
	const ctx = dot.getContext('2d', { willReadFrequently: true });
	if (!ctx) throw new Error('this browser draws no pictures');
	const plain = (colour: string) => {
		ctx.clearRect(0, 0, 1, 1);
		ctx.fillStyle = colour;
		ctx.fillRect(0, 0, 1, 1);
		const [r, g, b] = ctx.getImageData(0, 0, 1, 1).data;
		return `rgb(${r},${g},${b})`;
	};
	return {
		colours: Object.fromEntries(
			Object.entries<string>({ ...colours }).map(([key, colour]) => [key, plain(colour)])
		) as unknown as Colours,
		fontFamily
	};
}

/** Times across a width, and back. */
export function timeScale(from: number, to: number, widthPx: number) {
	const { left, right } = AXIS_PX;
	const span = Math.max(1, widthPx - left - right);
	return {
		x: (at: number) => left + ((at - from) / (to - from)) * span,
		at: (x: number) => from + ((x - left) / span) * (to - from)
	};
}
