import {
	alkalinityFromAcid,
	calciumFromTitrant,
	chart,
	diluted,
	dropVolumeMl,
	lookUp,
	magnesiumByMoles,
	magnesiumByPlainSubtraction,
	potassiumFromTitrant,
	standardFactor,
	standardLine,
	type ChartPoint
} from '../../../src/lib/core/method/index.ts';
import { convert, dkhFromMeqPerL, MOLAR_MASS } from '../../../src/lib/core/quantity/index.ts';
import {
	deliveredMl,
	NOTHING_OWN,
	TitrationBudget,
	type SyringeFill
} from '../../../src/lib/core/reading/index.ts';
import { refused, values, type Given, type Operation, type Outcome } from '../shape.ts';

export const titrateAlkalinity: Operation = (given) => {
	const meq = alkalinityFromAcid(
		given.number('acid_eq_per_L'),
		given.number('V_mL'),
		given.number('sample_mL'),
		given.numberOr('blank_mL', 0)
	);
	return values({ alk_meq_per_L: meq, alk_dKH: dkhFromMeqPerL(meq) });
};

export const titrateCalcium: Operation = (given) => {
	const result = calciumFromTitrant(
		given.number('titrant_mol_per_L'),
		given.number('V_mL'),
		given.number('sample_mL'),
		{
			blankMl: given.numberOr('blank_mL', 0),
			strontiumMgPerL: given.numberOr('Sr_mg_per_L', 0),
			strontiumFraction: given.numberOr('sr_cotitrated_fraction', 0)
		}
	);
	return values({ Ca_apparent_mmol_per_L: result.apparentMmolPerL, Ca_mg_per_L: result.calciumMgPerL });
};

function lookUpPoints(points: readonly ChartPoint[], x: number): Outcome {
	const table = chart(points);
	if (!table.ok) return refused(table.fault.code);
	const found = lookUp(table.value, x);
	return 'bound' in found
		? values({
				value: null,
				flag: found.flag,
				bound_sense: found.bound.sense,
				bound_value: found.bound.limit
			})
		: values({ value: found.value, flag: found.flag, bound_sense: null, bound_value: null });
}

export const chartLookup: Operation = (given) =>
	lookUpPoints(given.raw('points') as unknown as ChartPoint[], given.number('x'));

function delivered(given: Given) {
	const fills = given.raw('fills') as unknown as { start_mL: number; end_mL: number; tip_empty?: boolean }[];
	const read: SyringeFill[] = fills.map((f) => ({
		startMl: f.start_mL,
		endMl: f.end_mL,
		...(f.tip_empty === undefined ? {} : { tipEmpty: f.tip_empty })
	}));
	return deliveredMl(read, given.numberOr('tip_dead_mL', 0));
}

export const syringeDelivered: Operation = (given) => {
	const volume = delivered(given);
	return volume.ok ? values({ V_mL: volume.value }) : refused(volume.fault.code);
};

export const syringeThenChart: Operation = (given) => {
	const volume = delivered(given);
	if (!volume.ok) return refused(volume.fault.code);
	const found = lookUpPoints(given.raw('points_mL_value') as unknown as ChartPoint[], volume.value);
	return 'refused' in found ? found : values({ ...found.values, V_mL: volume.value });
};

/** A total hardness on any scale, as mmol/L of calcium, magnesium and strontium together. */
function totalMmolPerL(total: number, unit: string): number {
	switch (unit) {
		case 'mmol_per_L':
			return total;
		case 'meq_per_L':
			return convert(total, 'meq-per-l-gh', 'mmol-per-l-gh');
		case 'dGH':
			return convert(total, 'dgh', 'mmol-per-l-gh');
		case 'mg_per_L_CaCO3':
			return convert(total, 'mg-per-l-caco3-gh', 'mmol-per-l-gh');
		case 'mg_per_L_as_Ca':
			return total / MOLAR_MASS.calcium;
		default:
			return total / MOLAR_MASS.magnesium;
	}
}

const TOTAL_UNITS = [
	'dGH',
	'meq_per_L',
	'mg_per_L_CaCO3',
	'mg_per_L_as_Ca',
	'mg_per_L_as_Mg',
	'mmol_per_L'
] as const;

export const magnesiumDifference: Operation = (given) => {
	const total = totalMmolPerL(given.number('total'), given.word('total_unit', TOTAL_UNITS));
	const magnesium = magnesiumByMoles(total, given.number('Ca_mg_per_L'), given.numberOr('Sr_mg_per_L', 0));
	return magnesium < 0 ? refused('less than nothing') : values({ Mg_mg_per_L: magnesium });
};

export const magnesiumPlain: Operation = (given) => {
	const total = given.number('total_mg_per_L_as_Mg');
	const calcium = given.number('Ca_mg_per_L');
	const plain = magnesiumByPlainSubtraction(total, calcium);
	const moles = magnesiumByMoles(total / MOLAR_MASS.magnesium, calcium);
	return values({
		Mg_plain_mg_per_L: plain,
		Mg_mole_mg_per_L: moles,
		plain_minus_mole_mg_per_L: plain - moles
	});
};

export const potassiumDirect: Operation = (given) =>
	values({
		K_mg_per_L: potassiumFromTitrant(
			given.number('tpb_mol_per_L'),
			given.number('V_mL'),
			given.number('sample_mL'),
			{ blankMl: given.numberOr('blank_mL', 0) }
		)
	});

export const potassiumBack: Operation = (given) => {
	const potassium = potassiumFromTitrant(
		given.number('tpb_mol_per_L'),
		given.number('tpb_mL'),
		given.number('sample_mL'),
		{
			backMolPerL: given.number('quat_mol_per_L'),
			backMl: given.number('quat_mL'),
			ammoniumMmolPerL: given.numberOr('NH4_mmol_per_L', 0)
		}
	);
	return potassium < 0 ? refused('more titrated back than was added') : values({ K_mg_per_L: potassium });
};

export const countDrops: Operation = (given) => {
	const drops = given.number('drops');
	const perDrop = given.number('value_per_drop');
	if (!(drops >= 0) || !Number.isInteger(drops)) return refused('no count of drops');
	const conventional = drops * perDrop;
	// Nothing was added: there is no last drop to lie in.
	if (drops === 0) return values({ conventional, midpoint: 0, lower: 0, upper: 0, u: 0 });
	const budget = new TitrationBudget(
		{
			perUnit: perDrop,
			atZero: 0,
			increment: 1,
			endPointU: 0,
			sampleMl: 1,
			sampleToleranceMl: 0,
			chartStep: 0,
			onTitrant: [],
			onExcess: [],
			factor: 1,
			factorRelativeU: 0,
			midpoint: true,
			sampleShape: 'rect',
			graduationShape: 'rect'
		},
		{
			volume: drops,
			squaredWidths: 0,
			rangeWidth: 0,
			bad: 0,
			doubtHalfWidth: 0,
			shift: 0,
			uShift: 0,
			...NOTHING_OWN
		}
	);
	return values({
		conventional,
		midpoint: budget.value,
		lower: conventional - perDrop,
		upper: conventional,
		u: budget.lastDrop
	});
};

export const dropVolume: Operation = (given) => {
	const ml = dropVolumeMl(
		given.number('drops_weighed'),
		given.number('mass_of_drops_g'),
		given.number('density_g_per_mL')
	);
	return values({ drop_mL: ml, V_mL: ml * given.number('drops') });
};

export const dilute: Operation = (given) => {
	const { factor, value } = diluted(
		given.number('conc_measured'),
		given.number('sample_mL'),
		given.number('diluent_mL'),
		given.numberOr('conc_diluent', 0)
	);
	return values({ dilution_factor: factor, conc: value });
};

export const singlePoint: Operation = (given) => {
	const blank = given.numberOr('blank_reading', 0);
	const factor = standardFactor(given.number('std_true'), given.number('std_reading'), blank);
	return factor.ok
		? values({ factor: factor.value, corrected: factor.value * (given.number('reading') - blank) })
		: refused(factor.fault.code);
};

export const twoStandards: Operation = (given) => {
	const line = standardLine(
		{ reading: given.number('R1'), value: given.number('C1') },
		{ reading: given.number('R2'), value: given.number('C2') }
	);
	if (!line.ok) return refused(line.fault.code);
	const { slope, intercept } = line.value;
	return values({ slope, intercept, corrected: intercept + slope * given.number('reading') });
};
