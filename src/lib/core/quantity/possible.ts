import type { ParameterId } from './parameter.ts';

/** What a quantity can be, and why it can be no more. Beyond it a number is a slip, whoever says it. */
export interface Possible {
	readonly least: number;
	readonly most: number;
	/** As a person reads it, with the number: "mL", "°C". */
	readonly unit: string;
	readonly source: string;
}

const can = (least: number, most: number, unit: string, source: string): Possible => ({
	least,
	most,
	unit,
	source
});

/** Of a water that is read, stated, mixed or changed: canonical units. */
export const POSSIBLE_IN_WATER: Readonly<Record<ParameterId, Possible>> = {
	alkalinity: can(0, 40, 'dKH', 'Five times the sea; more falls out as carbonate in hours.'),
	calcium: can(0, 1500, 'mg/L', 'Three and a half times the sea (412 mg/L, Millero et al. 2008).'),
	magnesium: can(0, 4000, 'mg/L', 'Three times the sea (1284 mg/L, Millero et al. 2008).'),
	potassium: can(0, 1500, 'mg/L', 'Nearly four times the sea (399 mg/L, Millero et al. 2008).'),
	nitrate: can(0, 1000, 'mg/L', 'Twice what a neglected tank with fish has been found to hold.'),
	phosphate: can(0, 50, 'mg/L', 'With the calcium of any water more falls out.'),
	ammonia: can(0, 100, 'mg/L', 'Ten times what a cycle is begun with.'),
	nitrite: can(0, 200, 'mg/L', 'All the ammonia of the hardest cycle, oxidised.'),
	ph: can(3, 12, '', 'Vinegar and limewater; no tank lies beyond.'),
	salinity: can(0, 60, 'PSU', 'The saltiest seas and lagoons; brine beyond is no tank.'),
	temperature: can(-2, 45, '°C', 'Sea water freezes, and nothing that is kept lives above.'),
	hardness: can(0, 500, 'dGH', 'Above the sea at its saltiest (about 370 dGH at S = 35).')
};

/** Of a standard, a stock solution or a salt's solution on the shelf: what dissolves, or what a buffer is made for. */
export const POSSIBLE_IN_BOTTLE: Readonly<Record<ParameterId, Possible>> = {
	...POSSIBLE_IN_WATER,
	alkalinity: can(0, 60_000, 'dKH', 'Potassium carbonate at saturation, some 20 mol/L.'),
	calcium: can(0, 300_000, 'mg/L', 'Calcium chloride at saturation, some 7 mol/L.'),
	magnesium: can(0, 150_000, 'mg/L', 'Magnesium chloride at saturation, some 6 mol/L.'),
	potassium: can(0, 700_000, 'mg/L', 'Potassium carbonate at saturation.'),
	nitrate: can(0, 900_000, 'mg/L', 'Calcium nitrate at saturation.'),
	phosphate: can(0, 400_000, 'mg/L', 'Dipotassium phosphate at saturation.'),
	ammonia: can(0, 250_000, 'mg/L', 'Ammonium chloride at saturation.'),
	nitrite: can(0, 600_000, 'mg/L', 'Sodium nitrite at saturation.'),
	ph: can(0, 14, '', 'The buffers that are sold.'),
	salinity: can(0, 300, 'PSU', 'Brine at saturation.'),
	hardness: can(0, 50_000, 'dGH', 'Magnesium chloride at saturation.')
};

/** Of things, amounts and money, in the unit of the name. */
export const POSSIBLE = {
	changedL: can(0.01, 1_000_000, 'L', 'No more than the largest water that is kept.'),
	sampleMl: can(0.1, 1000, 'mL', 'A drop or two; a litre bottle.'),
	dilutedParts: can(1, 100, 'parts', 'Beyond it the drop that clings to the syringe decides.'),
	syringeMl: can(0.1, 100, 'mL', 'The syringes that are made.'),
	dropMl: can(0.005, 0.2, 'mL', 'Droppers give 0.015 to 0.08 mL; no drop hangs above 0.2.'),
	bottle: can(0.1, 10_000, 'mL or scoops', 'A vial; the canister of an institution.'),
	bottleTests: can(1, 100_000, 'tests', 'A vial; the canister of an institution.'),
	risePerMlIn100L: can(
		1e-9,
		20,
		'per mL in 100 L',
		'One millilitre of the densest solution weighs some 2 g, and 2 g in 100 L are 20 mg/L.'
	),
	doseMl: can(1e-4, 100_000, 'mL', 'A hundredth of a drop; the canister of an institution.'),
	doseShare: can(0, 0.1, 'of the water', 'A tenth of a water in one day is an exchange, no dose.'),
	stockMl: can(0.01, 20_000, 'mL', 'A drop of stock; the largest bottle that is mixed at home.'),
	weighedG: can(0.001, 5000, 'g', 'The finest balance at home; a bucket of salt.'),
	price: can(0, 100_000, '', 'The dearest instrument on a private shelf.'),
	days: can(0.01, 366, 'days', 'A year.'),
	kOfU: can(1, 4, '', 'Coverage factors that are stated (GUM, G.6).'),
	sampleTemperatureC: can(-5, 60, '°C', 'A bottle in the frost; one in the sun.')
} as const satisfies Record<string, Possible>;
export type PossibleId = keyof typeof POSSIBLE;

/** A number of a table is within it, ends included. */
export function isPossible(possible: Possible, value: number): boolean {
	return value >= possible.least && value <= possible.most;
}

const POSSIBLE_U = Object.fromEntries(
	Object.entries(POSSIBLE_IN_WATER).map(([parameter, { least, most, unit }]) => {
		const span = most - least;
		return [parameter, can(span * 1e-7, span, unit, 'A ten-millionth of what a water can hold; all of it.')];
	})
) as Record<ParameterId, Possible>;

/** What somebody can have meant by a stated uncertainty U, canonical unit: finer than any instrument, or as wide as all. */
export function possibleU(parameter: ParameterId): Possible {
	return POSSIBLE_U[parameter];
}

/** Kinds of water that are told apart by what is usual in them. */
export type WaterSort = 'sea' | 'fresh' | 'any';

const SEA: Readonly<Record<ParameterId, readonly [number, number]>> = {
	alkalinity: [2.5, 16],
	calcium: [250, 600],
	magnesium: [900, 1800],
	potassium: [200, 600],
	nitrate: [0, 200],
	phosphate: [0, 3],
	ammonia: [0, 8],
	nitrite: [0, 20],
	ph: [7.3, 8.9],
	salinity: [20, 42],
	temperature: [12, 33],
	hardness: [200, 450]
};
const FRESH: Readonly<Record<ParameterId, readonly [number, number]>> = {
	alkalinity: [0, 25],
	calcium: [0, 250],
	magnesium: [0, 150],
	potassium: [0, 100],
	nitrate: [0, 200],
	phosphate: [0, 5],
	ammonia: [0, 8],
	nitrite: [0, 20],
	ph: [4.5, 9.2],
	salinity: [0, 8],
	temperature: [8, 35],
	hardness: [0, 40]
};

/**
 * Between which ends a reading of such a water lies that nobody would stop at (husbandry convention: about twice as
 * wide as the bands of all profiles). Beyond them it is asked once whether it is so. Of other waters nothing is usual.
 */
export function usualIn(sort: WaterSort, parameter: ParameterId): readonly [number, number] | null {
	return sort === 'any' ? null : (sort === 'sea' ? SEA : FRESH)[parameter];
}
