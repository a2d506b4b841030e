/** What is measured, in which units, and how one becomes another. */
export { MOLAR_MASS } from './molar-mass.ts';
export {
	dkhFromMeqPerL,
	meqPerLFromDkh,
	mgPerLCaCo3FromMeqPerL,
	meqPerLFromMgPerLCaCo3
} from './alkalinity.ts';
export { UNITS, convert, convertSpan, isUnitId, type UnitId, type UnitFamily } from './unit.ts';
export { formsApart, formsOf, type FormsApart } from './forms.ts';
export { firstImpossible, impossible } from './impossible.ts';
export {
	POSSIBLE,
	POSSIBLE_IN_BOTTLE,
	POSSIBLE_IN_WATER,
	isPossible,
	possibleU,
	usualIn,
	type Possible,
	type PossibleId,
	type WaterSort
} from './possible.ts';
export {
	PARAMETERS,
	PARAMETER_IDS,
	isParameterId,
	nameWithin,
	type ParameterId,
	type ParameterDefinition
} from './parameter.ts';
