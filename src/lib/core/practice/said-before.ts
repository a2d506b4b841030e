/** What somebody expected before they read, and what it turned out to be; all in one unit. */
export interface Said {
	readonly expected: number;
	/** They would have been surprised beyond this once in ten times. */
	readonly give: number;
	readonly read: number;
	/** The estimate's own expectation, where it had one, with its standard deviation, the reading's included. */
	readonly estimate: { readonly value: number; readonly sd: number } | null;
}

export interface SaidScore {
	readonly times: number;
	/** Share of readings within what was given; nine in ten would be just right. */
	readonly within: number;
	/** Mean half-width that was given, and mean distance from what was read. */
	readonly give: number;
	readonly off: number;
	/** Interval score: the width, and twenty times what lay outside. Less is better. */
	readonly score: number;
}

/** Half of what lies outside on either side of nine in ten. */
const ALPHA = 0.1;
const Z_90 = 1.6448536269514722;

function scored(
	items: readonly { readonly middle: number; readonly half: number; readonly read: number }[]
): SaidScore | null {
	if (items.length === 0) return null;
	const mean = (of: (i: (typeof items)[number]) => number) =>
		items.reduce((s, i) => s + of(i), 0) / items.length;
	const off = (i: (typeof items)[number]) => Math.abs(i.read - i.middle);
	return {
		times: items.length,
		within: mean((i) => (off(i) <= i.half ? 1 : 0)),
		give: mean((i) => i.half),
		off: mean(off),
		score: mean((i) => 2 * i.half + (2 / ALPHA) * Math.max(0, off(i) - i.half))
	};
}

/**
 * How well somebody says beforehand what they will read, beside how well the estimate does, on the same readings.
 *
 * @returns null where nothing was said, or the estimate had nothing to say
 * @see Gneiting & Raftery (2007), Journal of the American Statistical Association 102, 359, equation 43
 */
export function saidScores(said: readonly Said[]): {
	readonly own: SaidScore | null;
	readonly estimate: SaidScore | null;
} {
	return {
		own: scored(said.map(({ expected, give, read }) => ({ middle: expected, half: give, read }))),
		estimate: scored(
			said.flatMap(({ read, estimate }) =>
				estimate ? [{ middle: estimate.value, half: Z_90 * estimate.sd, read }] : []
			)
		)
	};
}
