import { parse, rgb } from 'culori';

/** Light in three bands (long, middle, short waves), linear, 1 for a white surface in full light. */
export type Bands = readonly [long: number, middle: number, short: number];

/** Under what a vial is looked at. */
export interface Surroundings {
	readonly lamp: 'daylight' | 'weak' | 'warm';
	readonly table: 'white' | 'coloured';
	/** The water has a tint of its own, as that of old tanks has. */
	readonly tinted: boolean;
	readonly cloudy: boolean;
}

export const CLEAR_DAY: Surroundings = { lamp: 'daylight', table: 'white', tinted: false, cloudy: false };

/** What lamps give in each band, relative to daylight on white (choices: a dim room, a lamp of about 2,700 K). */
const LAMPS: Readonly<Record<Surroundings['lamp'], Bands>> = {
	daylight: [1, 1, 1],
	weak: [0.2, 0.2, 0.22],
	warm: [1, 0.8, 0.5]
};
/** A tabletop of wood instead of a white sheet. */
const TABLES: Readonly<Record<Surroundings['table'], Bands>> = {
	white: [1, 1, 1],
	coloured: [0.72, 0.5, 0.3]
};
/** Absorbance of the humic yellow of an old tank across a vial: most in short waves (choice). */
const TINT: Bands = [0.005, 0.02, 0.09];
/** Share of the light that fine particles send back towards the eye (choice). */
const HAZE = 0.22;
/** Nothing is blacker than this, so that its absorbance stays a number. */
const BLACKEST = 1e-4;

/** Linear light of a value as screens code it. @see IEC 61966-2-1 */
function linear(coded: number): number {
	return coded <= 0.04045 ? coded / 12.92 : ((coded + 0.055) / 1.055) ** 2.4;
}

/** @see IEC 61966-2-1 */
function coded(linearLight: number): number {
	const light = Math.min(1, Math.max(0, linearLight));
	return light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055;
}

function bandsOf(css: string): Bands {
	const colour = rgb(parse(css));
	if (!colour) throw new RangeError(`not a colour: ${css}`);
	return [linear(colour.r), linear(colour.g), linear(colour.b)];
}

/** Of each band, what a step of a calculation makes of it. */
export const each = (make: (band: 0 | 1 | 2) => number): Bands => [make(0), make(1), make(2)];

/**
 * Absorbance of a vial that looks like a swatch on white in full light.
 *
 * @see Beer (1852), Annalen der Physik 162, 78: A = −log₁₀ I/I₀
 * @throws {RangeError} on a text that is no colour
 */
export function absorbanceOf(css: string): Bands {
	const seen = bandsOf(css);
	return each((b) => -Math.log10(Math.max(BLACKEST, seen[b])));
}

/** Two dyes, or two forms of one, in one path: their absorbances add up by their shares. @param share 0 to 1, of the second */
export function mixedAbsorbance(first: Bands, second: Bands, share: number): Bands {
	return each((b) => first[b] * (1 - share) + second[b] * share);
}

/** Light that comes through a vial to the eye, linear. */
export function lightThrough(absorbance: Bands, { lamp, table, tinted, cloudy }: Surroundings): Bands {
	const [from, under] = [LAMPS[lamp], TABLES[table]];
	return each((b) => {
		const through = from[b] * under[b] * 10 ** -(absorbance[b] + (tinted ? TINT[b] : 0));
		return cloudy ? through * (1 - HAZE) + HAZE * 0.8 * from[b] : through;
	});
}

/** What stands beside the vial: the tabletop by the same lamp. */
export const lightOfTable = ({ lamp, table }: Surroundings): Bands =>
	each((b) => LAMPS[lamp][b] * TABLES[table][b]);

/** As a screen shows it, and CSS writes it. @example cssOf([1, 1, 1]) // 'rgb(255 255 255)' */
export function cssOf(light: Bands): string {
	const part = (b: 0 | 1 | 2) => Math.round(255 * coded(light[b]));
	return `rgb(${part(0)} ${part(1)} ${part(2)})`;
}
