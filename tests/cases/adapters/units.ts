import {
	convert,
	convertSpan,
	dkhFromMeqPerL,
	meqPerLFromDkh,
	meqPerLFromMgPerLCaCo3,
	mgPerLCaCo3FromMeqPerL,
	type UnitId
} from '../../../src/lib/core/quantity/index.ts';
import {
	freeAmmoniaShare,
	ionConcentration,
	meqPerLFromMicromolesPerKg,
	micromolesPerKgFromMeqPerL,
	type IonConcentration
} from '../../../src/lib/core/seawater/index.ts';
import { values, type Given, type Operation } from '../shape.ts';

const stated = (meq: number) => ({
	alk_meq_per_L: meq,
	alk_dKH: dkhFromMeqPerL(meq),
	alk_mg_per_L_CaCO3: mgPerLCaCo3FromMeqPerL(meq)
});

export const alkalinityConvert: Operation = (given) => {
	const meq = given.has('alk_meq_per_L')
		? given.number('alk_meq_per_L')
		: given.has('alk_dKH')
			? meqPerLFromDkh(given.number('alk_dKH'))
			: meqPerLFromMgPerLCaCo3(given.number('alk_mg_per_L_CaCO3'));
	const perKg = given.has('S') && given.has('t_C');
	return values({
		...stated(meq),
		...(perKg
			? { alk_umol_per_kg: micromolesPerKgFromMeqPerL(meq, given.number('S'), given.number('t_C')) }
			: {})
	});
};

export const alkalinityFromPerMass: Operation = (given) =>
	values(
		stated(
			meqPerLFromMicromolesPerKg(given.number('alk_umol_per_kg'), given.number('S'), given.number('t_C'))
		)
	);

export const roundedRule: Operation = (given) => {
	const meq = given.number('alk_meq_per_L');
	const exact = dkhFromMeqPerL(meq);
	const rule = meq * given.number('rule_dKH_per_meq');
	return values({
		alk_exact_dKH: exact,
		alk_rule_dKH: rule,
		error_dKH: rule - exact,
		error_percent: (100 * (rule - exact)) / exact
	});
};

/** The one of several keys that is given, with the unit it stands for. */
function givenIn(given: Given, units: Readonly<Record<string, UnitId>>): [number, UnitId] {
	const found = Object.entries(units).find(([key]) => given.has(key));
	if (!found) throw new Error('no value was given');
	return [given.number(found[0]), found[1]];
}

/** One value in every unit of its family. */
function inAll(given: Given, units: Readonly<Record<string, UnitId>>) {
	const [value, from] = givenIn(given, units);
	return values(
		Object.fromEntries(Object.entries(units).map(([key, to]) => [key, convert(value, from, to)]))
	);
}

export const hardnessConvert: Operation = (given) =>
	inAll(given, {
		hardness_dGH: 'dgh',
		hardness_mmol_per_L: 'mmol-per-l-gh',
		hardness_meq_per_L: 'meq-per-l-gh',
		hardness_mg_per_L_CaCO3: 'mg-per-l-caco3-gh'
	});

export const temperatureConvert: Operation = (given) =>
	inAll(given, { t_C: 'celsius', t_F: 'fahrenheit', t_K: 'kelvin' });

export const phosphatePpb: Operation = (given) =>
	inAll(given, { P_ug_per_L: 'ug-per-l-p', PO4_mg_per_L: 'mg-per-l-po4' });

const NUTRIENT: Readonly<Record<string, UnitId>> = {
	NO3: 'mg-per-l-no3',
	'NO3-N': 'mg-per-l-no3-n',
	NO2: 'mg-per-l-no2',
	'NO2-N': 'mg-per-l-no2-n',
	NH4: 'mg-per-l-nh4',
	'NH4-N': 'mg-per-l-nh4-n',
	NH3: 'mg-per-l-nh3',
	// Total ammonia counted as nitrogen is the same whichever form it is named after.
	'NH3-N': 'mg-per-l-nh4-n',
	PO4: 'mg-per-l-po4',
	P: 'mg-per-l-p'
};

export const nutrientConvert: Operation = (given) => {
	const known = Object.keys(NUTRIENT);
	const from = NUTRIENT[given.word('from', known)]!;
	const to = NUTRIENT[given.word('to', known)]!;
	return values({ value_mg_per_L: convertSpan(given.number('value_mg_per_L'), from, to) });
};

const MEASURES: Readonly<Record<string, UnitId>> = {
	L: 'litre',
	mL: 'millilitre',
	US_gal: 'us-gallon',
	imp_gal: 'imperial-gallon',
	cubic_foot: 'cubic-foot',
	cubic_inch: 'cubic-inch',
	US_fl_oz: 'us-fluid-ounce',
	imp_fl_oz: 'imperial-fluid-ounce',
	US_cup: 'us-cup',
	US_tbsp: 'us-tablespoon',
	US_tsp: 'us-teaspoon',
	g: 'gram',
	mg: 'milligram',
	kg: 'kilogram',
	oz: 'ounce',
	lb: 'pound',
	grain: 'grain'
};

export const measureConvert: Operation = (given) => {
	const known = Object.keys(MEASURES);
	const from = MEASURES[given.word('from', known)]!;
	const to = MEASURES[given.word('to', known)]!;
	return values({ value: convert(given.number('value'), from, to) });
};

const IONS = { B: 'boron', Ca: 'calcium', K: 'potassium', Mg: 'magnesium', Sr: 'strontium' } as const;

const ION_KEYS: Readonly<Record<string, keyof IonConcentration>> = {
	conc_mg_per_L: 'mgPerL',
	conc_mg_per_kg: 'mgPerKg',
	conc_mmol_per_L: 'mmolPerL',
	conc_mmol_per_kg: 'mmolPerKg'
};

export const ionConvert: Operation = (given) => {
	const ion = IONS[given.word('ion', Object.keys(IONS) as (keyof typeof IONS)[])];
	const key = Object.keys(ION_KEYS).find((k) => given.has(k));
	if (!key) throw new Error('no concentration was given');
	const known = { [ION_KEYS[key]!]: given.number(key) };
	const all = ionConcentration(ion, known, given.number('S'), given.number('t_C'));
	return values(Object.fromEntries(Object.entries(ION_KEYS).map(([k, name]) => [k, all[name]])));
};

export const freeAmmonia: Operation = (given) => {
	const share = freeAmmoniaShare(given.number('pH_total'), given.number('S'), given.number('t_C'));
	const nitrogen = share * given.number('TAN_mg_per_L_N');
	return values({
		nh3_fraction: share,
		NH3_mg_per_L_N: nitrogen,
		NH3_mg_per_L: convert(nitrogen, 'mg-per-l-nh4-n', 'mg-per-l-nh3')
	});
};
