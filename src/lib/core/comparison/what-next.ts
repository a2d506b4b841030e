import type { Confound } from './pairing.ts';
import type { TwoMethodVerdict } from './two-methods.ts';

/** What would settle a comparison next. */
export type NextStep =
	| 'go-on'
	| 'same-sample'
	| 'repeat-both'
	| 'more-pairs'
	| 'run-standard'
	| 'send-to-laboratory'
	| 'correct-or-retire';

export interface ComparisonState {
	readonly verdict: Pick<TwoMethodVerdict, 'grade' | 'tooFew' | 'withinClaims' | 'small' | 'n'>;
	readonly confounds: readonly Confound[];
	/** Repeats of both on one sample were made. */
	readonly repeated: boolean;
	/** Methods of the two that stand checked on a standard lately. */
	readonly checked: 0 | 1 | 2;
	/** A laboratory or another referee is one of the two, or was asked already. */
	readonly referee: boolean;
	/** The odds point to one of the two. */
	readonly suspect: boolean;
}

/**
 * What to do next about two methods: the same sample first, both repeated before either is blamed, a standard before a
 * laboratory, and a laboratory where they stay apart after a standard.
 */
export function nextStepFor({
	verdict,
	confounds,
	repeated,
	checked,
	referee,
	suspect
}: ComparisonState): NextStep {
	if (confounds.length > 0) return 'same-sample';
	if (verdict.grade === 'agree') return 'go-on';
	if (verdict.grade === 'cannot-tell') return verdict.n < 2 && !repeated ? 'repeat-both' : 'more-pairs';
	if (verdict.small) return 'go-on';
	if (!repeated) return 'repeat-both';
	if (referee || (checked === 2 && suspect)) return 'correct-or-retire';
	if (checked === 2) return 'send-to-laboratory';
	return checked === 1 && suspect ? 'correct-or-retire' : 'run-standard';
}
