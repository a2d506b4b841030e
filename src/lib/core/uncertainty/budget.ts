/** Where an uncertainty comes from; its name for people stands in `format/arithmetic.ts`. */
export type UncertaintySource =
	| 'graduation'
	| 'between-readings'
	| 'last-drop'
	| 'bad-drops'
	| 'end-point'
	| 'end-point-habit'
	| 'reader-doubt'
	| 'own-bias'
	| 'own-scale'
	| 'first-end-point'
	| 'step-spacing'
	| 'resolution'
	| 'accuracy'
	| 'temperature'
	| 'scale-calibration'
	| 'subtracted-ion'
	| 'stated'
	| 'sample-volume'
	| 'dilution'
	| 'titrant'
	| 'drop-size'
	| 'excess-reagent'
	| 'filtrate'
	| 'deviation'
	| 'chart-rounding'
	| 'factor';

export interface UncertaintyComponent {
	readonly source: UncertaintySource;
	/** Standard uncertainty that this source alone gives the result, in the result's unit. */
	readonly u: number;
	/**
	 * Random parts shrink when a test is repeated. Common parts (titrant, sample syringe, chart, kit factor)
	 * are shared by all repeats: they cancel in differences and never average away.
	 */
	readonly repeats: 'random' | 'common';
}

/** Display convention: U = 2·u, about 95 % for a result whose components are many. */
export const COVERAGE = 2;

/** Root of the sum of squares of independent components. @see JCGM 100:2008, 5.1.2 */
export function combine(components: readonly { readonly u: number }[]): number {
	return Math.hypot(...components.map((c) => c.u));
}

export function splitByRepeat(components: readonly UncertaintyComponent[]): {
	readonly uRandom: number;
	readonly uCommon: number;
} {
	return {
		uRandom: combine(components.filter((c) => c.repeats === 'random')),
		uCommon: combine(components.filter((c) => c.repeats === 'common'))
	};
}

/** The component that matters most; the first of equals. @throws {RangeError} on an empty budget */
export function largestComponent(components: readonly UncertaintyComponent[]): UncertaintyComponent {
	const [first, ...rest] = components;
	if (!first) throw new RangeError('a budget without components');
	return rest.reduce((most, c) => (c.u > most.u ? c : most), first);
}
