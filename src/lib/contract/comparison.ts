import type { BlandAltman, Confound, LikelierOff, NextStep, TwoMethodVerdict } from '$lib/core/comparison';
import type { AgainstReference } from '$lib/core/judgement';
import type { FormsApart, ParameterId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';

/** What is held against each other. */
export const COMPARED_BY = ['kit', 'reader', 'water'] as const;
export type ComparedBy = (typeof COMPARED_BY)[number];

/** Something that can be picked as one side. */
export interface Side {
	readonly id: string;
	readonly name: string;
	readonly readings: number;
}

export interface ComparedReading {
	readonly at: Instant;
	readonly value: number;
	readonly uRandom: number;
	readonly uCommon: number;
	readonly kit: string;
	readonly reader: string;
}

export interface ComparedPair {
	readonly first: ComparedReading;
	readonly second: ComparedReading;
	readonly sameSample: boolean;
}

/** What is known of one side's own error besides the pairs. */
export interface KnownError {
	/** Of a standard, of a laboratory's own statement, or only of what the kit admits. */
	readonly from: 'standard' | 'laboratory' | 'claim';
	readonly bias: number;
	readonly u: number;
	readonly checkedAt: Instant | null;
	/** Its results were corrected by that check. */
	readonly corrected: boolean;
	/** No pack of it is in use any more. */
	readonly retired: boolean;
}

/** Two sides over pairs of the same water. */
export interface PairedComparison {
	readonly verdict: TwoMethodVerdict;
	/** Null below three pairs. */
	readonly limits: BlandAltman | null;
	readonly pairs: readonly ComparedPair[];
	/** The newest sample that both were read on, by itself, where there are several; repeats together. */
	readonly lastSample: { readonly at: Instant; readonly verdict: TwoMethodVerdict } | null;
}

/** Two waters by one kit, or each against the sea. */
export interface WaterComparison {
	readonly rows: readonly {
		readonly kit: string;
		readonly first: ComparedReading;
		readonly second: ComparedReading;
		readonly verdict: TwoMethodVerdict;
	}[];
	readonly sea: { readonly first: AgainstReference | null; readonly second: AgainstReference | null };
}

export interface ComparisonAnswer {
	readonly parameter: ParameterId;
	/** Parameters that this water was read for by more than one kit or reader, or at all. */
	readonly parameters: readonly ParameterId[];
	readonly by: ComparedBy;
	readonly sides: readonly Side[];
	readonly first: string | null;
	readonly second: string | null;
	readonly paired: PairedComparison | null;
	/** The same as it was first read, where results were corrected since. */
	readonly asRead: PairedComparison | null;
	readonly errors: { readonly first: KnownError; readonly second: KnownError } | null;
	readonly likelier: LikelierOff | null;
	readonly confounds: readonly Confound[];
	/** What each of two kits finds, where it is not the same thing; null where it is. */
	readonly forms: {
		readonly first: string;
		readonly second: string;
		readonly apart: Exclude<FormsApart, 'same'>;
	} | null;
	readonly repeated: boolean;
	readonly next: NextStep | null;
	readonly waters: WaterComparison | null;
}
