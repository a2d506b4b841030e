import { againstInterval, comparePair, type Agreement } from '../comparison/index.ts';
import { median } from '../numeric/index.ts';
import { dkhFromMeqPerL, type ParameterId } from '../quantity/index.ts';
import { referenceAlkalinity, referenceIon } from '../seawater/index.ts';

/** Something to hold a value against besides the water's own band, canonical unit. */
export type Reference =
	| { readonly kind: 'sea-water'; readonly salinity: number; readonly low: number; readonly high: number }
	| { readonly kind: 'baseline'; readonly value: number; readonly u: number; readonly readings: number }
	| {
			readonly kind: 'published';
			readonly name: string;
			readonly low: number | null;
			readonly high: number | null;
	  };

export interface AgainstReference {
	readonly reference: Reference;
	/** Value less reference; of a range, less its nearer end, 0 inside. */
	readonly difference: number;
	readonly agreement: Agreement;
}

/** Concentrations per litre are stated at this temperature, °C. */
const STATED_AT_C = 25;
/** Natural proportions vary by so much; published averages agree to it. */
const NATURAL_SPREAD = 0.01;
const IONS = { calcium: 'calcium', magnesium: 'magnesium', potassium: 'potassium' } as const;
/** Nutrients of the sea: nearly none at the surface, up to this in the deep (rounded handbook values). */
const DEEP_SEA: Readonly<Partial<Record<ParameterId, number>>> = { nitrate: 2.5, phosphate: 0.3 };

/**
 * What natural sea water of the same salinity holds: constant proportions for the major ions and alkalinity, from the
 * surface to the deep for nutrients.
 *
 * @param salinity practical salinity, 5 to 42
 * @returns null for what has no natural level
 * @see Millero et al. (2008), Deep-Sea Research I 55, 50
 * @example seaWaterFor('calcium', 35) // 417.5 to 425.9
 */
export function seaWaterFor(
	parameter: ParameterId,
	salinity: number
): Extract<Reference, { kind: 'sea-water' }> | null {
	if (!(salinity >= 5 && salinity <= 42)) return null;
	const around = (value: number) => ({
		kind: 'sea-water' as const,
		salinity,
		low: value * (1 - NATURAL_SPREAD),
		high: value * (1 + NATURAL_SPREAD)
	});
	if (parameter in IONS) {
		return around(referenceIon(IONS[parameter as keyof typeof IONS], salinity, STATED_AT_C).mgPerL);
	}
	if (parameter === 'alkalinity') return around(dkhFromMeqPerL(referenceAlkalinity(salinity, STATED_AT_C)));
	const deep = DEEP_SEA[parameter];
	return deep === undefined ? null : { kind: 'sea-water', salinity, low: 0, high: deep };
}

/** So many first readings make a baseline. */
const BASELINE_READINGS = 5;

/**
 * The water's own start: the median of its first readings, to which a tank that did well may return.
 *
 * @param first readings in the order of time
 * @returns null while there are fewer than five
 */
export function baselineOf(
	first: readonly { readonly value: number; readonly u: number }[]
): Extract<Reference, { kind: 'baseline' }> | null {
	const used = first.slice(0, BASELINE_READINGS);
	if (used.length < BASELINE_READINGS) return null;
	const value = median(used.map((r) => r.value));
	const spread = median(used.map((r) => Math.abs(r.value - value)));
	// The median of n normal values is uncertain by about 1.25 of the mean's; the spread from the median deviation.
	const scatter = (1.25 * 1.4826 * spread) / Math.sqrt(used.length);
	return {
		kind: 'baseline',
		value,
		u: Math.hypot(scatter, median(used.map((r) => r.u)) / Math.sqrt(used.length)),
		readings: used.length
	};
}

/** A value against a reference: does it differ by more than both uncertainties explain? */
export function againstReference(value: number, u: number, reference: Reference): AgainstReference {
	if (reference.kind === 'sea-water' || reference.kind === 'published') {
		const low = reference.low ?? -Infinity;
		const { high } = reference;
		const difference = value < low ? value - low : high !== null && value > high ? value - high : 0;
		return { reference, difference, agreement: againstInterval({ value, u }, low, high).agreement };
	}
	const { difference, agreement } = comparePair({ value, u }, reference);
	return { reference, difference, agreement };
}
