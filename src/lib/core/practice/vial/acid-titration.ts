import { bisect } from '../../numeric/index.ts';
import { carbonateFromDic, micromolesPerKgFromMeqPerL } from '../../seawater/index.ts';

/** A sea water whose alkalinity is titrated with strong acid. */
export interface AcidTitration {
	readonly salinity: number;
	readonly temperatureC: number;
	readonly sampleMl: number;
	/** As it was before the first drop, meq/L. */
	readonly alkalinityMeqPerL: number;
	/** Dissolved inorganic carbon as it was before the first drop, mmol/L. */
	readonly carbonMmolPerL: number;
	/** Of the acid, mol (of H⁺) per litre. */
	readonly acidMolPerL: number;
}

/** Sea water of a reef holds about so much inorganic carbon for its alkalinity, by pH 8.2 (mol to eq). */
export const CARBON_PER_ALKALINITY = 0.87;
/** Beyond this excess nothing is looked at, and the constants end. */
const MOST_ACID_MEQ = 8;

/**
 * pH of the vial after a volume of acid: what is left of alkalinity and carbon, thinned by the acid's own volume, in
 * equilibrium.
 *
 * @param acidMl added so far
 * @param lost share of the carbon that has left the vial as gas, 0 to 1; it takes no alkalinity along
 * @returns pH on the total scale
 * @see Dickson, Sabine & Christian (2007), PICES Special Publication 3, SOP 3b: the end point lies at pH 4.2 to 4.5
 */
export function phAfterAcid(titration: AcidTitration, acidMl: number, lost = 0): number {
	const { salinity, temperatureC, sampleMl, alkalinityMeqPerL, carbonMmolPerL, acidMolPerL } = titration;
	const thinned = sampleMl / (sampleMl + acidMl);
	const left = Math.max(
		-MOST_ACID_MEQ,
		(alkalinityMeqPerL - (1000 * acidMolPerL * acidMl) / sampleMl) * thinned
	);
	const carbon = carbonMmolPerL * thinned * (1 - lost);
	const perKg = (perL: number) => micromolesPerKgFromMeqPerL(perL, salinity, temperatureC);
	const water = { salinity, temperatureC, calciumMgPerL: 0 };
	return carbonateFromDic(water, perKg(left), perKg(carbon)).phTotal;
}

/** Acid, mL, at which the vial's pH has come down to a value, no gas lost. */
export function acidToReach(titration: AcidTitration, phTotal: number): number {
	const { alkalinityMeqPerL, sampleMl, acidMolPerL } = titration;
	const equivalentMl = (alkalinityMeqPerL * sampleMl) / (1000 * acidMolPerL);
	return bisect((ml) => phAfterAcid(titration, ml) - phTotal, 0, 1.5 * equivalentMl + 0.2);
}
