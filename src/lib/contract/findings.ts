import type { Finding, PanelHappening, RuleId, Verdict } from '$lib/core/judgement';
import type { JudgementSettings, LeftOut } from '$lib/core/judgement/water';
import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { SourcedBand } from '$lib/core/record';
import type { Instant } from '$lib/core/time';

/** A finding in the past, as it was first made, and the last test that showed it. */
export interface PastFinding {
	readonly finding: Finding<RuleId>;
	readonly from: Instant;
	readonly to: Instant;
}

export interface FindingsAnswer {
	readonly now: readonly Finding<RuleId>[];
	/** Newest first. */
	readonly past: readonly PastFinding[];
	readonly settings: JudgementSettings;
	readonly leftOut: readonly LeftOut[];
}

/** A test that an event asks for, and what was read since. */
export interface PanelTest {
	readonly parameter: ParameterId;
	/** Somebody suspects it as the cause. */
	readonly suspected: boolean;
	readonly band: SourcedBand | null;
	readonly since: {
		readonly at: Instant;
		readonly result: TestResult;
		readonly verdict: Verdict | null;
		/** Which of the outcomes it is; null where it cannot be told. */
		readonly outcome: 'low' | 'inside' | 'high' | null;
	} | null;
}

export interface PanelAnswer {
	readonly happening: PanelHappening;
	readonly event: { readonly id: string; readonly at: Instant; readonly note: string } | null;
	readonly tests: readonly PanelTest[];
}
