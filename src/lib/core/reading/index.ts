/** Raw readings, kept as they were made, and the results derived from them. */
export { deliveredMl, type SyringeFill } from './titration/delivered.ts';
export { otherScale, MAX_FILLS } from './titration/syringe-reading.ts';
export { MAX_DROPS, MAX_LOADS } from './titration/drop-reading.ts';
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
} from './form/raw-reading.ts';
export { END_POINTS, type EndPoint } from './titration/end-point.ts';
export {
	NOTHING_OWN,
	TitrationBudget,
	type TitrationKit,
	type TitrationLooks
} from './titration/titration-budget.ts';
export {
	effectOf,
	effectsOf,
	MISHAPS,
	type Deviation,
	type DeviationEffect,
	type Mishap
} from './outcome/deviation.ts';
export type { KnownReader, OwnEye } from './form/known-reader.ts';
export { derive, deriveWith, type Corrections, type KnownKit } from './form/derive.ts';
export { incrementOf, volumeOf } from './titration/derive-titration.ts';
export { DERIVATION_VERSION, type ArithmeticLine, type Derivation, type Outcome } from './outcome/outcome.ts';
export {
	boundsOf,
	middleOf,
	expandedUOf,
	isSameResult,
	plausibleRangeOf,
	pointOf,
	type BoundResult,
	type IntervalResult,
	type TestResult,
	type ValueResult
} from './outcome/test-result.ts';
export { unsoundness, unusualIn, type Unsound } from './outcome/sound.ts';
export { faultOnScale } from './form/check-number.ts';
export { marksAround } from './titration/marks-around.ts';
export { printedTables, type PrintedTable, type TableEntry } from './step/printed-table.ts';
export { usualExpandedU } from './form/usual-uncertainty.ts';
