import {
	dkhFromMeqPerL,
	meqPerLFromDkh,
	meqPerLFromMgPerLCaCo3,
	mgPerLCaCo3FromMeqPerL
} from '../../../src/lib/core/quantity/index.ts';
import { micromolesPerKgFromMeqPerL } from '../../../src/lib/core/seawater/index.ts';
import { values, type Operation } from '../shape.ts';

export const alkalinityConvert: Operation = (given) => {
	const meq = given.has('alk_meq_per_L')
		? given.number('alk_meq_per_L')
		: given.has('alk_dKH')
			? meqPerLFromDkh(given.number('alk_dKH'))
			: meqPerLFromMgPerLCaCo3(given.number('alk_mg_per_L_CaCO3'));
	const perKg = given.has('S') && given.has('t_C');
	return values({
		alk_meq_per_L: meq,
		alk_dKH: dkhFromMeqPerL(meq),
		alk_mg_per_L_CaCO3: mgPerLCaCo3FromMeqPerL(meq),
		...(perKg
			? { alk_umol_per_kg: micromolesPerKgFromMeqPerL(meq, given.number('S'), given.number('t_C')) }
			: {})
	});
};
