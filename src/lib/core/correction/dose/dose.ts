import { atMost } from '../../numeric/index.ts';
import { dkhFromMeqPerL, meqPerLFromDkh } from '../../quantity/index.ts';
import { BROUGHT_MASS, COMPOUNDS, type Brought, type Compound, type CompoundId } from './compound.ts';

/** What a dose is to raise: an ion in mg/L, or alkalinity in dKH. */
export type Raised = Brought | 'alkalinity';

/** What an amount of a compound does to a water, mg/L; alkalinity in dKH. */
export interface DoseEffect {
	readonly ions: Readonly<Partial<Record<Brought, number>>>;
	readonly alkalinityDkh: number;
	/** Dissolved inorganic carbon, mmol/L: what tells a bicarbonate from a carbonate and a hydroxide. */
	readonly carbonMmolPerL: number;
}

export const NO_EFFECT: DoseEffect = { ions: {}, alkalinityDkh: 0, carbonMmolPerL: 0 };

/** Several additions to one water together; each may be scaled. */
export function sumOfEffects(parts: readonly (readonly [effect: DoseEffect, times: number])[]): DoseEffect {
	const ions: Partial<Record<Brought, number>> = {};
	let alkalinityDkh = 0;
	let carbonMmolPerL = 0;
	for (const [effect, times] of parts) {
		for (const [ion, rise] of Object.entries(effect.ions) as [Brought, number][]) {
			ions[ion] = (ions[ion] ?? 0) + times * rise;
		}
		alkalinityDkh += times * effect.alkalinityDkh;
		carbonMmolPerL += times * effect.carbonMmolPerL;
	}
	return { ions, alkalinityDkh, carbonMmolPerL };
}

/** mg (or mmol of alkalinity) that a gram of the pure solid brings. */
function perGram(compound: Compound, raised: Raised): number {
	if (raised === 'alkalinity') return (1000 * compound.alkalinity) / compound.molarMass;
	return (1000 * (compound.brings[raised] ?? 0) * BROUGHT_MASS[raised]) / compound.molarMass;
}

function checked(volumeL: number, purity: number): void {
	if (!(volumeL > 0)) throw new RangeError(`a volume must be above 0 L, not ${volumeL}`);
	if (!(purity > 0 && purity <= 1)) throw new RangeError(`purity lies above 0 and up to 1, not at ${purity}`);
}

/**
 * What a mass of a compound does to a water.
 *
 * @param massG as weighed
 * @param purity mass fraction, above 0 to 1
 * @example effectOfMass('MgCl2.6H2O', 10, 100).ions.Mg // 11.95553
 */
export function effectOfMass(id: CompoundId, massG: number, volumeL: number, purity = 1): DoseEffect {
	checked(volumeL, purity);
	const compound: Compound = COMPOUNDS[id];
	const grams = (massG * purity) / volumeL;
	return {
		ions: Object.fromEntries(
			(Object.keys(compound.brings) as Brought[]).map((ion) => [ion, grams * perGram(compound, ion)])
		),
		alkalinityDkh: dkhFromMeqPerL(grams * perGram(compound, 'alkalinity')),
		carbonMmolPerL: (1000 * grams * (compound.carbon ?? 0)) / compound.molarMass
	};
}

/** What is to be raised, by how much, in how much water. */
export interface Rise {
	readonly raised: Raised;
	/** mg/L, or dKH for alkalinity; 0 or below needs nothing. */
	readonly by: number;
	readonly volumeL: number;
}

/**
 * Mass of a compound that raises one thing by some amount: m = Δ·V/(yield per gram)/purity.
 *
 * @throws {RangeError} where the compound does not bring it
 * @example massForRise('CaCl2.2H2O', { raised: 'Ca', by: 28, volumeL: 280 }) // 28.7575
 */
export function massForRise(id: CompoundId, { raised, by, volumeL }: Rise, purity = 1): number {
	checked(volumeL, purity);
	const each = perGram(COMPOUNDS[id], raised);
	if (!(each > 0)) throw new RangeError(`${id} brings no ${raised}`);
	const wanted = raised === 'alkalinity' ? meqPerLFromDkh(by) : by;
	return Math.max(0, (wanted * volumeL) / each / purity);
}

/**
 * Volume of a solution that raises one thing by some amount.
 *
 * @param gramsPerL what the solution holds of the compound, above 0
 * @returns mL
 */
export function stockForRise(id: CompoundId, gramsPerL: number, rise: Rise): number {
	if (!(gramsPerL > 0)) throw new RangeError(`a solution holds more than ${gramsPerL} g/L`);
	return (1000 * massForRise(id, rise)) / gramsPerL;
}

/**
 * A change spread over days in equal parts, none above the limit: days = ⌈Δ/limit⌉.
 *
 * @param limitPerDay above 0
 */
export function overDays(
	change: number,
	limitPerDay: number
): { readonly days: number; readonly perDay: number } {
	if (!(limitPerDay > 0)) throw new RangeError(`a daily limit must be above 0, not ${limitPerDay}`);
	const size = Math.abs(change);
	if (size === 0) return { days: 0, perDay: 0 };
	const least = Math.max(1, Math.floor(size / limitPerDay));
	const days = atMost(size / least, limitPerDay) ? least : least + 1;
	return { days, perDay: change / days };
}
