/** A canvas whose drawing is kept as lines, not as dots. */
declare module 'svgcanvas' {
	interface Size {
		readonly width: number;
		readonly height: number;
	}
	// eslint-disable-next-line @typescript-eslint/no-unsafe-declaration-merging -- the package's class is a context with one thing more
	export class Context {
		constructor(size: Size);
		getSvg(): SVGSVGElement;
	}
	// eslint-disable-next-line @typescript-eslint/no-unsafe-declaration-merging -- see above
	export interface Context extends CanvasRenderingContext2D {}
}
