/** Dissociation constants of EDTA, as pKa from the most acid proton on, 25 °C, I = 0.1 mol/L. */
export const EDTA_PKA = [0, 1.5, 2, 2.69, 6.13, 10.37] as const;

/**
 * Share of a ligand that has lost all its protons at a pH.
 *
 * @param pka all its dissociation constants, the most acid first
 * @see Harris (2010), Quantitative Chemical Analysis, 8th ed., chapter 11: 0.30 for EDTA at pH 10
 */
export function bareShare(pka: readonly number[], ph: number): number {
	const h = 10 ** -ph;
	// Each term is the one before it, less one proton: [H]ⁿ, [H]ⁿ⁻¹K₁, [H]ⁿ⁻²K₁K₂ …
	let term = 1;
	let sum = 1;
	for (const p of [...pka].reverse()) {
		term *= h / 10 ** -p;
		sum += term;
	}
	return 1 / sum;
}

/** log₁₀ of the constant that holds at a pH: log K + log α. @param logK of the bare ligand */
export function conditionalLogK(logK: number, pka: readonly number[], ph: number): number {
	return logK + Math.log10(bareShare(pka, ph));
}

/**
 * Free ion of a 1:1 complex, from K′ = [ML]/([M][L]): the positive root of K′[M]² + (1 + K′(c_L − c_M))[M] − c_M = 0,
 * in the form that loses nothing to cancellation.
 *
 * @param ion @param ligand totals in the vial, mol/L
 * @param logK conditional constant, log₁₀ of L/mol
 * @returns mol/L
 * @see Harris (2010), chapter 11-2: Ca²⁺ 0.0400 mol/L, 50 mL, with EDTA 0.0800 mol/L at pH 10
 */
export function freeIon(ion: number, ligand: number, logK: number): number {
	const k = 10 ** logK;
	const b = 1 + k * (ligand - ion);
	const root = Math.sqrt(b * b + 4 * k * ion);
	return b > 0 ? (2 * ion) / (b + root) : (root - b) / (2 * k);
}
