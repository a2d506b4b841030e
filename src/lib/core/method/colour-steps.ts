import { fail, ok, type Result } from '../result/index.ts';

/** Where between its steps a comparator's colours are evenly apart: in the concentration, or in its logarithm. */
export type Spacing = 'linear' | 'log';

/** What was seen against the steps; `index` counts from 0, "between" is from that step to the next. */
export type StepStatement =
	| { readonly kind: 'on' | 'between' | 'nearer_lower' | 'nearer_upper'; readonly index: number }
	| { readonly kind: 'below' | 'above' };

/** An interval with what is known inside it; nothing is known of one that is open above. */
export interface StepInterval {
	readonly lower: number;
	readonly upper: number | null;
	readonly median: number | null;
	readonly mean: number | null;
	readonly u: number | null;
}

/** Growing by more than this from step to step is called geometric (husbandry convention). */
const GEOMETRIC_RATIO = 1.5;

/** The spacing that a row of steps suggests. */
export function spacingOf(steps: readonly number[]): Spacing {
	const ratios = steps.slice(1).flatMap((s, i) => (steps[i]! > 0 ? [s / steps[i]!] : []));
	if (ratios.length === 0) return 'linear';
	return ratios.reduce((sum, r) => sum + r, 0) / ratios.length > GEOMETRIC_RATIO ? 'log' : 'linear';
}

function middleOf(a: number, b: number, spacing: Spacing): number {
	return spacing === 'log' && a > 0 && b > 0 ? Math.sqrt(a * b) : (a + b) / 2;
}

function endsOf(
	steps: readonly number[],
	spacing: Spacing,
	statement: StepStatement
): readonly [number, number | null] | null {
	const last = steps.length - 1;
	if (statement.kind === 'above') return [steps[last]!, null];
	// Nothing holds less than nothing: below a lowest step of 0 there is no place.
	if (statement.kind === 'below') return steps[0]! > 0 ? [0, steps[0]!] : null;
	const { kind, index } = statement as Extract<StepStatement, { readonly index: number }>;
	if (!Number.isInteger(index) || index < 0 || index > last) return null;
	const here = steps[index]!;
	if (kind === 'on') {
		const ratio = spacing === 'log' && here > 0;
		const lower =
			index > 0
				? middleOf(steps[index - 1]!, here, spacing)
				: ratio
					? here * Math.sqrt(here / steps[1]!)
					: Math.max(0, here - (steps[1]! - here) / 2);
		const before = steps[index - 1];
		const upper =
			index < last
				? middleOf(here, steps[index + 1]!, spacing)
				: ratio && before !== undefined && before > 0
					? here * Math.sqrt(here / before)
					: here + (here - before!) / 2;
		return [lower, upper];
	}
	const next = steps[index + 1];
	if (next === undefined) return null;
	const middle = middleOf(here, next, spacing);
	return kind === 'between' ? [here, next] : kind === 'nearer_lower' ? [here, middle] : [middle, next];
}

/** Moments of what is evenly spread over [a, b], in the concentration or in its logarithm. */
export function momentsWithin(
	a: number,
	b: number,
	spacing: Spacing
): { readonly median: number; readonly mean: number; readonly u: number } {
	if (spacing === 'log' && a > 0 && b > a) {
		const span = Math.log(b / a);
		const mean = (b - a) / span;
		return { median: Math.sqrt(a * b), mean, u: Math.sqrt((b * b - a * a) / (2 * span) - mean * mean) };
	}
	const middle = (a + b) / 2;
	return { median: middle, mean: middle, u: (b - a) / Math.sqrt(12) };
}

/**
 * What a statement against a row of colour steps says about the concentration.
 *
 * @param steps two or more, rising, 0 or more
 * @param dilutionFactor parts in all to one part of sample; scales everything
 * @returns fails for a place that the row does not have, such as below a lowest step of 0
 * @throws {RangeError} on a row that does not rise
 * @example stepInterval([3, 8, 15, 30, 60], 'log', { kind: 'between', index: 2 }).value.median // 21.21
 */
export function stepInterval(
	steps: readonly number[],
	spacing: Spacing,
	statement: StepStatement,
	dilutionFactor = 1
): Result<StepInterval> {
	if (steps.length < 2 || steps.some((s, i) => s < 0 || (i > 0 && s <= steps[i - 1]!))) {
		throw new RangeError(`colour steps must rise from 0 or more: ${steps.join(', ')}`);
	}
	if (!(dilutionFactor >= 1)) return fail('dilution-impossible', 'dilution', { factor: dilutionFactor });
	const ends = endsOf(steps, spacing, statement);
	if (!ends) return fail('no-such-step', 'at');
	const [lower, upper] = ends;
	if (upper === null) {
		return ok({ lower: lower * dilutionFactor, upper: null, median: null, mean: null, u: null });
	}
	const { median, mean, u } = momentsWithin(lower, upper, spacing);
	return ok({
		lower: lower * dilutionFactor,
		upper: upper * dilutionFactor,
		median: median * dilutionFactor,
		mean: mean * dilutionFactor,
		u: u * dilutionFactor
	});
}
