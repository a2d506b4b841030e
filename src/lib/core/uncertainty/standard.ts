const SQRT_3 = Math.sqrt(3);
const SQRT_6 = Math.sqrt(6);

/**
 * Standard uncertainty of something equally likely anywhere within ±halfWidth.
 * A reading to the nearest mark of a scale with graduation g has halfWidth g/2.
 * @see JCGM 100:2008, 4.3.7
 */
export function rectangular(halfWidth: number): number {
	return halfWidth / SQRT_3;
}

/** The same for values near the middle more likely than near the ends. @see JCGM 100:2008, 4.3.9 */
export function triangular(halfWidth: number): number {
	return halfWidth / SQRT_6;
}

/** From an expanded uncertainty U = k·u, as certificates state it. @see JCGM 100:2008, 4.3.3 */
export function expanded(expandedUncertainty: number, k: number): number {
	return expandedUncertainty / k;
}

/**
 * The last drop or push, at which the colour changes: the true end point lies anywhere within it, so that
 * counting it whole reads half an increment too high on average.
 *
 * @param increment size of the last addition, in any unit
 * @returns u, and the bias of the conventional result, in the same unit
 */
export function lastIncrement(increment: number): { readonly u: number; readonly bias: number } {
	return { u: rectangular(increment / 2), bias: increment / 2 };
}

/** Start and end read on one scale: two readings, each to the nearest mark. */
export function differenceOfTwoReadings(graduation: number): number {
	return Math.SQRT2 * rectangular(graduation / 2);
}

/**
 * Standard uncertainty of something of which a part differs from reading to reading and a part is common to all.
 *
 * @see JCGM 100:2008, 5.1.2
 */
export function standardUncertaintyOf(of: { readonly uRandom: number; readonly uCommon: number }): number {
	return Math.sqrt(of.uRandom * of.uRandom + of.uCommon * of.uCommon);
}
