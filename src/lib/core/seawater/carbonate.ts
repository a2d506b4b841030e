import { bisect } from '../numeric/index.ts';
import { dkhFromMeqPerL, meqPerLFromDkh, MOLAR_MASS } from '../quantity/index.ts';
import { carbonateConstants, type BorateRatio, type CarbonateConstants } from './carbonate-constants.ts';
import { densityOf } from './density/index.ts';

/** A sea water whose carbonate system is asked for. */
export interface CarbonateWater {
	readonly salinity: number;
	readonly temperatureC: number;
	/** As measured, mg/L at the temperature; a tank's calcium does not follow from its salinity. */
	readonly calciumMgPerL: number;
	readonly borate?: BorateRatio;
}

/** Everything that the carbonate system of a water holds, µmol/kg unless said otherwise. */
export interface Carbonate {
	readonly phTotal: number;
	readonly alkalinity: number;
	readonly dic: number;
	readonly co2: number;
	readonly bicarbonate: number;
	readonly carbonate: number;
	readonly borate: number;
	readonly pco2Uatm: number;
	readonly omegaAragonite: number;
	readonly omegaCalcite: number;
}

const LEAST_PH = 2;
const MOST_PH = 13;

/** Alkalinity that is not carbonate, mol/kg, at a pH. */
function otherAlkalinity(k: CarbonateConstants, h: number): number {
	const KB = Math.exp(k.lnKB);
	const KS = Math.exp(k.lnKS);
	const KF = Math.exp(k.lnKF);
	const free = h / (1 + k.sulphate / KS);
	return (
		(k.borate * KB) / (KB + h) +
		Math.exp(k.lnKW) / h -
		free -
		(k.sulphate * free) / (KS + free) -
		(k.fluoride * free) / (KF + free)
	);
}

function stateOf(
	water: CarbonateWater,
	k: CarbonateConstants,
	alkalinity: number,
	phTotal: number
): Carbonate {
	const h = 10 ** -phTotal;
	const K1 = 10 ** -k.pK1;
	const K2 = 10 ** -k.pK2;
	const KB = Math.exp(k.lnKB);
	const carbonateAlkalinity = alkalinity - otherAlkalinity(k, h);
	const carbonate = (carbonateAlkalinity * K2) / (h + 2 * K2);
	const bicarbonate = (carbonateAlkalinity * h) / (h + 2 * K2);
	const co2 = (bicarbonate * h) / K1;
	const kgPerL = densityOf(water.salinity, water.temperatureC) / 1000;
	const calcium = water.calciumMgPerL / MOLAR_MASS.calcium / 1000 / kgPerL;
	return {
		phTotal,
		alkalinity: alkalinity * 1e6,
		dic: (carbonate + bicarbonate + co2) * 1e6,
		co2: co2 * 1e6,
		bicarbonate: bicarbonate * 1e6,
		carbonate: carbonate * 1e6,
		borate: ((k.borate * KB) / (KB + h)) * 1e6,
		pco2Uatm: (co2 / Math.exp(k.lnK0) / k.fugacity) * 1e6,
		omegaAragonite: (calcium * carbonate) / 10 ** k.log10KspAragonite,
		omegaCalcite: (calcium * carbonate) / 10 ** k.log10KspCalcite
	};
}

const constantsOf = (water: CarbonateWater) =>
	carbonateConstants(water.salinity, water.temperatureC, water.borate);

/**
 * The carbonate system from total alkalinity and pH.
 *
 * @param alkalinity µmol/kg
 * @param phTotal on the total scale
 * @see Dickson, Sabine & Christian (2007), PICES Special Publication 3, chapter 2
 */
export function carbonateFromPh(water: CarbonateWater, alkalinity: number, phTotal: number): Carbonate {
	return stateOf(water, constantsOf(water), alkalinity / 1e6, phTotal);
}

/** The pH at which some amount of the system, rising or falling with pH, is reached. */
function phWhere(missing: (phTotal: number) => number): number {
	return bisect(missing, LEAST_PH, MOST_PH);
}

/** The carbonate system from total alkalinity and dissolved inorganic carbon, both µmol/kg. */
export function carbonateFromDic(water: CarbonateWater, alkalinity: number, dic: number): Carbonate {
	const k = constantsOf(water);
	const K1 = 10 ** -k.pK1;
	const K2 = 10 ** -k.pK2;
	const ph = phWhere((p) => {
		const h = 10 ** -p;
		const share = (h * K1 + 2 * K1 * K2) / (h * h + h * K1 + K1 * K2);
		return (dic / 1e6) * share + otherAlkalinity(k, h) - alkalinity / 1e6;
	});
	return stateOf(water, k, alkalinity / 1e6, ph);
}

/** The carbonate system from total alkalinity, µmol/kg, in equilibrium with air of some carbon dioxide, µatm. */
export function carbonateFromAir(water: CarbonateWater, alkalinity: number, pco2Uatm: number): Carbonate {
	const k = constantsOf(water);
	const co2 = (pco2Uatm / 1e6) * k.fugacity * Math.exp(k.lnK0);
	const K1 = 10 ** -k.pK1;
	const K2 = 10 ** -k.pK2;
	const ph = phWhere((p) => {
		const h = 10 ** -p;
		return (co2 * K1) / h + (2 * co2 * K1 * K2) / (h * h) + otherAlkalinity(k, h) - alkalinity / 1e6;
	});
	return stateOf(water, k, alkalinity / 1e6, ph);
}

/** What is added, closed to air; each is so many mol of alkalinity, inorganic carbon and calcium to the mol. */
const ADDITIONS = {
	carbonate: { alkalinity: 2, dic: 1, calcium: 0 },
	bicarbonate: { alkalinity: 1, dic: 1, calcium: 0 },
	hydroxide: { alkalinity: 1, dic: 0, calcium: 0 },
	limewater: { alkalinity: 2, dic: 0, calcium: 1 },
	'calcium-chloride': { alkalinity: 0, dic: 0, calcium: 1 },
	'carbon-dioxide': { alkalinity: 0, dic: 1, calcium: 0 },
	'strong-acid': { alkalinity: -1, dic: 0, calcium: 0 },
	/** Skeletons that are built, or what falls out. */
	'calcium-carbonate-loss': { alkalinity: -2, dic: -1, calcium: -1 }
} as const;
export type Addition = keyof typeof ADDITIONS;

export interface AfterAddition {
	readonly before: Carbonate;
	readonly after: Carbonate;
	readonly alkalinityDkh: number;
	readonly calciumMgPerL: number;
}

/**
 * What an addition does at once, before any carbon dioxide is taken up or given off.
 *
 * @param mmolPerL of what is added, per litre of the water
 * @example afterAddition({ salinity: 35, temperatureC: 25, calciumMgPerL: 420 }, { alkalinityDkh: 8, phTotal: 8.05 }, 'carbonate', 0.25).after.phTotal // 8.2766
 */
export function afterAddition(
	water: CarbonateWater,
	{ alkalinityDkh, phTotal }: { readonly alkalinityDkh: number; readonly phTotal: number },
	what: Addition,
	mmolPerL: number
): AfterAddition {
	const kgPerL = densityOf(water.salinity, water.temperatureC) / 1000;
	const perKg = (mmol: number) => (1000 * mmol) / kgPerL;
	const meq = meqPerLFromDkh(alkalinityDkh);
	const before = carbonateFromPh(water, perKg(meq), phTotal);
	const step = ADDITIONS[what];
	const calciumMgPerL = water.calciumMgPerL + step.calcium * mmolPerL * MOLAR_MASS.calcium;
	const alkalinity = meq + step.alkalinity * mmolPerL;
	const after = carbonateFromDic(
		{ ...water, calciumMgPerL },
		perKg(alkalinity),
		before.dic + perKg(step.dic * mmolPerL)
	);
	return { before, after, alkalinityDkh: dkhFromMeqPerL(alkalinity), calciumMgPerL };
}
