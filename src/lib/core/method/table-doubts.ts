import { median } from '../numeric/index.ts';
import type { ChartPoint } from './chart.ts';

/** What looks like a slip in a typed table. `row` counts from 0. */
export type TableDoubt =
	/** What is read, or what it is worth, turns round at this row. */
	| { readonly kind: 'order'; readonly row: number; readonly of: 'reading' | 'result' }
	/** A row seems to be missing before this one: the step to it is not the usual one. */
	| { readonly kind: 'gap'; readonly row: number; readonly step: number; readonly usual: number }
	/** The result does not lie where its neighbours put it. */
	| { readonly kind: 'step'; readonly row: number; readonly expected: number };

/** A step so many times the usual one is a gap. Tables with wider steps at an end stay below it (convention). */
const GAP = 1.6;
/** A result off by more than so much of the usual step is a slip, where the rest is smooth (convention). */
const OFF = 0.15;
/** Where the rest is rough, so many times its roughness (convention). */
const ROUGHER = 3;
/** Below so many rows nothing is usual. */
const LEAST_ROWS = 4;

const steps = (values: readonly number[]) => values.slice(1).map((v, i) => v - values[i]!);

/** The first row at which a column turns against the way that most of its steps go; null where it does not. */
function turn(values: readonly number[]): number | null {
	const all = steps(values);
	const rises = all.filter((s) => s > 0).length * 2 >= all.length;
	const at = all.findIndex((s) => (rises ? s <= 0 : s >= 0));
	return at < 0 ? null : at + 1;
}

/** Where the neighbours of a row put its result, by a straight line through the two nearest. */
function expectedAt(points: readonly ChartPoint[], row: number): number {
	const last = points.length - 1;
	const [a, b] = row === 0 ? [1, 2] : row === last ? [last - 2, last - 1] : [row - 1, row + 1];
	const [x0, y0] = points[a]!;
	const [x1, y1] = points[b]!;
	return y0 + ((points[row]![0] - x0) / (x1 - x0)) * (y1 - y0);
}

/** How far the inner row of a table that is off most lies from where its neighbours put it. */
function roughness(points: readonly ChartPoint[]): number {
	return points.reduce((worst, [, y], row) => {
		const inner = row > 0 && row < points.length - 1;
		return inner ? Math.max(worst, Math.abs(y - expectedAt(points, row))) : worst;
	}, 0);
}

/** The row without which the rest is smoothest: a slip makes its neighbours look wrong as well, and only its own going helps. */
function leastAtHome(points: readonly ChartPoint[]): number {
	const without = points.map((_, row) => roughness(points.filter((_, i) => i !== row)));
	return without.indexOf(Math.min(...without));
}

/**
 * Looks over a leaflet's table as it was typed, row by row: for order, for gaps, and for results that their neighbours do
 * not bear out. What it names may be right all the same; the leaflet decides.
 *
 * @param points in the order in which they were typed
 * @param printedStep what the last printed digit of a result can show; rounding is no slip
 * @returns nothing where the table looks right, and the worst slip of results alone, since it makes its neighbours look
 *   wrong as well
 */
export function tableDoubts(points: readonly ChartPoint[], printedStep: number): TableDoubt[] {
	const readings = points.map(([x]) => x);
	const results = points.map(([, y]) => y);
	const disorder = (
		[
			['reading', readings],
			['result', results]
		] as const
	).flatMap(([of, values]) => {
		const row = turn(values);
		return row === null ? [] : [{ kind: 'order', row, of } as const];
	});
	if (points.length < LEAST_ROWS || disorder.some((d) => d.of === 'reading')) return disorder;

	const apart = steps(readings).map(Math.abs);
	const usual = median(apart);
	const gaps = apart.flatMap((step, i) =>
		step > GAP * usual ? [{ kind: 'gap', row: i + 1, step, usual } as const] : []
	);

	const worth = median(steps(results).map(Math.abs));
	const row = leastAtHome(points);
	const rest = roughness(points.filter((_, i) => i !== row));
	const slack = Math.max(OFF * worth, 2 * printedStep, ROUGHER * rest);
	const expected = expectedAt(points, row);
	const isOff = Math.abs(results[row]! - expected) > slack;
	const slip = isOff ? [{ kind: 'step', row, expected } as const] : [];
	// A result that turns round is told once, with where it should lie.
	return [...(slip.length > 0 ? disorder.filter((d) => d.of !== 'result') : disorder), ...gaps, ...slip];
}
