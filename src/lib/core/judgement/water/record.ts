import type { PlanWithNotes } from '../../correction/index.ts';
import type { Method } from '../../method/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import type { TestResult, Unsound } from '../../reading/index.ts';
import type { DatedBand, DatedResult, StoredEvent, Water } from '../../record/index.ts';
import type { Instant } from '../../time/index.ts';
import type { CycleSettings, RuleId, TestingHabit } from '../index.ts';

/** How a water is judged and tested, as its keeper wants it. */
export interface JudgementSettings {
	readonly cycle: CycleSettings;
	readonly testing: TestingHabit;
	readonly rulesOff: readonly RuleId[];
}

/** A test that somebody planned for a time. */
export interface PlannedTest {
	readonly parameter: ParameterId;
	readonly at: Instant;
}

/** What of a thing on the shelf tells what a test costs. */
export interface PricedKit {
	readonly kind: string;
	readonly price: number | null;
	readonly method: Method | null;
	readonly details: { readonly tests: number | null };
}

/** What stands out of all reckoning until somebody puts it right: named on every page that reckons. */
export type LeftOut =
	| {
			readonly kind: 'reading';
			readonly readingId: string;
			readonly runId: string;
			readonly at: Instant;
			readonly result: TestResult;
			readonly why: Unsound;
	  }
	/** All readings of a parameter together gave no line. */
	| { readonly kind: 'line'; readonly parameter: ParameterId };

/** All that is known of a water: what a judgement of it stands on. */
export interface WaterRecord {
	readonly water: Water;
	/** The site's. */
	readonly timeZone: string;
	readonly settings: JudgementSettings;
	/** The begin of what was read and done. */
	readonly since: Instant;
	/** In the order in which their samples were drawn, apart from what cannot be reckoned with. */
	readonly results: readonly DatedResult[];
	/** What an earlier version stored that no water can hold. */
	readonly leftOut: readonly LeftOut[];
	/** In the order in which they happened; of recurring doses also those before. */
	readonly events: readonly StoredEvent[];
	/** What is wanted, the newest first. */
	readonly targets: readonly DatedBand[];
	readonly methods: readonly Method[];
	/** Things on the shelf. */
	readonly items: readonly PricedKit[];
	/** Its corrections, newest first, with what became of them. */
	readonly plans: readonly PlanWithNotes[];
	readonly planned: readonly PlannedTest[];
}
