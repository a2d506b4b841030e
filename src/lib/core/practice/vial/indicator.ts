/**
 * Share of an indicator of acids in its acid form. Mixed indicators, two dyes that change together, are steeper than one.
 *
 * @param steepness 1 for a single dye; what two dyes in one bottle come to lies about 2
 * @see Harris (2010), Quantitative Chemical Analysis, 8th ed., chapter 10-6: pH = pK + log [In]/[HIn]
 */
export function acidFormShare(ph: number, pk: number, steepness = 1): number {
	return 1 / (1 + 10 ** (steepness * (ph - pk)));
}

/**
 * Share of an indicator of metals that its metal has let go.
 *
 * @param free metal ion, mol/L
 * @param logK conditional constant of indicator and metal, log₁₀ of L/mol
 * @see Harris (2010), chapter 11-4
 */
export function freeIndicatorShare(free: number, logK: number): number {
	return 1 / (1 + free * 10 ** logK);
}
