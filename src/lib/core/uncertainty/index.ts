/** Standard uncertainties, budgets, propagation and how many digits are worth showing (JCGM 100 and 101:2008). */
export {
	rectangular,
	triangular,
	expanded,
	lastIncrement,
	differenceOfTwoReadings,
	standardUncertaintyOf
} from './standard.ts';
export {
	combine,
	largestComponent,
	splitByRepeat,
	COVERAGE,
	type UncertaintyComponent,
	type UncertaintySource
} from './budget.ts';
export { propagate, type InputQuantity, type MeasurementModel, type Propagated } from './model.ts';
export { simulate, Simulation, type SimulatedInterval } from './simulate.ts';
export { effectiveFreedom, type EffectiveFreedom } from './freedom.ts';
export { sumOfTwoRectangulars } from './rectangulars.ts';
export { knownDigits, type KnownDigits } from './rounding.ts';
