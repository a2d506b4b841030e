import {
	combine,
	COVERAGE,
	lastIncrement,
	rectangular,
	triangular,
	type UncertaintyComponent
} from '../uncertainty/index.ts';

type Shape = 'rect' | 'tri';

export interface TitrationBudgetInput {
	/** Result per mL of titrant at the nominal sample volume. */
	readonly resultPerMl: number;
	readonly usedMl: number;
	/** Width of the interval that each look at the scale left open, mL; two looks per filling. */
	readonly scaleWidthsMl: readonly number[];
	/** The last drop or push, mL. */
	readonly incrementMl: number;
	/** Standard uncertainty of judging the end point, mL. */
	readonly endPointUMl: number;
	/** Further half-width, rectangular, that the reader's own doubt adds, mL. */
	readonly doubtHalfWidthMl?: number;
	readonly sampleMl: number;
	readonly sampleToleranceMl: number;
	/** Printed steps of the leaflet's table, in the result's unit; 0 without a table. */
	readonly chartStep?: number;
	/** Relative rectangular half-width of the titrant's strength. */
	readonly titrantRelativeTolerance?: number;
	/** Correction by a kit check, and its relative standard uncertainty. */
	readonly factor?: number;
	readonly factorRelativeU?: number;
	/** Take half the last increment off, so that the result is unbiased. */
	readonly midpoint: boolean;
	readonly sampleShape?: Shape;
	readonly graduationShape?: Shape;
}

export interface TitrationBudget {
	/** In the result's unit, as all that follows. */
	readonly value: number;
	readonly components: readonly UncertaintyComponent[];
	readonly u: number;
	/** Expanded, k = 2. */
	readonly expanded: number;
}

const SHAPES: Readonly<Record<Shape, (halfWidth: number) => number>> = { rect: rectangular, tri: triangular };

/**
 * Result and uncertainty budget of a titration, y = k·V·f:
 * u² = (k f)²·[Σ w²/12 + δ²/12 + u_ep² + a²/3] + y²·(u(V_s)/V_s)² + s²/12 + y²·(u(c)/c)² + y²·(u(f)/f)².
 * Reading, last drop and end point are random; sample syringe, table, titrant and factor are common to repeats.
 *
 * @see JCGM 100:2008, 5.1.2, with the components of 4.3.7 and 4.3.9
 */
export function titrationBudget(input: TitrationBudgetInput): TitrationBudget {
	const factor = input.factor ?? 1;
	const perMl = Math.abs(input.resultPerMl * factor);
	const increment = lastIncrement(input.incrementMl);
	const volumeMl = input.usedMl - (input.midpoint ? increment.bias : 0);
	const value = input.resultPerMl * volumeMl * factor;
	const spread = SHAPES[input.graduationShape ?? 'rect'];
	const sampleSpread = SHAPES[input.sampleShape ?? 'rect'];
	const components: UncertaintyComponent[] = [
		{
			source: 'graduation',
			u: perMl * combine(input.scaleWidthsMl.map((width) => ({ u: spread(width / 2) }))),
			repeats: 'random'
		},
		{ source: 'last-drop', u: perMl * increment.u, repeats: 'random' },
		{ source: 'end-point', u: perMl * input.endPointUMl, repeats: 'random' },
		{ source: 'reader-doubt', u: perMl * rectangular(input.doubtHalfWidthMl ?? 0), repeats: 'random' },
		{
			source: 'sample-volume',
			u: Math.abs(value) * (sampleSpread(input.sampleToleranceMl) / input.sampleMl),
			repeats: 'common'
		},
		{ source: 'chart-rounding', u: rectangular((input.chartStep ?? 0) / 2), repeats: 'common' },
		{
			source: 'titrant',
			u: Math.abs(value) * rectangular(input.titrantRelativeTolerance ?? 0),
			repeats: 'common'
		},
		{ source: 'factor', u: Math.abs(value) * (input.factorRelativeU ?? 0), repeats: 'common' }
	];
	const u = combine(components);
	return { value, components, u, expanded: COVERAGE * u };
}
