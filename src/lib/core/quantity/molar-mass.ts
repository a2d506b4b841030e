/**
 * Molar masses in g/mol: IUPAC/CIAAW conventional atomic weights and sums of them.
 * The weight of calcium itself is known to ±0.004, so digits beyond the fifth are convention.
 */
const C = 12.011;
const O = 15.999;
const CA = 40.078;

export const MOLAR_MASS = {
	calcium: CA,
	calciumOxide: CA + O,
	calciumCarbonate: CA + C + 3 * O,
	strontium: 87.62
} as const;
