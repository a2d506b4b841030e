/** A canvas whose drawing is kept as lines, not as dots. */
declare module 'svgcanvas' {
	interface Size {
		readonly width: number;
		readonly height: number;
	}
	type LinesContext = CanvasRenderingContext2D & { getSvg(): SVGSVGElement };
	export const Context: new (size: Size) => LinesContext;
}
