/** Properties of sea water besides its density. */
export { salinityOfConductivity, conductivityOfSalinity, uncompensated } from './conductivity.ts';
export { refractiveIndex } from './refraction.ts';
export {
	micromolesPerKgFromMeqPerL,
	meqPerLFromMicromolesPerKg,
	ionConcentration,
	type IonConcentration
} from './per-mass.ts';
export {
	referenceIon,
	referenceAlkalinity,
	normalisingFactor,
	atReferenceSalinity,
	REFERENCE_SALINITY,
	type MajorIon
} from './reference.ts';
export { pkAmmonium, freeAmmoniaShare, U_PK_AMMONIUM } from './acidity.ts';
/** The carbonate system: what pH, alkalinity and calcium make of each other. */
export { carbonateConstants, type BorateRatio, type CarbonateConstants } from './carbonate-constants.ts';
export {
	afterAddition,
	carbonateFromAir,
	carbonateFromDic,
	carbonateFromPh,
	type Addition,
	type AfterAddition,
	type Carbonate,
	type CarbonateWater
} from './carbonate.ts';
export { acidityScales, totalFromNbs, type AcidityScales } from './acidity.ts';
