/** Raw readings, kept as they were made, and the results derived from them. */
export { deliveredMl, type SyringeFill } from './delivered.ts';
export { otherScale, MAX_FILLS } from './syringe-reading.ts';
export { MAX_DROPS } from './drop-reading.ts';
export {
	formOf,
	BACKGROUNDS,
	BETWEEN_SCHOOLS,
	COURSES,
	FORM_VERSION,
	LIGHTS,
	type Circumstances,
	type DifferenceReading,
	type Dilution,
	type DisplayReading,
	type DropMarks,
	type DropReading,
	type LineReading,
	type PairReading,
	type RawReading,
	type ReadingForm,
	type ScaleReading,
	type StatedReading,
	type StepReading,
	type SyringeMarks,
	type SyringeReading
} from './raw-reading.ts';
export { END_POINTS, type EndPoint } from './end-point.ts';
export { TitrationBudget, type TitrationKit, type TitrationLooks } from './titration-budget.ts';
export {
	effectOf,
	effectsOf,
	MISHAPS,
	type Deviation,
	type DeviationEffect,
	type Mishap
} from './deviation.ts';
export { derive, deriveWith, type Corrections, type KnownKit } from './derive.ts';
export { volumeOf } from './derive-titration.ts';
export { DERIVATION_VERSION, type ArithmeticLine, type Derivation, type Outcome } from './outcome.ts';
export {
	boundsOf,
	middleOf,
	expandedUOf,
	plausibleRangeOf,
	pointOf,
	standardUncertaintyOf,
	type BoundResult,
	type IntervalResult,
	type TestResult,
	type ValueResult
} from './test-result.ts';
export { unsoundness, unusualIn, type Unsound } from './sound.ts';
export { faultOnScale } from './check-number.ts';
export { marksAround } from './marks-around.ts';
export { printedTables, type PrintedTable, type TableEntry } from './printed-table.ts';
export { usualExpandedU } from './usual-uncertainty.ts';
