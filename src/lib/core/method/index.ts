/** What a test method is, as data, and the arithmetic that follows from its chemistry. */
export { alkalinityFromAcid, calciumFromTitrant } from './stoichiometry.ts';
export { lookUp, chart, type Chart, type ChartPoint, type ChartLookup } from './chart.ts';
export {
	resultPerMl,
	resolutionOf,
	type SyringeMethod,
	type Portion,
	type Reagent,
	type Hazard
} from './syringe-method.ts';
export { type NamedColour } from './named-colour.ts';
export { stepsFor } from './steps-for.ts';
export { timesOf, type ProtocolStep, type StepAction, type ProtocolTimes } from './protocol.ts';
export { ALK_SYRINGE } from './shipped/alk-syringe.ts';
export { CA_SYRINGE } from './shipped/ca-syringe.ts';
export { SHIPPED_METHODS, methodByCode } from './shipped/all.ts';
