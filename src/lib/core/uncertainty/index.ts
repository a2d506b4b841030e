/** Standard uncertainties, budgets and how many digits are worth showing (JCGM 100:2008). */
export { rectangular, triangular, expanded, lastIncrement, differenceOfTwoReadings } from './standard.ts';
export {
	combine,
	largestComponent,
	splitByRepeat,
	COVERAGE,
	type UncertaintyComponent,
	type UncertaintySource
} from './budget.ts';
export { knownDigits, type KnownDigits } from './rounding.ts';
