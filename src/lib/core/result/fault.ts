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
	| 'no-fill'
	| 'too-many-fills'
	| 'range-reversed'
	| 'portion-unknown'
	| 'chart-duplicate'
	| 'chart-too-short'
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
