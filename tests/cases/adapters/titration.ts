import {
	alkalinityFromAcid,
	calciumFromTitrant,
	chart,
	lookUp,
	type ChartPoint
} from '../../../src/lib/core/method/index.ts';
import { dkhFromMeqPerL } from '../../../src/lib/core/quantity/index.ts';
import { deliveredMl, type SyringeFill } from '../../../src/lib/core/reading/index.ts';
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
