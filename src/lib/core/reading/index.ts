/** Raw readings, kept as they were made, and the results derived from them. */
export { deliveredMl, type SyringeFill } from './delivered.ts';
export {
	faultInSyringeReading,
	otherScale,
	SYRINGE_FORM,
	MAX_FILLS,
	type SyringeReading,
	type ScaleReading
} from './syringe-reading.ts';
export { componentsOf, TitrationBudget, type TitrationKit } from './titration-budget.ts';
export {
	deriveSyringeResult,
	DERIVATION_VERSION,
	Derivation,
	type ArithmeticLine
} from './derive-syringe.ts';
export { boundsOf, standardUncertaintyOf, type TestResult, type ValueResult } from './test-result.ts';
