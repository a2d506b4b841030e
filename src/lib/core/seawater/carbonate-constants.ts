import { bisulphate, hydrofluoric, ionicRange, seawaterOverTotal } from './acidity.ts';

const KELVIN = 273.15;
/** Chlorinity from practical salinity. */
const SALINITY_PER_CHLORINITY = 1.80655;

/** Equilibrium constants of sea water, total scale unless said otherwise, mol/kg and its powers. */
export interface CarbonateConstants {
	readonly pK1: number;
	readonly pK2: number;
	readonly lnKB: number;
	readonly lnKW: number;
	/** mol/kg/atm */
	readonly lnK0: number;
	/** Free scale. */
	readonly lnKS: number;
	readonly lnKF: number;
	readonly log10KspAragonite: number;
	readonly log10KspCalcite: number;
	/** Fugacity of carbon dioxide over its partial pressure. */
	readonly fugacity: number;
	/** Total sulphate, fluoride and borate, mol/kg. */
	readonly sulphate: number;
	readonly fluoride: number;
	readonly borate: number;
}

/** Borate to salinity: Uppström (1974) unless said otherwise. */
export type BorateRatio = 'uppstrom-1974' | 'lee-2010';

/** Below this salinity the constants of sea water leave their range. */
const BRACKISH = 5;

/** @see Lueker, Dickson & Keeling (2000); total scale */
function dissociationInSea(S: number, T: number): { readonly pK1: number; readonly pK2: number } {
	const lnT = Math.log(T);
	return {
		pK1: 3633.86 / T - 61.2172 + 9.6777 * lnT - 0.011555 * S + 0.0001152 * S ** 2,
		pK2: 471.78 / T + 25.929 - 3.16967 * lnT - 0.01781 * S + 0.0001122 * S ** 2
	};
}

/** @see Millero (2010), sea-water scale, brought to the total scale; at S = 0 the constants of pure water */
function dissociationInFresh(S: number, t: number): { readonly pK1: number; readonly pK2: number } {
	const T = t + KELVIN;
	const lnT = Math.log(T);
	const rootS = Math.sqrt(S);
	const toTotal = seawaterOverTotal(S, t);
	return {
		pK1:
			-126.34048 +
			6320.813 / T +
			19.568224 * lnT +
			(13.4038 * rootS + 0.03206 * S - 5.242e-5 * S ** 2) +
			(-530.659 * rootS - 5.821 * S) / T -
			2.0664 * rootS * lnT +
			toTotal,
		pK2:
			-90.18333 +
			5143.692 / T +
			14.613358 * lnT +
			(21.3728 * rootS + 0.1218 * S - 3.688e-4 * S ** 2) +
			(-788.289 * rootS - 19.189 * S) / T -
			3.374 * rootS * lnT +
			toTotal
	};
}

/**
 * Constants of the carbonate system at one atmosphere, in sea water and in what is fresher down to fresh water itself.
 *
 * @param S practical salinity: from 5 by Lueker (19 to 43 is what was measured), below by Millero; t in °C, 2 to 35
 * @throws {RangeError} outside 0 to 50 and −2 to 45, where nothing of it holds
 * @see Millero (2010), Mar. Freshw. Res. 61, 139 (K1, K2 below S = 5); Lueker, Dickson & Keeling (2000), Mar. Chem. 70, 105 (K1, K2); Dickson (1990a), Deep-Sea Res. 37, 755 (KB); Millero
 * (1995), GCA 59, 661 (KW); Weiss (1974), Mar. Chem. 2, 203 (K0, fugacity); Dickson (1990b) (KS); Dickson & Riley (1979) (KF);
 * Mucci (1983), Am. J. Sci. 283, 780 (Ksp); Uppström (1974); Lee et al. (2010)
 * @example carbonateConstants(35, 25).pK1 // 5.84715
 */
export function carbonateConstants(
	S: number,
	t: number,
	borate: BorateRatio = 'uppstrom-1974'
): CarbonateConstants {
	ionicRange(S, t);
	const T = t + KELVIN;
	const lnT = Math.log(T);
	const rootS = Math.sqrt(S);
	const chlorinity = S / SALINITY_PER_CHLORINITY;
	const logT = Math.log10(T);
	const virial = -1636.75 + 12.0408 * T - 0.0327957 * T ** 2 + 3.16528e-5 * T ** 3;
	const cross = 57.7 - 0.118 * T;
	return {
		...(S < BRACKISH ? dissociationInFresh(S, t) : dissociationInSea(S, T)),
		lnKB:
			(-8966.9 - 2890.53 * rootS - 77.942 * S + 1.728 * S ** 1.5 - 0.0996 * S ** 2) / T +
			148.0248 +
			137.1942 * rootS +
			1.62142 * S -
			(24.4344 + 25.085 * rootS + 0.2474 * S) * lnT +
			0.053105 * rootS * T,
		lnKW:
			-13847.26 / T + 148.9652 - 23.6521 * lnT + (118.67 / T - 5.977 + 1.0495 * lnT) * rootS - 0.01615 * S,
		lnK0:
			93.4517 * (100 / T) -
			60.2409 +
			23.3585 * Math.log(T / 100) +
			S * (0.023517 - 0.023656 * (T / 100) + 0.0047036 * (T / 100) ** 2),
		lnKS: Math.log(bisulphate(S, t)),
		lnKF: Math.log(hydrofluoric(S, t)),
		log10KspCalcite:
			-171.9065 -
			0.077993 * T +
			2839.319 / T +
			71.595 * logT +
			(-0.77712 + 0.0028426 * T + 178.34 / T) * rootS -
			0.07711 * S +
			0.0041249 * S ** 1.5,
		log10KspAragonite:
			-171.945 -
			0.077993 * T +
			2903.293 / T +
			71.595 * logT +
			(-0.068393 + 0.0017276 * T + 88.135 / T) * rootS -
			0.10018 * S +
			0.0059415 * S ** 1.5,
		fugacity: Math.exp((virial + 2 * cross) / (82.0573 * T)),
		sulphate: (0.14 / 96.062) * chlorinity,
		fluoride: (0.000067 / 18.998) * chlorinity,
		borate: ((borate === 'lee-2010' ? 0.0002414 : 0.000232) / 10.811) * chlorinity
	};
}
