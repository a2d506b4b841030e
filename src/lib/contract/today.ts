import type { StrangeMove } from '$lib/core/correction';
import type { PlanLine } from './adjust.ts';
import type { DoubtfulReading } from './doubt.ts';
import type { EventKind } from './event.ts';
import type {
	AdviceId,
	AfterCycle,
	AgainstReference,
	Band,
	CycleState,
	DueTest,
	Finding,
	FreeAmmonia,
	Going,
	PanelHappening,
	RuleId,
	RunOfSide,
	StageId,
	Urgency,
	Verdict
} from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { Prediction, RatePerDay } from '$lib/core/trend';
import type { LeftOut } from './left-out.ts';

/** A band with where it comes from and since when it holds. */
export interface SourcedBand extends Band {
	readonly source: string;
	readonly fromAt: Instant;
}

/** What is estimated of a parameter, canonical units. */
export interface EstimateToday {
	readonly now: Prediction;
	readonly inAWeek: Prediction;
	readonly verdict: Verdict;
	readonly netChangePerDay: RatePerDay;
	readonly consumptionPerDay: RatePerDay;
	readonly leavesInDays: number | null;
	readonly basedOn: number;
}

/** One parameter as Today shows it. Without an estimate there were only bounds so far. */
export interface ParameterToday {
	readonly parameter: ParameterId;
	readonly band: SourcedBand | null;
	readonly estimate: EstimateToday | null;
	readonly last: { readonly at: Instant; readonly result: TestResult };
	/** A major ion brought to S = 35, where salinity was read lately. */
	readonly atS35: { readonly value: number; readonly u: number; readonly salinity: number } | null;
	/** The last reading by itself; null of a bound, which is no number. */
	readonly single: Verdict | null;
	readonly urgency: Urgency;
	/** It is acted on while it is only likely: it harms within days. */
	readonly early: boolean;
	readonly going: Going;
	/** The last readings, where they all lie on one side. */
	readonly run: RunOfSide | null;
	readonly references: readonly AgainstReference[];
}

/** What happened, what it asks to be tested, and what of it was not tested since. */
export interface OpenPanel {
	readonly happening: PanelHappening;
	readonly eventId: string;
	readonly at: Instant;
	readonly missing: readonly ParameterId[];
}

/** The cycle of a new tank as far as it has come, and what comes after it. */
export interface CycleToday {
	readonly state: CycleState;
	readonly after: AfterCycle | null;
	/** Everything that was read of it, for its curves. */
	readonly curves: readonly {
		readonly parameter: 'ammonia' | 'nitrite' | 'nitrate';
		readonly at: Instant;
		readonly lower: number;
		/** Null for "more than". */
		readonly upper: number | null;
	}[];
}

/** Something that a water asks for; those with danger are never folded away. */
export type MatterToday = { readonly danger: boolean; readonly weight: number } & (
	| {
			readonly kind: 'verdict';
			readonly parameter: ParameterId;
			readonly verdict: Verdict;
			readonly going: Going;
			readonly urgency: Urgency;
			readonly early: boolean;
			/** The verdict of the last reading alone, where there is no estimate. */
			readonly single: boolean;
	  }
	| { readonly kind: 'free-ammonia'; readonly free: FreeAmmonia }
	| { readonly kind: 'strange-move'; readonly move: StrangeMove }
	| { readonly kind: 'panel'; readonly panel: OpenPanel }
	| { readonly kind: 'finding'; readonly finding: Finding<RuleId> }
	| { readonly kind: 'run'; readonly parameter: ParameterId; readonly run: RunOfSide }
	| { readonly kind: 'doubt'; readonly doubt: DoubtfulReading }
	| { readonly kind: 'move'; readonly move: RateMove }
	| { readonly kind: 'departure'; readonly departure: DepartureToday }
	| { readonly kind: 'cycle'; readonly what: 'first-zero' | 'done' | 'came-back' | 'in-doubt' }
);

/** One line for a water among several, with the worst of what it asks for. */
export interface WaterLine {
	readonly id: string;
	readonly name: string;
	readonly site: string;
	readonly stage: StageId | null;
	readonly worst: MatterToday | null;
	/** How many matters it has besides. */
	readonly others: number;
	readonly due: readonly ParameterId[];
	readonly lastReadAt: Instant | null;
	/** How many readings it has that are out of all reckoning. */
	readonly leftOut: number;
	/** It could not be judged at all; its page says more. */
	readonly failed: boolean;
	readonly weight: number;
}

/** The last day on which the water was tested, and what was read. */
export interface LastSession {
	readonly at: Instant;
	readonly results: readonly {
		readonly parameter: ParameterId;
		readonly result: TestResult;
		readonly verdict: Verdict | null;
	}[];
}

/** A consumption that is not what it was. */
export interface RateMove {
	readonly parameter: ParameterId;
	/** A step that was found, or a drift over five weeks. */
	readonly how: 'step' | 'drift';
	readonly before: RatePerDay;
	readonly after: RatePerDay;
	/** Of a step: the likeliest day, and the days between which it lies with 95 %. */
	readonly at: Instant | null;
	readonly earliest: Instant | null;
	readonly latest: Instant | null;
	/** What happened about that time. */
	readonly besides: readonly {
		/** An event, or another kit read from then on, which may show a step that the water never took. */
		readonly kind: EventKind | 'another-kit';
		readonly note: string;
		readonly at: Instant;
	}[];
}

/** Alkalinity used beyond what calcium explains. */
export interface DepartureToday {
	readonly perDay: RatePerDay;
	readonly z: number;
}

export interface TodayAnswer {
	/** At most three, but every danger; then what is folded below. */
	readonly shown: readonly MatterToday[];
	readonly folded: readonly MatterToday[];
	readonly due: readonly DueTest[];
	readonly stage: StageId | null;
	readonly advice: readonly AdviceId[];
	readonly cycle: CycleToday | null;
	readonly lastSession: LastSession | null;
	readonly rows: readonly ParameterToday[];
	readonly untested: readonly ParameterId[];
	readonly leftOut: readonly LeftOut[];
	/** Corrections that run, with what they ask for today. */
	readonly plans: readonly PlanLine[];
}
