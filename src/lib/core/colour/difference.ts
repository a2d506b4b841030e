import { differenceCiede2000, parse } from 'culori';

const HARD_TO_TELL = 12;
const CLOSE = 30;

const ciede2000 = differenceCiede2000();

/** How well two colours are told apart side by side, by their distance in CIEDE2000 (conventions). */
export function toldApart(distance: number): 'hard to tell' | 'close' | 'far apart' {
	return distance < HARD_TO_TELL ? 'hard to tell' : distance < CLOSE ? 'close' : 'far apart';
}

/**
 * How far apart two colours lie to the eye, CIEDE2000: about 1 is just seen side by side, 10 at a glance.
 *
 * @param a @param b as CSS writes them
 * @throws {RangeError} on a text that is no colour
 * @see Luo, Cui and Rigg (2001), Color Research and Application 26, 340-350
 * @example colourDifference('#000000', '#ffffff') // 100
 */
export function colourDifference(a: string, b: string): number {
	const [first, second] = [parse(a), parse(b)];
	if (!first || !second) throw new RangeError(`not a colour: ${first ? b : a}`);
	return ciede2000(first, second);
}
