import { differenceCiede2000, parse } from 'culori';

const ciede2000 = differenceCiede2000();

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
