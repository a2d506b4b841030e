import type { Method, Titration } from '../../method/index.ts';
import { conditionalLogK, EDTA_PKA } from './complex-titration.ts';

/** How a drop becomes a colour in the vial of one kit. */
interface Pace {
	/** A streak spreads through the swirled vial with this time constant, s. */
	readonly spreadS: number;
	/** The dye follows what the mixed vial holds with this time constant, s. */
	readonly respondS: number;
	/** Share of what can fall out or be milky that makes the vial cloudy by itself. */
	readonly milky: boolean;
}

export type EndChemistry = Pace &
	(
		| {
				readonly kind: 'acid';
				readonly pk: number;
				readonly steepness: number;
				/** Carbon dioxide leaves the swirled vial with this time constant, s. */
				readonly escapeS: number;
		  }
		| {
				readonly kind: 'complex';
				/** Conditional constants, log₁₀ of L/mol: of the titrant with its ion, of the dye with the same ion. */
				readonly logK: number;
				readonly logKDye: number;
		  }
	);

/** Between I = 0.1, where constants are tabulated, and sea water's 0.7 a doubly charged ion loses about so much (Davies). */
const SEA_WATER_LOG = 1.2;
/** log K of EDTA with calcium and magnesium, 25 °C, I = 0.1. @see Harris (2010), table 11-1 */
const EDTA_CALCIUM = 10.65;
const EDTA_MAGNESIUM = 8.79;

const calcium = conditionalLogK(EDTA_CALCIUM, EDTA_PKA, 12.5) - SEA_WATER_LOG;
const magnesium = conditionalLogK(EDTA_MAGNESIUM, EDTA_PKA, 10) - SEA_WATER_LOG;

const quick: Pace = { spreadS: 0.7, respondS: 0.4, milky: false };

/**
 * The shipped kits. Dyes are invented with the kits; their constants are chosen so that the change spreads over the drops
 * that its passing shade is described for, and lie among those of real dyes (10³ to 10⁶ for metals, pK 4 to 5.2 for acids).
 */
const KITS: Readonly<Record<string, readonly [EndChemistry, EndChemistry?]>> = {
	// Two dyes, so that green passes grey violet within half a unit of pH; full at pH 4.25.
	'alk-syringe': [{ ...quick, kind: 'acid', pk: 4.73, steepness: 2, escapeS: 90 }],
	// Shaken in an open vial its carbon dioxide leaves within seconds, and the yellow fades back.
	'alk-drops': [{ ...quick, kind: 'acid', pk: 4.9, steepness: 2, escapeS: 14 }],
	// A dye that lets calcium go early: brownish rose over two or three drops.
	'ca-syringe': [{ ...quick, respondS: 1, milky: true, kind: 'complex', logK: calcium, logKDye: 4.1 }],
	'ca-drops': [{ ...quick, respondS: 1, kind: 'complex', logK: calcium, logKDye: 4.3 }],
	// Magnesium leaves its dye slowly: whoever drips fast is a drop or two too far before the blue is seen.
	'mg-syringe': [{ ...quick, respondS: 3.5, milky: true, kind: 'complex', logK: magnesium, logKDye: 3.6 }],
	'hardness-drops': [{ ...quick, respondS: 2.5, kind: 'complex', logK: magnesium, logKDye: 3.9 }],
	'ca-mg-pair': [
		{ ...quick, respondS: 1, kind: 'complex', logK: calcium, logKDye: 4.2 },
		{ ...quick, respondS: 3, kind: 'complex', logK: magnesium, logKDye: 3.7 }
	],
	// An ion pair of dye and surfactant in a milky vial: sharp, and hard to see.
	'k-filter': [{ ...quick, respondS: 1.2, milky: true, kind: 'complex', logK: 8, logKDye: 5.2 }],
	'k-quick': [{ ...quick, respondS: 1.5, milky: true, kind: 'complex', logK: 8, logKDye: 4.7 }],
	// Fresh water: no salt weakens the complex.
	'gh-drops': [
		{
			...quick,
			respondS: 1.5,
			kind: 'complex',
			logK: conditionalLogK(EDTA_CALCIUM, EDTA_PKA, 10),
			logKDye: 4.6
		}
	]
};

/** What a kit of one's own is taken for, by what it measures. */
function usualFor({ parameter }: Titration): EndChemistry {
	if (parameter === 'alkalinity') return KITS['alk-syringe']![0];
	if (parameter === 'magnesium') return KITS['mg-syringe']![0];
	if (parameter === 'potassium') return KITS['k-quick']![0];
	return KITS['ca-drops']![0];
}

/** Chemistry of one titration of a method. Of kits of one's own it is that of a kit for the same ion. */
export function chemistryOf(method: Method, titration: Titration, which: 0 | 1): EndChemistry {
	return KITS[method.code]?.[which] ?? usualFor(titration);
}
