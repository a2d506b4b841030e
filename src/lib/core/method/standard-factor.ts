import { fail, ok, type Result } from '../result/index.ts';

/** Beyond these a kit, or the check of it, is broken rather than off (husbandry convention). */
export const PLAUSIBLE_FACTOR = { least: 0.8, most: 1.25 } as const;

/**
 * A kit's factor from one standard: f = C_std/(R_std − R₀).
 *
 * @param trueValue of the standard, in the unit of the readings
 * @param blank what the kit reads on pure water
 * @returns the factor; fails outside 0.8 to 1.25, where the check itself is to be repeated
 * @example standardFactor(7, 7.4) // 0.945946
 */
export function standardFactor(trueValue: number, standardReading: number, blank = 0): Result<number> {
	const factor = trueValue / (standardReading - blank);
	if (!(factor >= PLAUSIBLE_FACTOR.least && factor <= PLAUSIBLE_FACTOR.most)) {
		return fail('factor-implausible', 'reading', PLAUSIBLE_FACTOR);
	}
	return ok(factor);
}

export interface StandardLine {
	readonly slope: number;
	readonly intercept: number;
}

/** One standard: what was read of it, and what it holds, each with its standard uncertainty. */
export interface StandardReading {
	readonly reading: number;
	readonly uReading: number;
	readonly value: number;
	readonly uValue: number;
}

/**
 * The line through two standards: m = (C₂ − C₁)/(R₂ − R₁). They should bracket the sample.
 *
 * @returns fails where both standards read the same
 * @example standardLine({ reading: 2.3, value: 2 }, { reading: 9.4, value: 10 }) // slope 1.126761
 */
export function standardLine(
	a: Pick<StandardReading, 'reading' | 'value'>,
	b: Pick<StandardReading, 'reading' | 'value'>
): Result<StandardLine> {
	if (a.reading === b.reading) return fail('standards-alike', 'reading');
	const slope = (b.value - a.value) / (b.reading - a.reading);
	return ok({ slope, intercept: a.value - slope * a.reading });
}

/**
 * Standard uncertainty of a reading corrected by two standards: with w = (R − R₁)/(R₂ − R₁),
 * u² = ((1−w)u_C1)² + (w·u_C2)² + m²[u_R² + ((1−w)u_R1)² + (w·u_R2)²].
 *
 * @see JCGM 100:2008, 5.1.2 applied to the line
 */
export function uByStandardLine(
	line: StandardLine,
	a: StandardReading,
	b: StandardReading,
	{ value: reading, u: uReading }: { readonly value: number; readonly u: number }
): number {
	const w = (reading - a.reading) / (b.reading - a.reading);
	return Math.hypot(
		(1 - w) * a.uValue,
		w * b.uValue,
		line.slope * uReading,
		line.slope * (1 - w) * a.uReading,
		line.slope * w * b.uReading
	);
}
