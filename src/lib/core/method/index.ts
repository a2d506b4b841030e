/** What a test method is, as data, and the arithmetic that follows from its chemistry. */
export {
	alkalinityFromAcid,
	calciumFromTitrant,
	magnesiumByMoles,
	magnesiumByPlainSubtraction,
	potassiumFromTitrant,
	MG_PER_CA_AS_MG,
	isTitrated
} from './stoichiometry.ts';
export { diluted } from './dilution.ts';
export { dropVolumeMl } from './drop-volume.ts';
export {
	PLAUSIBLE_FACTOR,
	standardFactor,
	standardLine,
	uByStandardLine,
	type StandardLine,
	type StandardReading
} from './standard-factor.ts';
export { correctedValue, type CorrectedValue, type KitCorrection } from './kit-correction.ts';
export { withDropper, titrantReagentOf, DROPPER_STATES, type Dropper, type DropperState } from './dropper.ts';
export { lookUp, chart, type Chart, type ChartPoint, type ChartLookup } from './chart.ts';
export { tableDoubts, type TableDoubt } from './table-doubts.ts';
export {
	stepInterval,
	spacingOf,
	momentsWithin,
	type Spacing,
	type StepStatement,
	type StepInterval
} from './colour-steps.ts';
export {
	HAZARDS,
	titratesKind,
	titrationsOf,
	parametersOf,
	portionsOf,
	sampleOf,
	type Method,
	type MethodKind,
	type MethodCommon,
	type TitrationMethod,
	type PairedMethod,
	type DifferenceMethod,
	type ColourMethod,
	type ColourStep,
	type DisplayMethod,
	type ScaleMethod,
	type ThermometerMethod,
	type StatedMethod,
	type Titration,
	type Meter,
	type Worth,
	type Portion,
	type Reagent,
	type Hazard
} from './method.ts';
export { worthAt, resultPerUnit, type WorthLine, type WorthBound } from './worth.ts';
export { type NamedColour } from './named-colour.ts';
export { stepsFor } from './steps-for.ts';
export {
	timesOf,
	timerSecondsOf,
	windowOf,
	isFree,
	isReading,
	isSwirl,
	type ProtocolStep,
	type StepAction,
	type Mixing,
	type Pace,
	type Spoon,
	type ProtocolTimes,
	MIXINGS,
	PACES,
	SPOONS
} from './protocol.ts';
export { isCommonRinse } from './common-rinse.ts';
export { PLUNGER_SETTLES_S, protocol, type Step } from './step-words.ts';
export { parseSteps, textOfStep, MAX_STEPS, type ParsedStep } from './step-text.ts';
export { checkMethod, unitsFor } from './check-method.ts';
export { methodOfStored } from './upgrade.ts';
export { ALK_SYRINGE, ALK_DROPS, ALK_METER } from './shipped/alkalinity.ts';
export { CA_SYRINGE, CA_DROPS, CA_MG_PAIR } from './shipped/calcium.ts';
export { MG_SYRINGE, HARDNESS_DROPS } from './shipped/magnesium.ts';
export { K_FILTER, K_QUICK } from './shipped/potassium.ts';
export { NH3_CARD, NO2_CARD, NO3_CARD, NO3_LADDER, PO4_CARD, PO4_METER } from './shipped/nutrients.ts';
export {
	GH_DROPS,
	PH_PROBE,
	TEMPERATURE_PROBE,
	PH_CARD,
	PH_CARD_LOW,
	SALINITY_FLOAT,
	SALINITY_GLASS,
	SALINITY_METER,
	THERMOMETER
} from './shipped/others.ts';
export { statedMethodFor } from './shipped/stated.ts';
export { SHIPPED_METHODS, methodByCode } from './shipped/all.ts';
export { countOf, SHARED_THINGS } from './equipment.ts';
