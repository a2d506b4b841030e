import type { UnitId } from './unit.ts';

export type ParameterId =
	| 'alkalinity'
	| 'calcium'
	| 'magnesium'
	| 'potassium'
	| 'nitrate'
	| 'phosphate'
	| 'ammonia'
	| 'nitrite'
	| 'ph'
	| 'salinity'
	| 'temperature'
	| 'hardness';

export interface ParameterDefinition {
	readonly name: string;
	readonly symbol: string;
	/** What exactly is meant: "carbonate hardness" of a kit is total alkalinity, borate included (Dickson 1981). */
	readonly species: string;
	readonly canonicalUnit: UnitId;
	/** The first is shown unless the keeper chose another. */
	readonly units: readonly UnitId[];
	/** Spread of what a water may hold, one standard deviation, canonical unit; used where nothing is known. */
	readonly plausibleSpread: number;
	/** It is raised by dosing, so a supplement can state its strength in it. */
	readonly dosed: boolean;
	/** A major ion in constant proportion to salinity, to be normalised to S = 35 before it is judged. */
	readonly followsSalinity: boolean;
	/** A sample older than this, in hours, no longer tells what the water held (husbandry convention). */
	readonly sampleKeepsH: number;
}

const ion = (
	name: string,
	symbol: string,
	numbers: Pick<ParameterDefinition, 'plausibleSpread'>
): ParameterDefinition => ({
	name,
	symbol,
	species: name.toLowerCase(),
	canonicalUnit: 'mg-per-l',
	units: ['mg-per-l'],
	dosed: true,
	followsSalinity: true,
	sampleKeepsH: 7 * 24,
	...numbers
});

export const PARAMETERS: Readonly<Record<ParameterId, ParameterDefinition>> = {
	alkalinity: {
		name: 'Alkalinity',
		symbol: 'KH',
		species: 'total alkalinity',
		canonicalUnit: 'dkh',
		units: ['dkh', 'meq-per-l', 'mg-per-l-caco3'],
		plausibleSpread: 2,
		dosed: true,
		followsSalinity: false,
		sampleKeepsH: 24
	},
	calcium: ion('Calcium', 'Ca', { plausibleSpread: 40 }),
	magnesium: ion('Magnesium', 'Mg', { plausibleSpread: 80 }),
	potassium: ion('Potassium', 'K', { plausibleSpread: 40 }),
	nitrate: {
		name: 'Nitrate',
		symbol: 'NO₃',
		species: 'nitrate',
		canonicalUnit: 'mg-per-l-no3',
		units: ['mg-per-l-no3', 'mg-per-l-no3-n'],
		plausibleSpread: 20,
		dosed: true,
		followsSalinity: false,
		sampleKeepsH: 24
	},
	phosphate: {
		name: 'Phosphate',
		symbol: 'PO₄',
		species: 'inorganic phosphate',
		canonicalUnit: 'mg-per-l-po4',
		units: ['mg-per-l-po4', 'ug-per-l-p', 'mg-per-l-p'],
		plausibleSpread: 0.2,
		dosed: true,
		followsSalinity: false,
		sampleKeepsH: 12
	},
	ammonia: {
		name: 'Ammonia',
		symbol: 'NH₃/NH₄',
		species: 'total ammonia',
		canonicalUnit: 'mg-per-l-nh4',
		units: ['mg-per-l-nh4', 'mg-per-l-nh4-n', 'mg-per-l-nh3'],
		plausibleSpread: 2,
		dosed: false,
		followsSalinity: false,
		sampleKeepsH: 4
	},
	nitrite: {
		name: 'Nitrite',
		symbol: 'NO₂',
		species: 'nitrite',
		canonicalUnit: 'mg-per-l-no2',
		units: ['mg-per-l-no2', 'mg-per-l-no2-n'],
		plausibleSpread: 3,
		dosed: false,
		followsSalinity: false,
		sampleKeepsH: 12
	},
	ph: {
		name: 'pH',
		symbol: 'pH',
		species: 'pH by buffers of the kit',
		canonicalUnit: 'ph',
		units: ['ph'],
		plausibleSpread: 0.4,
		dosed: false,
		followsSalinity: false,
		sampleKeepsH: 0.25
	},
	salinity: {
		name: 'Salinity',
		symbol: 'S',
		species: 'practical salinity',
		canonicalUnit: 'psu',
		units: ['psu', 'sg-25-25', 'sg-20-20'],
		plausibleSpread: 2,
		dosed: false,
		followsSalinity: false,
		sampleKeepsH: 48
	},
	temperature: {
		name: 'Temperature',
		symbol: 'T',
		species: 'temperature',
		canonicalUnit: 'celsius',
		units: ['celsius', 'fahrenheit'],
		plausibleSpread: 2,
		dosed: false,
		followsSalinity: false,
		sampleKeepsH: 0.1
	},
	hardness: {
		name: 'General hardness',
		symbol: 'GH',
		species: 'calcium and magnesium together',
		canonicalUnit: 'dgh',
		units: ['dgh', 'mg-per-l-caco3-gh', 'mmol-per-l-gh'],
		plausibleSpread: 4,
		dosed: false,
		followsSalinity: false,
		sampleKeepsH: 7 * 24
	}
};

/** The name in the middle of a sentence: "calcium", but "pH". */
export function nameWithin(parameter: ParameterId): string {
	const { name } = PARAMETERS[parameter];
	return parameter === 'ph' ? name : name.toLowerCase();
}

export const PARAMETER_IDS = Object.keys(PARAMETERS) as readonly ParameterId[];

export function isParameterId(text: string): text is ParameterId {
	return Object.hasOwn(PARAMETERS, text);
}
