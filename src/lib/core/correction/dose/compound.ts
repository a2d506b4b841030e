/** Ions and nutrients that a compound can bring, by their own mass. */
export type Brought = 'Ca' | 'Mg' | 'K' | 'Na' | 'Cl' | 'SO4' | 'NO3' | 'PO4' | 'Sr';

/** g/mol. @see IUPAC/CIAAW conventional weights */
const H = 1.008;
const C = 12.011;
const N = 14.007;
const O = 15.999;
const NA = 22.989769;
const MG = 24.305;
const P = 30.973762;
const S = 32.06;
const CL = 35.45;
const K = 39.0983;
const CA = 40.078;
const SR = 87.62;
const WATER = 2 * H + O;

export const BROUGHT_MASS: Readonly<Record<Brought, number>> = {
	Ca: CA,
	Mg: MG,
	K,
	Na: NA,
	Cl: CL,
	SO4: S + 4 * O,
	NO3: N + 3 * O,
	PO4: P + 4 * O,
	Sr: SR
};

export interface Compound {
	readonly name: string;
	readonly formula: string;
	/** g/mol, water of crystallisation included. */
	readonly molarMass: number;
	/** Moles of each to the mole. */
	readonly brings: Readonly<Partial<Record<Brought, number>>>;
	/**
	 * Equivalents of alkalinity to the mole; phosphate counts from H₂PO₄⁻.
	 *
	 * @see Dickson (1981), Deep-Sea Research 28, 609
	 */
	readonly alkalinity: number;
	/**
	 * What it is added for. What else it brings is a by-product: a phosphate lifts alkalinity, and nobody may be told to
	 * lift alkalinity with it.
	 */
	readonly purpose: readonly (
		'alkalinity' | 'calcium' | 'magnesium' | 'potassium' | 'nitrate' | 'phosphate'
	)[];
	/** Moles of inorganic carbon to the mole; none unless said. */
	readonly carbon?: number;
}

/** Common salts that a keeper can buy pure. */
export const COMPOUNDS = {
	CaCl2: {
		name: 'Calcium chloride, dry',
		formula: 'CaCl₂',
		purpose: ['calcium'],
		molarMass: CA + 2 * CL,
		brings: { Ca: 1, Cl: 2 },
		alkalinity: 0
	},
	'CaCl2.2H2O': {
		name: 'Calcium chloride dihydrate',
		formula: 'CaCl₂·2H₂O',
		purpose: ['calcium'],
		molarMass: CA + 2 * CL + 2 * WATER,
		brings: { Ca: 1, Cl: 2 },
		alkalinity: 0
	},
	NaHCO3: {
		name: 'Sodium bicarbonate',
		formula: 'NaHCO₃',
		purpose: ['alkalinity'],
		molarMass: NA + H + C + 3 * O,
		brings: { Na: 1 },
		alkalinity: 1,
		carbon: 1
	},
	Na2CO3: {
		name: 'Sodium carbonate, dry',
		formula: 'Na₂CO₃',
		purpose: ['alkalinity'],
		molarMass: 2 * NA + C + 3 * O,
		brings: { Na: 2 },
		alkalinity: 2,
		carbon: 1
	},
	K2CO3: {
		name: 'Potassium carbonate',
		formula: 'K₂CO₃',
		purpose: ['potassium'],
		molarMass: 2 * K + C + 3 * O,
		brings: { K: 2 },
		alkalinity: 2,
		carbon: 1
	},
	'MgCl2.6H2O': {
		name: 'Magnesium chloride hexahydrate',
		formula: 'MgCl₂·6H₂O',
		purpose: ['magnesium'],
		molarMass: MG + 2 * CL + 6 * WATER,
		brings: { Mg: 1, Cl: 2 },
		alkalinity: 0
	},
	'MgSO4.7H2O': {
		name: 'Magnesium sulphate heptahydrate',
		formula: 'MgSO₄·7H₂O',
		purpose: ['magnesium'],
		molarMass: MG + S + 4 * O + 7 * WATER,
		brings: { Mg: 1, SO4: 1 },
		alkalinity: 0
	},
	KCl: {
		name: 'Potassium chloride',
		formula: 'KCl',
		purpose: ['potassium'],
		molarMass: K + CL,
		brings: { K: 1, Cl: 1 },
		alkalinity: 0
	},
	K2SO4: {
		name: 'Potassium sulphate',
		formula: 'K₂SO₄',
		purpose: ['potassium'],
		molarMass: 2 * K + S + 4 * O,
		brings: { K: 2, SO4: 1 },
		alkalinity: 0
	},
	NaNO3: {
		name: 'Sodium nitrate',
		formula: 'NaNO₃',
		purpose: ['nitrate'],
		molarMass: NA + N + 3 * O,
		brings: { Na: 1, NO3: 1 },
		alkalinity: 0
	},
	KNO3: {
		name: 'Potassium nitrate',
		formula: 'KNO₃',
		purpose: ['nitrate'],
		molarMass: K + N + 3 * O,
		brings: { K: 1, NO3: 1 },
		alkalinity: 0
	},
	KH2PO4: {
		name: 'Potassium dihydrogen phosphate',
		formula: 'KH₂PO₄',
		purpose: ['phosphate'],
		molarMass: K + 2 * H + P + 4 * O,
		brings: { K: 1, PO4: 1 },
		alkalinity: 0
	},
	Na3PO4: {
		name: 'Trisodium phosphate, dry',
		formula: 'Na₃PO₄',
		purpose: ['phosphate'],
		molarMass: 3 * NA + P + 4 * O,
		brings: { Na: 3, PO4: 1 },
		alkalinity: 2
	},
	'SrCl2.6H2O': {
		name: 'Strontium chloride hexahydrate',
		formula: 'SrCl₂·6H₂O',
		purpose: [],
		molarMass: SR + 2 * CL + 6 * WATER,
		brings: { Sr: 1, Cl: 2 },
		alkalinity: 0
	}
} as const satisfies Readonly<Record<string, Compound>>;

export type CompoundId = keyof typeof COMPOUNDS;
export const COMPOUND_IDS = Object.keys(COMPOUNDS) as readonly CompoundId[];
