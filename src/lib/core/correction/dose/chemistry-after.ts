import { CONVENTIONS } from '../../caution/index.ts';
import { meqPerLFromDkh } from '../../quantity/index.ts';
import { densityNear } from '../../seawater/density/index.ts';
import {
	acidityScales,
	carbonateFromAir,
	carbonateFromDic,
	carbonateFromPh,
	totalFromNbs,
	type Carbonate
} from '../../seawater/index.ts';
import { levelOr, type WaterNow } from '../water-state.ts';
import { BROUGHT_MASS } from './compound.ts';
import type { DoseEffect } from './dose.ts';

/** Above these the mixed water may lose calcium carbonate by itself, or harms at once. */
export const MOST_OMEGA = CONVENTIONS.mostOmega.value;
export const MOST_PH_TOTAL = CONVENTIONS.mostPhTotal.value;
/** The constants hold up to here; what was read beyond is reckoned as at the end. */
const RECKONED = { salinity: [0, 42], temperatureC: [0, 40] } as const;
const within = ([least, most]: readonly [number, number], x: number) => Math.min(most, Math.max(least, x));
/** Grams of salt to the kilogram at S = 35. @see Millero et al. (2008) */
const G_PER_KG_AT_35 = 35.16504;
const BICARBONATE_G_PER_MOL = 61.017;
/** With nothing at all no pH above 7 stands; a trace is always there. */
const LEAST_DKH = 0.05;

/** The carbonate system of a water before an addition, at once after it, and when its carbon dioxide is back to what it was. */
export interface CarbonateCourse {
	readonly before: Carbonate;
	readonly atOnce: Carbonate;
	readonly later: Carbonate;
	/** On the kit's buffers. */
	readonly phBefore: number;
	readonly phAtOnce: number;
	readonly phLater: number;
}

/**
 * What an addition does to pH and saturation. At once carbon dioxide has had no time to come or go; later the water is
 * back in step with the air it had before: open to it, every form of alkalinity ends at the same point.
 *
 * @param phNbs of the water before, on the kit's buffers
 */
export function carbonateCourse(
	water: WaterNow,
	phNbs: number,
	effect: DoseEffect,
	later: DoseEffect = effect
): CarbonateCourse {
	const salinity = within(RECKONED.salinity, levelOr(water, 'salinity').value);
	const temperatureC = within(RECKONED.temperatureC, levelOr(water, 'temperature').value);
	const alkalinity = Math.max(LEAST_DKH, levelOr(water, 'alkalinity').value);
	const kgPerL = densityNear(salinity, temperatureC) / 1000;
	const perKg = (mmolPerL: number) => (1000 * mmolPerL) / kgPerL;
	const calcium = levelOr(water, 'calcium').value;
	const withCalcium = (e: DoseEffect) => ({
		salinity,
		temperatureC,
		calciumMgPerL: Math.max(1, calcium + (e.ions.Ca ?? 0))
	});
	const alkalinityAfter = (e: DoseEffect) => perKg(meqPerLFromDkh(alkalinity + e.alkalinityDkh));
	const before = carbonateFromPh(
		{ salinity, temperatureC, calciumMgPerL: calcium },
		perKg(meqPerLFromDkh(alkalinity)),
		totalFromNbs(phNbs, salinity, temperatureC)
	);
	const atOnce = carbonateFromDic(
		withCalcium(effect),
		alkalinityAfter(effect),
		before.dic + perKg(effect.carbonMmolPerL)
	);
	const inAir = carbonateFromAir(withCalcium(later), alkalinityAfter(later), before.pco2Uatm);
	const nbs = (c: Carbonate) => acidityScales(c.phTotal, salinity, temperatureC).nbs;
	return {
		before,
		atOnce,
		later: inAir,
		phBefore: phNbs,
		phAtOnce: nbs(atOnce),
		phLater: nbs(inAir)
	};
}

/** Practical salinity that an addition brings by the mass of its ions; alkalinity counts as bicarbonate. */
export function salinityRise(effect: DoseEffect, salinity: number, temperatureC: number): number {
	const ions = Object.values(effect.ions).reduce((sum, mg) => sum + mg, 0);
	const mgPerL = ions + meqPerLFromDkh(effect.alkalinityDkh) * BICARBONATE_G_PER_MOL;
	return (mgPerL / densityNear(salinity, temperatureC)) * (35 / G_PER_KG_AT_35);
}

/** mol per kg of sea water of S = 35. @see Millero et al. (2008), Deep-Sea Research I 55, 50 */
const SEA_MOL_PER_KG = { Na: 0.4689674, Cl: 0.5458696, SO4: 0.0282352 } as const;

/** Sodium, chloride and sulphate are not tested at home: what sea water of the salinity holds, mg/L. */
export function seaWaterHolds(
	ion: keyof typeof SEA_MOL_PER_KG,
	salinity: number,
	temperatureC: number
): number {
	const mgPerKg = SEA_MOL_PER_KG[ion] * BROUGHT_MASS[ion] * 1000 * (salinity / 35);
	return (mgPerKg * densityNear(salinity, temperatureC)) / 1000;
}
