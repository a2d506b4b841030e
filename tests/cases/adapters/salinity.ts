import { dkhFromMeqPerL } from '../../../src/lib/core/quantity/index.ts';
import {
	densityByHydrometer,
	densityOf,
	salinityByHydrometer,
	salinityOfSpecificGravity,
	specificGravity
} from '../../../src/lib/core/seawater/density/index.ts';
import {
	conductivityOfSalinity,
	normalisingFactor,
	referenceAlkalinity,
	referenceIon,
	refractiveIndex,
	salinityOfConductivity,
	uncompensated
} from '../../../src/lib/core/seawater/index.ts';
import { values, type Operation } from '../shape.ts';

export const density: Operation = (given) =>
	values({ rho_kg_per_m3: densityOf(given.number('S'), given.number('t_C')) });

export const sgFromSalinity: Operation = (given) =>
	values({
		sg: specificGravity(given.number('S'), given.number('t_water_C'), given.number('t_ref_C'))
	});

export const salinityFromSg: Operation = (given) =>
	values({
		S: salinityOfSpecificGravity(given.number('sg'), given.number('t_water_C'), given.number('t_ref_C'))
	});

export const fromHydrometer: Operation = (given) => {
	const scale = {
		calibratedC: given.number('t_cal_C'),
		referenceC: given.number('t_ref_C'),
		expansionPerK: given.number('gamma_per_K')
	};
	const reading = given.number('reading_sg');
	const sampleC = given.number('t_sample_C');
	return values({
		S: salinityByHydrometer(reading, sampleC, scale),
		rho_kg_per_m3: densityByHydrometer(reading, sampleC, scale)
	});
};

export const fromConductivity: Operation = (given) => {
	const { salinity, inRange } = salinityOfConductivity(
		given.number('C_mS_per_cm'),
		given.number('t_C'),
		given.numberOr('p_dbar', 0)
	);
	return values({ S: salinity, pss78_in_range: inRange });
};

export const toConductivity: Operation = (given) =>
	values({ C_mS_per_cm: conductivityOfSalinity(given.number('S'), given.number('t_C')) });

export const fromCompensated: Operation = (given) => {
	const t = given.number('t_C');
	const raw = uncompensated(given.number('C25_mS_per_cm'), t, given.number('alpha_per_K'));
	return values({ C_raw_mS_per_cm: raw, S: salinityOfConductivity(raw, t).salinity });
};

export const refraction: Operation = (given) =>
	values({
		n: refractiveIndex(given.number('S'), given.number('t_C'), given.number('lambda_nm'))
	});

const IONS = { Ca: 'calcium', Mg: 'magnesium', K: 'potassium', Sr: 'strontium', B: 'boron' } as const;

export const referenceComposition: Operation = (given) => {
	const [s, t] = [given.number('S'), given.number('t_C')];
	const meq = referenceAlkalinity(s, t);
	const ions = Object.entries(IONS).flatMap(([symbol, ion]) => {
		const { mgPerL, mgPerKg } = referenceIon(ion, s, t);
		return [
			[`${symbol}_mg_per_L`, mgPerL],
			[`${symbol}_mg_per_kg`, mgPerKg]
		];
	});
	return values({ ...Object.fromEntries(ions), alk_meq_per_L: meq, alk_dKH: dkhFromMeqPerL(meq) });
};

export const normalise: Operation = (given) => {
	const ion = IONS[given.word('ion', ['Ca', 'K', 'Mg'] as const)];
	const t = given.number('t_C');
	const conc = given.number('conc_mg_per_L') * normalisingFactor(given.number('S'), t);
	return values({
		conc_at_S35_mg_per_L: conc,
		ratio_to_reference: conc / referenceIon(ion, 35, t).mgPerL
	});
};
