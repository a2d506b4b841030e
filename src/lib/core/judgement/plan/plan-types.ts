import type {
	BatchFinding,
	DoseUnit,
	Followed,
	GoalRefusal,
	KeptPlan,
	Known,
	PlanCourse,
	PlanGoal,
	PlanRequest,
	PlanState,
	RaisedParameter,
	SeenStep,
	Supplement
} from '../../correction/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import type { Instant } from '../../time/index.ts';

/** An additive of which nobody knows what it brings: so much by its leaflet for so high a reading. */
export interface DosingTable {
	readonly kind: 'table';
	readonly parameter: ParameterId;
	readonly unit: DoseUnit;
	readonly rows: readonly { readonly reading: number; readonly amountPer100L: number }[];
}

/** A supplement as views name it: a common salt that is always there, or one of the keeper's own. */
export interface NamedSupplement {
	readonly id: string;
	readonly name: string;
	readonly own: boolean;
	readonly what: Supplement | DosingTable;
	readonly notWith: string;
}

/** A batch of new water with what was read of it. */
export interface Batch {
	readonly waterId: string;
	readonly waterName: string;
	readonly name: string;
	readonly saltLot: string;
	readonly volumeL: number;
	readonly mixedAt: Instant;
	readonly levels: Readonly<Partial<Record<ParameterId, Known>>>;
	readonly findings: readonly BatchFinding[];
}

/** A plan before it begins: what it would be, and what it cannot do. */
export interface PlanPreview {
	readonly plan: KeptPlan;
	readonly refusals: readonly GoalRefusal[];
	/** The same in one go with all that is at hand and a water change; null where there is but one goal. */
	readonly mix: MixSeen | null;
}

/** The best mix of what is at hand, in words' reach. */
export interface MixSeen {
	readonly change: { readonly litres: number; readonly batch: string } | null;
	readonly amounts: readonly { readonly name: string; readonly amount: number; readonly unit: DoseUnit }[];
	readonly short: readonly { readonly parameter: RaisedParameter; readonly reached: number }[];
	readonly salinityRise: number;
}

/** How a goal stands while its plan runs. */
export interface SeenGoal extends PlanGoal {
	readonly followed: Followed | null;
	/** Readings since the plan began, for the curve. */
	readonly readings: readonly { readonly at: Instant; readonly value: number; readonly u: number }[];
	/** The estimate over the plan's days. */
	readonly estimate: readonly { readonly at: Instant; readonly value: number; readonly u: number }[];
}

/** A plan with what became of it. */
export interface SeenPlan {
	readonly id: string;
	readonly startsAt: Instant;
	readonly plan: KeptPlan;
	readonly steps: readonly SeenStep[];
	readonly courses: readonly PlanCourse[];
	readonly goals: readonly SeenGoal[];
	readonly state: PlanState;
	readonly endedAt: Instant | null;
	/** Net volume by dose and response, where readings say that it or the product is off. */
	readonly reason:
		{ readonly kind: 'volume' | 'either'; readonly volumeL: Known } | { readonly kind: 'product' } | null;
	/** Its level moves as no tank moves it: nothing is added before somebody looked. */
	readonly held: boolean;
	/** How often the rest was planned anew. */
	readonly adapted: number;
	/** The method that each parameter was read with last, for going to the bench. */
	readonly kits: Readonly<Partial<Record<ParameterId, string>>>;
}

/** A plan in one line, for Today and the list. */
export interface PlanLine {
	readonly id: string;
	readonly title: readonly ParameterId[];
	readonly request: PlanRequest;
	readonly startsAt: Instant;
	readonly day: number;
	readonly days: number;
	readonly state: SeenPlan['state'];
	readonly offCourse: { readonly parameter: ParameterId; readonly followed: Followed } | null;
	readonly today: readonly SeenStep[];
	/** Its level moves as no tank moves it: nothing is added before somebody looked. */
	readonly held: boolean;
	readonly missed: number;
}
