import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, formatHex, parse } from 'culori';

/** The usual three kinds of cones, or one of them weaker: of long, middle or short waves. */
export const VISIONS = ['usual', 'long', 'middle', 'short'] as const;
export type Vision = (typeof VISIONS)[number];

const FILTERS = { long: filterDeficiencyProt, middle: filterDeficiencyDeuter, short: filterDeficiencyTrit };

/**
 * A colour as somebody with one kind of cone weaker sees it, told as the colour that others would have to be shown.
 *
 * @param css a colour as CSS writes it
 * @param severity 0 (as usual) to 1 (that kind of cone is missing)
 * @see Machado, Oliveira & Fernandes (2009), IEEE Transactions on Visualization and Computer Graphics 15, 1291
 */
export function seenBy(css: string, vision: Vision, severity = 1): string {
	if (vision === 'usual' || severity === 0) return css;
	const colour = parse(css);
	if (!colour) throw new RangeError(`not a colour: ${css}`);
	return formatHex(FILTERS[vision](severity)(colour));
}
