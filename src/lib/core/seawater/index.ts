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
export { pkAmmonium, freeAmmoniaShare, totalFromNbs, U_PK_AMMONIUM } from './acidity.ts';
