import { mgPerLCaCo3FromMeqPerL, meqPerLFromDkh } from './alkalinity.ts';

export type UnitFamily = 'alkalinity' | 'mass-concentration';

/** Never keyed by the printed symbol: "ppm" is mg/L to one reader and mg/kg to another. */
export type UnitId = 'dkh' | 'meq-per-l' | 'mg-per-l-caco3' | 'mg-per-l';

interface UnitDefinition {
	readonly family: UnitFamily;
	readonly symbol: string;
	/** How many of this unit make one of the family's canonical unit. */
	readonly perCanonical: number;
}

/** Canonical are dKH for alkalinity and mg/L for ions. All of these scale without an offset. */
export const UNITS: Readonly<Record<UnitId, UnitDefinition>> = {
	dkh: { family: 'alkalinity', symbol: 'dKH', perCanonical: 1 },
	'meq-per-l': { family: 'alkalinity', symbol: 'meq/L', perCanonical: meqPerLFromDkh(1) },
	'mg-per-l-caco3': {
		family: 'alkalinity',
		symbol: 'mg/L CaCO₃',
		perCanonical: mgPerLCaCo3FromMeqPerL(meqPerLFromDkh(1))
	},
	'mg-per-l': { family: 'mass-concentration', symbol: 'mg/L', perCanonical: 1 }
};

/**
 * Converts a value, a difference or an uncertainty between two units of one family.
 *
 * @throws {TypeError} when the units measure different things
 * @example convert(8, 'dkh', 'meq-per-l') // 2.8532196800827434
 */
export function convert(value: number, from: UnitId, to: UnitId): number {
	if (from === to) return value;
	const source = UNITS[from];
	const target = UNITS[to];
	if (source.family !== target.family) {
		throw new TypeError(`${from} is ${source.family}, ${to} is ${target.family}`);
	}
	return (value / source.perCanonical) * target.perCanonical;
}
