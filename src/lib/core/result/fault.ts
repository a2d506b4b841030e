/**
 * One code per fault; its text for people stands once, in `format/faults.ts`.
 * The code is stable: it is logged, answered to clients and tested for.
 */
export type FaultCode =
	| 'not-a-number'
	| 'beyond-syringe'
	| 'below-zero'
	| 'finer-than-scale'
	| 'start-below-end'
	| 'no-drops'
	| 'no-fill'
	| 'too-many-fills'
	| 'range-reversed'
	| 'portion-unknown'
	| 'chart-duplicate'
	| 'chart-too-short'
	| 'table-row'
	| 'factor-implausible'
	| 'standards-alike'
	| 'standard-beyond-kit'
	| 'no-check-reading'
	| 'volume-too-small'
	| 'weaker-than-wanted'
	| 'not-a-photograph'
	| 'no-finding'
	| 'kit-retired'
	| 'no-such-step'
	| 'wrong-form'
	| 'beyond-scale'
	| 'finer-than-marks'
	| 'beyond-excess'
	| 'less-than-nothing'
	| 'temperature-missing'
	| 'no-salinity'
	| 'unit-unknown'
	| 'drops-are-used'
	| 'worth-nothing'
	| 'not-titrated'
	| 'filtrate-too-small'
	| 'marks-do-not-fit'
	| 'sample-missing'
	| 'parameter-differs'
	| 'meter-differs'
	| 'steps-not-rising'
	| 'steps-alike'
	| 'no-reading-step'
	| 'reading-not-last'
	| 'file-unreadable'
	| 'method-shipped'
	| 'dilution-impossible'
	| 'count-not-reached'
	| 'timer-running'
	| 'nothing-to-undo'
	| 'already-finished'
	| 'unknown-item'
	| 'id-taken'
	| 'already-corrected'
	| 'unchanged'
	| 'invalid-field'
	| 'target-reversed'
	| 'in-the-future'
	| 'too-large'
	| 'too-often'
	| 'not-signed-in';

export interface Fault {
	readonly code: FaultCode;
	/** The field that the fault is about, where there is one. */
	readonly field?: string;
	/** Numbers and words that the sentence needs, such as the limit that was passed. */
	readonly details?: Readonly<Record<string, string | number>>;
}
