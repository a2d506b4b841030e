import { MOLAR_MASS, type ParameterId } from '../quantity/index.ts';

/** Atomic weights that only salts need, g/mol. @see IUPAC/CIAAW conventional values */
const H = 1.008;
const O = 15.999;
const C = 12.011;
const NA = 22.98976928;
const S = 32.06;
const CL = 35.45;
const WATER = 2 * H + O;
const { magnesium: MG, calcium: CA, potassium: K } = MOLAR_MASS;

export type SaltId =
	| 'sodium-hydrogencarbonate'
	| 'sodium-carbonate'
	| 'calcium-chloride-dihydrate'
	| 'magnesium-sulfate-heptahydrate'
	| 'magnesium-chloride-hexahydrate'
	| 'potassium-chloride'
	| 'potassium-nitrate'
	| 'potassium-dihydrogenphosphate'
	| 'ammonium-chloride'
	| 'sodium-nitrite';

/** What one mole of a salt gives: milligrams of an ion, or milliequivalents of alkalinity. */
interface Gives {
	readonly parameter: ParameterId;
	readonly perMol: number;
}

export interface Salt {
	readonly id: SaltId;
	readonly name: string;
	readonly formula: string;
	/** g/mol */
	readonly molarMass: number;
	readonly gives: readonly [Gives, ...Gives[]];
	/** What makes the weighed mass another than the salt's. */
	readonly care: string;
	/** What to beware of, the label and the safety data sheet before it. */
	readonly danger: string;
	/** Standard uncertainty of the salt's content as it comes from a closed jar, relative (husbandry convention). */
	readonly relativeU: number;
}

const mg = (gramsPerMol: number) => gramsPerMol * 1000;

/** Salts that standards are weighed from. One gives one parameter, or several at once. */
export const SALTS: Readonly<Record<SaltId, Salt>> = {
	'sodium-hydrogencarbonate': {
		id: 'sodium-hydrogencarbonate',
		name: 'Sodium hydrogencarbonate',
		formula: 'NaHCO₃',
		molarMass: NA + H + C + 3 * O,
		gives: [{ parameter: 'alkalinity', perMol: 1000 }],
		care: 'Never heat it: it turns into carbonate.',
		danger: '',
		relativeU: 0.005
	},
	'sodium-carbonate': {
		id: 'sodium-carbonate',
		name: 'Sodium carbonate, dried',
		formula: 'Na₂CO₃',
		molarMass: 2 * NA + C + 3 * O,
		gives: [{ parameter: 'alkalinity', perMol: 2000 }],
		care: 'Draws water: dry it for an hour at 250 °C, let it cool closed.',
		danger: 'Irritates the eyes. Wear goggles.',
		relativeU: 0.003
	},
	'calcium-chloride-dihydrate': {
		id: 'calcium-chloride-dihydrate',
		name: 'Calcium chloride dihydrate',
		formula: 'CaCl₂·2H₂O',
		molarMass: CA + 2 * CL + 2 * WATER,
		gives: [{ parameter: 'calcium', perMol: mg(CA) }],
		care: 'Draws water from the air within minutes: fresh jar, weigh at once. Damp grains read low.',
		danger: 'Irritates the eyes and warms up in water. Wear goggles.',
		relativeU: 0.02
	},
	'magnesium-sulfate-heptahydrate': {
		id: 'magnesium-sulfate-heptahydrate',
		name: 'Magnesium sulfate heptahydrate',
		formula: 'MgSO₄·7H₂O',
		molarMass: MG + S + 4 * O + 7 * WATER,
		gives: [{ parameter: 'magnesium', perMol: mg(MG) }],
		care: 'Loses water in dry air: clear crystals only, none that are white and dusty.',
		danger: '',
		relativeU: 0.01
	},
	'magnesium-chloride-hexahydrate': {
		id: 'magnesium-chloride-hexahydrate',
		name: 'Magnesium chloride hexahydrate',
		formula: 'MgCl₂·6H₂O',
		molarMass: MG + 2 * CL + 6 * WATER,
		gives: [{ parameter: 'magnesium', perMol: mg(MG) }],
		care: 'Draws water from the air: fresh jar, weigh at once.',
		danger: '',
		relativeU: 0.02
	},
	'potassium-chloride': {
		id: 'potassium-chloride',
		name: 'Potassium chloride',
		formula: 'KCl',
		molarMass: K + CL,
		gives: [{ parameter: 'potassium', perMol: mg(K) }],
		care: 'Dry it at 110 °C if it is lumpy.',
		danger: '',
		relativeU: 0.003
	},
	'potassium-nitrate': {
		id: 'potassium-nitrate',
		name: 'Potassium nitrate',
		formula: 'KNO₃',
		molarMass: K + MOLAR_MASS.nitrate,
		gives: [
			{ parameter: 'nitrate', perMol: mg(MOLAR_MASS.nitrate) },
			{ parameter: 'potassium', perMol: mg(K) }
		],
		care: 'Dry it at 110 °C if it is lumpy.',
		danger: 'Feeds fire. Keep it from anything that burns; local rules may restrict it.',
		relativeU: 0.003
	},
	'potassium-dihydrogenphosphate': {
		id: 'potassium-dihydrogenphosphate',
		name: 'Potassium dihydrogenphosphate',
		formula: 'KH₂PO₄',
		molarMass: K + 2 * H + MOLAR_MASS.phosphate,
		gives: [
			{ parameter: 'phosphate', perMol: mg(MOLAR_MASS.phosphate) },
			{ parameter: 'potassium', perMol: mg(K) }
		],
		care: 'Dry it at 105 °C.',
		danger: '',
		relativeU: 0.003
	},
	'ammonium-chloride': {
		id: 'ammonium-chloride',
		name: 'Ammonium chloride',
		formula: 'NH₄Cl',
		molarMass: MOLAR_MASS.ammonium + CL,
		gives: [{ parameter: 'ammonia', perMol: mg(MOLAR_MASS.ammonium) }],
		care: 'Do not heat it.',
		danger: 'Harmful if swallowed, irritates the eyes. Never near animals: the solution poisons fish.',
		relativeU: 0.005
	},
	'sodium-nitrite': {
		id: 'sodium-nitrite',
		name: 'Sodium nitrite',
		formula: 'NaNO₂',
		molarMass: NA + MOLAR_MASS.nitrite,
		gives: [{ parameter: 'nitrite', perMol: mg(MOLAR_MASS.nitrite) }],
		care: 'Turns into nitrate in air and light: a fresh, closed jar.',
		danger:
			'Toxic if swallowed, feeds fire. Gloves and goggles, out of reach of children. Buying a solution is safer.',
		relativeU: 0.02
	}
};

export const SALT_IDS = Object.keys(SALTS) as readonly SaltId[];
