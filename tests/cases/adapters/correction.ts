import {
	afterChanges,
	afterContinuous,
	blend,
	changesFor,
	COMPOUND_IDS,
	effectOfMass,
	evaporated,
	fractionFor,
	limewaterPerDay,
	magnesiumSalts,
	massForRise,
	overDays,
	saltFor,
	saltResidue,
	steadyChanges,
	stockForRise,
	thinned,
	turnoversFor,
	volumeByDose,
	type DoseEffect,
	type Raised
} from '../../../src/lib/core/correction/index.ts';
import { CALCIUM_PER_DKH, MAGNESIUM_PER_DKH } from '../../../src/lib/core/trend/index.ts';
import { afterWaterChange } from '../../../src/lib/core/balance/index.ts';
import { values, type Given, type Json, type Operation } from '../shape.ts';
import { tried } from './tried.ts';

const RAISED: Readonly<Record<string, Raised>> = {
	Ca: 'Ca',
	K: 'K',
	Mg: 'Mg',
	NO3: 'NO3',
	PO4: 'PO4',
	Sr: 'Sr',
	alk_dKH: 'alkalinity'
};
const raisedOf = (given: Given) => RAISED[given.word('parameter', Object.keys(RAISED))]!;
const compoundOf = (given: Given) => given.word('compound', COMPOUND_IDS);

const effectKeys = ({ ions, alkalinityDkh }: DoseEffect): Record<string, Json> => ({
	...Object.fromEntries(Object.entries(ions).map(([ion, mg]) => [`d_${ion}_mg_per_L`, mg])),
	d_alk_dKH: alkalinityDkh
});

export const doseMass: Operation = (given) =>
	tried(() => {
		const compound = compoundOf(given);
		const volumeL = given.number('V_L');
		const purity = given.numberOr('purity_fraction', 1);
		const by = given.number('target') - given.number('current');
		const mass = massForRise(compound, { raised: raisedOf(given), by, volumeL }, purity);
		return values({
			mass_g: mass,
			needed: mass > 0,
			...effectKeys(effectOfMass(compound, mass, volumeL, purity))
		});
	});

export const doseEffect: Operation = (given) =>
	tried(() =>
		values(effectKeys(effectOfMass(compoundOf(given), given.number('mass_g'), given.number('V_L'))))
	);

export const stockVolume: Operation = (given) =>
	tried(() =>
		values({
			V_mL: stockForRise(compoundOf(given), given.number('stock_g_per_L'), {
				raised: raisedOf(given),
				by: given.number('delta'),
				volumeL: given.number('V_L')
			})
		})
	);

export const splitOverDays: Operation = (given) =>
	tried(() => {
		const { days, perDay } = overDays(given.number('delta'), given.number('limit_per_day'));
		return values({ days, per_day: perDay });
	});

export const limewater: Operation = (given) =>
	tried(() => {
		const { alkalinityDkh, calciumMgPerL } = limewaterPerDay(
			given.number('V_per_day_L'),
			given.number('V_tank_L'),
			given.number('strength_mol_per_L')
		);
		return values({ alk_dKH_per_day: alkalinityDkh, Ca_mg_per_L_per_day: calciumMgPerL });
	});

export const calcification: Operation = (given) => {
	const fall = given.number('alk_fall_dKH');
	const magnesium = given.numberOr('x_MgCO3', 0);
	return values({
		Ca_fall_mg_per_L: fall * (1 - magnesium) * CALCIUM_PER_DKH,
		Mg_fall_mg_per_L: fall * magnesium * MAGNESIUM_PER_DKH
	});
};

export const residue: Operation = (given) =>
	tried(() => {
		const { mgPerL, salinityRise } = saltResidue(
			given.number('alk_dKH_per_day'),
			given.number('days'),
			given.number('S'),
			given.number('t_C')
		);
		return values({ NaCl_mg_per_L: mgPerL, salinity_rise: salinityRise });
	});

export const blending: Operation = (given) =>
	tried(() => {
		const { firstShare, possible, firstL, secondL } = blend(
			given.number('conc_1'),
			given.number('conc_2'),
			given.number('conc_target'),
			given.number('V_total_L')
		);
		return values({ fraction_1: firstShare, possible, V1_L: firstL, V2_L: secondL });
	});

export const lowerSalinity: Operation = (given) =>
	tried(() => {
		const { massShare, removeL } = thinned(
			given.number('S_tank'),
			given.number('S_new'),
			given.number('S_target'),
			given.number('V_L')
		);
		return values({ mass_fraction: massShare, V_remove_L: removeL });
	});

export const raiseSalinity: Operation = (given) =>
	tried(() =>
		values({
			salt_kg: saltFor(
				{
					salinity: given.number('S_tank'),
					volumeL: given.number('V_L'),
					temperatureC: given.number('t_C')
				},
				given.number('S_target'),
				given.number('salt_fraction')
			)
		})
	);

export const evaporatedVolume: Operation = (given) =>
	tried(() =>
		values({
			V_fresh_L: evaporated(
				given.number('V_L'),
				given.number('S_before'),
				given.number('S_after'),
				given.number('t_C')
			)
		})
	);

export const magnesiumSplit: Operation = (given) =>
	tried(() => {
		const { sulphateShare, sulphateG, chlorideG } = magnesiumSalts(
			given.number('Mg_rise_mg_per_L'),
			given.number('V_L')
		);
		return values({
			sulfate_mole_fraction: sulphateShare,
			MgSO4_7H2O_g: sulphateG,
			MgCl2_6H2O_g: chlorideG
		});
	});

export const singleChange: Operation = (given) =>
	tried(() =>
		values({
			conc: afterWaterChange(given.number('conc_tank'), given.number('conc_new'), given.number('fraction'))
		})
	);

export const serialChanges: Operation = (given) =>
	tried(() =>
		values({
			conc: afterChanges(
				given.number('conc_tank'),
				{
					newWater: given.number('conc_new'),
					fraction: given.number('fraction'),
					count: given.number('n')
				},
				given.numberOr('change_between', 0)
			)
		})
	);

export const steadyState: Operation = (given) =>
	tried(() => {
		const { after, before } = steadyChanges(
			given.number('conc_new'),
			given.number('fraction'),
			given.number('change_between')
		);
		return values({ conc_after_change: after, conc_before_change: before });
	});

export const continuousChange: Operation = (given) =>
	tried(() => {
		const { level, effectiveFraction } = afterContinuous(
			given.number('conc_tank'),
			given.number('conc_new'),
			given.number('V_exchanged_L') / given.number('V_tank_L'),
			given.numberOr('production_per_turnover', 0)
		);
		return values({ conc: level, effective_fraction: effectiveFraction });
	});

export const fractionForTarget: Operation = (given) =>
	tried(() => ({
		values: {
			...fractionFor(given.number('conc_tank'), given.number('conc_target'), given.number('conc_new'))
		}
	}));

export const numberOfChanges: Operation = (given) =>
	tried(() => {
		const { count, level } = changesFor(
			given.number('conc_tank'),
			given.number('conc_target'),
			given.number('conc_new'),
			given.number('fraction')
		);
		return values({ n: count, conc_after_n: level });
	});

export const continuousVolume: Operation = (given) =>
	tried(() => {
		const turnovers = turnoversFor(
			given.number('conc_tank'),
			given.number('conc_target'),
			given.number('conc_new')
		);
		return values({ turnovers, V_exchanged_L: turnovers * given.number('V_tank_L') });
	});

export const effectiveVolume: Operation = (given) =>
	tried(() => {
		const { litres, u } = volumeByDose(given.number('dose_mg'), {
			value: given.number('rise_mg_per_L'),
			u: given.number('u_rise_mg_per_L')
		});
		return values({ V_L: litres, u_V_L: u });
	});
