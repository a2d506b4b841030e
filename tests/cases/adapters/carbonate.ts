import { meqPerLFromDkh } from '../../../src/lib/core/quantity/index.ts';
import { densityOf } from '../../../src/lib/core/seawater/density/index.ts';
import {
	acidityScales,
	afterAddition,
	carbonateConstants,
	carbonateFromAir,
	carbonateFromDic,
	carbonateFromPh,
	totalFromNbs,
	type Addition,
	type Carbonate,
	type CarbonateWater
} from '../../../src/lib/core/seawater/index.ts';
import { values, type Given, type Operation } from '../shape.ts';
import { tried } from './tried.ts';

export const constants: Operation = (given) =>
	tried(() => {
		const k = carbonateConstants(given.number('S'), given.number('t_C'));
		return values({
			pK1: k.pK1,
			pK2: k.pK2,
			lnKB: k.lnKB,
			lnKW: k.lnKW,
			lnK0: k.lnK0,
			lnKS: k.lnKS,
			lnKF_free: k.lnKF,
			log10Ksp_aragonite: k.log10KspAragonite,
			log10Ksp_calcite: k.log10KspCalcite
		});
	});

const waterOf = (given: Given): CarbonateWater => ({
	salinity: given.number('S'),
	temperatureC: given.number('t_C'),
	calciumMgPerL: given.number('Ca_mg_per_L'),
	borate: given.word('borate', ['L10', 'U74'], 'U74') === 'L10' ? 'lee-2010' : 'uppstrom-1974'
});

const alkalinityOf = (given: Given, water: CarbonateWater) =>
	given.has('alk_dKH')
		? (1e6 * meqPerLFromDkh(given.number('alk_dKH'))) / densityOf(water.salinity, water.temperatureC)
		: given.number('TA_umol_per_kg');

const told = (c: Carbonate) =>
	values({
		pH_total: c.phTotal,
		CO3_umol_per_kg: c.carbonate,
		HCO3_umol_per_kg: c.bicarbonate,
		CO2_umol_per_kg: c.co2,
		DIC_umol_per_kg: c.dic,
		pCO2_uatm: c.pco2Uatm,
		BOH4_umol_per_kg: c.borate,
		TA_umol_per_kg: c.alkalinity,
		omega_aragonite: c.omegaAragonite,
		omega_calcite: c.omegaCalcite
	});

const phOf = (given: Given) =>
	given.has('pH_nbs')
		? totalFromNbs(given.number('pH_nbs'), given.number('S'), given.number('t_C'))
		: given.number('pH_total');

export const fromPh: Operation = (given) =>
	tried(() => {
		const water = waterOf(given);
		return told(carbonateFromPh(water, alkalinityOf(given, water), phOf(given)));
	});

export const fromAir: Operation = (given) =>
	tried(() => {
		const water = waterOf(given);
		return told(carbonateFromAir(water, alkalinityOf(given, water), given.number('pCO2_uatm')));
	});

export const fromDic: Operation = (given) =>
	tried(() => {
		const water = waterOf(given);
		return told(carbonateFromDic(water, alkalinityOf(given, water), given.number('DIC_umol_per_kg')));
	});

export const scales: Operation = (given) =>
	tried(() => {
		const { total, seawater, free, nbs } = acidityScales(phOf(given), given.number('S'), given.number('t_C'));
		return values({ pH_total: total, pH_sws: seawater, pH_free: free, pH_nbs: nbs });
	});

const KINDS: Readonly<Record<string, Addition>> = {
	CO2: 'carbon-dioxide',
	CaCO3_loss: 'calcium-carbonate-loss',
	bicarbonate: 'bicarbonate',
	calcium_chloride: 'calcium-chloride',
	carbonate: 'carbonate',
	hydroxide: 'hydroxide',
	limewater: 'limewater',
	strong_acid: 'strong-acid'
};

export const addition: Operation = (given) =>
	tried(() => {
		const kind = KINDS[given.word('kind', Object.keys(KINDS))]!;
		const { before, after, alkalinityDkh, calciumMgPerL } = afterAddition(
			waterOf(given),
			{ alkalinityDkh: given.number('alk_dKH'), phTotal: given.number('pH_total') },
			kind,
			given.number('amount_mmol_per_L')
		);
		return values({
			pH_before: before.phTotal,
			pH_after: after.phTotal,
			omega_aragonite_before: before.omegaAragonite,
			omega_aragonite_after: after.omegaAragonite,
			pCO2_after_uatm: after.pco2Uatm,
			alk_after_dKH: alkalinityDkh,
			Ca_after_mg_per_L: calciumMgPerL
		});
	});
