import { salinityOfSpecificGravity, specificGravity } from '../seawater/density/index.ts';
import { meqPerLFromDkh, mgPerLCaCo3FromMeqPerL } from './alkalinity.ts';
import { MOLAR_MASS } from './molar-mass.ts';

/** Units of one family measure the same thing and become one another by a factor, for temperature with an offset. */
export type UnitFamily =
	| 'alkalinity'
	| 'mass-concentration'
	| 'nitrate'
	| 'nitrite'
	| 'ammonia'
	| 'phosphate'
	| 'general-hardness'
	| 'salinity'
	| 'acidity'
	| 'temperature'
	| 'volume'
	| 'mass';

interface UnitDefinition {
	readonly family: UnitFamily;
	readonly symbol: string;
	/** How many of this unit make one of the family's canonical unit. */
	readonly perCanonical: number;
	/** What this unit shows where the canonical one shows 0. */
	readonly atZero?: number;
	/** Where the two are not in proportion. */
	readonly curve?: {
		readonly ofCanonical: (value: number) => number;
		readonly toCanonical: (value: number) => number;
	};
}

const scaled = <F extends UnitFamily>(family: F, symbol: string, perCanonical: number) => ({
	family,
	symbol,
	perCanonical
});

/**
 * Specific gravity as a unit of salinity: both temperatures belong to it. Beyond what the density formula covers it
 * goes on straight, so that an interval's end stays a number.
 */
function gravity(symbol: string, waterC: number, referenceC: number) {
	const ofSalinity = (s: number) => specificGravity(Math.min(42, Math.max(0, s)), waterC, referenceC);
	const [fresh, brine] = [ofSalinity(0), ofSalinity(42)];
	return {
		family: 'salinity' as const,
		symbol,
		perCanonical: (brine - fresh) / 42,
		curve: {
			ofCanonical: ofSalinity,
			toCanonical: (sg: number) => salinityOfSpecificGravity(sg, waterC, referenceC) ?? (sg < fresh ? 0 : 42)
		}
	};
}

/** One degree of general hardness is 10 mg/L CaO: this many mmol/L of calcium, magnesium and strontium together. */
const MMOL_PER_L_PER_DGH = 10 / MOLAR_MASS.calciumOxide;

/**
 * Never keyed by the printed symbol: "ppm" is mg/L to one reader and mg/kg to another, and "mg/L" of phosphate or of
 * its phosphorus differ by a factor of three. Nutrients carry their species in the id.
 */
export const UNITS = {
	dkh: scaled('alkalinity', 'dKH', 1),
	'meq-per-l': scaled('alkalinity', 'meq/L', meqPerLFromDkh(1)),
	'mg-per-l-caco3': scaled('alkalinity', 'mg/L CaCO₃', mgPerLCaCo3FromMeqPerL(meqPerLFromDkh(1))),
	'mg-per-l': scaled('mass-concentration', 'mg/L', 1),
	'mg-per-l-no3': scaled('nitrate', 'mg/L NO₃', 1),
	'mg-per-l-no3-n': scaled('nitrate', 'mg/L NO₃-N', MOLAR_MASS.nitrogen / MOLAR_MASS.nitrate),
	'mg-per-l-no2': scaled('nitrite', 'mg/L NO₂', 1),
	'mg-per-l-no2-n': scaled('nitrite', 'mg/L NO₂-N', MOLAR_MASS.nitrogen / MOLAR_MASS.nitrite),
	'mg-per-l-nh4': scaled('ammonia', 'mg/L NH₄', 1),
	'mg-per-l-nh3': scaled('ammonia', 'mg/L NH₃', MOLAR_MASS.ammonia / MOLAR_MASS.ammonium),
	'mg-per-l-nh4-n': scaled('ammonia', 'mg/L N', MOLAR_MASS.nitrogen / MOLAR_MASS.ammonium),
	'mg-per-l-po4': scaled('phosphate', 'mg/L PO₄', 1),
	'mg-per-l-p': scaled('phosphate', 'mg/L P', MOLAR_MASS.phosphorus / MOLAR_MASS.phosphate),
	'ug-per-l-p': scaled('phosphate', 'µg/L P', (1000 * MOLAR_MASS.phosphorus) / MOLAR_MASS.phosphate),
	dgh: scaled('general-hardness', 'dGH', 1),
	'mmol-per-l-gh': scaled('general-hardness', 'mmol/L', MMOL_PER_L_PER_DGH),
	'meq-per-l-gh': scaled('general-hardness', 'meq/L', 2 * MMOL_PER_L_PER_DGH),
	'mg-per-l-caco3-gh': scaled(
		'general-hardness',
		'mg/L CaCO₃',
		MMOL_PER_L_PER_DGH * MOLAR_MASS.calciumCarbonate
	),
	psu: scaled('salinity', 'PSU', 1),
	'sg-25-25': gravity('SG 25/25', 25, 25),
	'sg-20-20': gravity('SG 20/20', 20, 20),
	ph: scaled('acidity', 'pH', 1),
	celsius: scaled('temperature', '°C', 1),
	fahrenheit: { ...scaled('temperature', '°F', 1.8), atZero: 32 },
	kelvin: { ...scaled('temperature', 'K', 1), atZero: 273.15 },
	// Exact by definition: inch 25.4 mm, US gallon 231 cubic inches, pound 453.59237 g.
	litre: scaled('volume', 'L', 1),
	millilitre: scaled('volume', 'mL', 1000),
	'us-gallon': scaled('volume', 'US gal', 1 / 3.785411784),
	'imperial-gallon': scaled('volume', 'imp gal', 1 / 4.54609),
	'us-fluid-ounce': scaled('volume', 'US fl oz', 1 / 0.0295735295625),
	'imperial-fluid-ounce': scaled('volume', 'imp fl oz', 1 / 0.0284130625),
	'cubic-inch': scaled('volume', 'in³', 1 / 0.016387064),
	'cubic-foot': scaled('volume', 'ft³', 1 / 28.316846592),
	'us-cup': scaled('volume', 'US cup', 1 / 0.2365882365),
	'us-tablespoon': scaled('volume', 'US tbsp', 1 / 0.01478676478125),
	'us-teaspoon': scaled('volume', 'US tsp', 1 / 0.00492892159375),
	gram: scaled('mass', 'g', 1),
	milligram: scaled('mass', 'mg', 1000),
	kilogram: scaled('mass', 'kg', 0.001),
	ounce: scaled('mass', 'oz', 1 / 28.349523125),
	pound: scaled('mass', 'lb', 1 / 453.59237),
	grain: scaled('mass', 'gr', 1 / 0.06479891)
} as const satisfies Readonly<Record<string, UnitDefinition>>;

export type UnitId = keyof typeof UNITS;

export function isUnitId(text: string): text is UnitId {
	return Object.hasOwn(UNITS, text);
}

function pairOf(from: UnitId, to: UnitId): readonly [UnitDefinition, UnitDefinition] {
	const source: UnitDefinition = UNITS[from];
	const target: UnitDefinition = UNITS[to];
	if (source.family !== target.family) {
		throw new TypeError(`${from} is ${source.family}, ${to} is ${target.family}`);
	}
	return [source, target];
}

/**
 * Converts a value between two units of one family.
 *
 * @throws {TypeError} when the units measure different things
 * @example convert(8, 'dkh', 'meq-per-l') // 2.8532196800827434
 */
export function convert(value: number, from: UnitId, to: UnitId): number {
	if (from === to) return value;
	const [source, target] = pairOf(from, to);
	const canonical = source.curve
		? source.curve.toCanonical(value)
		: (value - (source.atZero ?? 0)) / source.perCanonical;
	return target.curve
		? target.curve.ofCanonical(canonical)
		: canonical * target.perCanonical + (target.atZero ?? 0);
}

/**
 * Converts a difference or an uncertainty: by the scale only, so that ±1 °C is ±1.8 °F and not ±33.8. Where a unit is
 * not in proportion, by its mean slope over the range, which is within 1 % for specific gravity.
 *
 * @throws {TypeError} when the units measure different things
 */
export function convertSpan(span: number, from: UnitId, to: UnitId): number {
	if (from === to) return span;
	const [source, target] = pairOf(from, to);
	return (span / source.perCanonical) * target.perCanonical;
}
