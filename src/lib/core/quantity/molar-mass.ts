/**
 * Molar masses in g/mol: IUPAC/CIAAW conventional atomic weights and sums of them.
 * The weight of calcium itself is known to ±0.004, so digits beyond the fifth are convention.
 */
const H = 1.008;
const B = 10.81;
const C = 12.011;
const N = 14.007;
const O = 15.999;
const MG = 24.305;
const P = 30.973762;
const K = 39.0983;
const CA = 40.078;

export const MOLAR_MASS = {
	boron: B,
	nitrogen: N,
	magnesium: MG,
	phosphorus: P,
	potassium: K,
	calcium: CA,
	strontium: 87.62,
	calciumOxide: CA + O,
	calciumCarbonate: CA + C + 3 * O,
	nitrate: N + 3 * O,
	nitrite: N + 2 * O,
	ammonia: N + 3 * H,
	ammonium: N + 4 * H,
	phosphate: P + 4 * O
} as const;
