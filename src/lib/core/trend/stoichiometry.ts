import { meqPerLFromDkh, MOLAR_MASS } from '../quantity/index.ts';

const MMOL_CARBONATE_PER_DKH = meqPerLFromDkh(1) / 2;

/** Calcium that calcification takes with one degree of alkalinity: CaCO₃, two equivalents to the mole; 7.14696 mg/L. */
export const CALCIUM_PER_DKH = MMOL_CARBONATE_PER_DKH * MOLAR_MASS.calcium;

/** Magnesium where all of the carbonate were MgCO₃; 4.33422 mg/L. */
export const MAGNESIUM_PER_DKH = MMOL_CARBONATE_PER_DKH * MOLAR_MASS.magnesium;

/**
 * Mole fraction of MgCO₃ in what a mixed reef lays down: nearly nothing in coral aragonite, a tenth to a fifth in
 * coralline algae (rounded handbook values).
 */
export const MAGNESIUM_FRACTION = 0.02;

export interface StoichiometryCheck {
	/** Calcium use that the alkalinity use asks for, mg/L a day. */
	readonly expected: number;
	readonly uExpected: number;
	readonly z: number;
	readonly class: 'agree' | 'questionable' | 'disagree';
}

/**
 * Whether calcium is used in the proportion in which calcification uses it with alkalinity.
 *
 * @param alkalinity use in dKH a day with its standard uncertainty
 * @param calcium use in mg/L a day
 * @param magnesiumFraction mole fraction of MgCO₃ in what is laid down, 0 to 1
 */
export function checkStoichiometry(
	alkalinity: { readonly perDay: number; readonly u: number },
	calcium: { readonly perDay: number; readonly u: number },
	magnesiumFraction = 0
): StoichiometryCheck {
	const per = (1 - magnesiumFraction) * CALCIUM_PER_DKH;
	const expected = per * alkalinity.perDay;
	const uExpected = per * alkalinity.u;
	const z = (calcium.perDay - expected) / Math.hypot(uExpected, calcium.u);
	const far = Math.abs(z);
	return { expected, uExpected, z, class: far <= 2 ? 'agree' : far < 3 ? 'questionable' : 'disagree' };
}
