/** Turning from one test to another: putting down, finding the place, picking up. Settable by the keeper. */
export const CHANGEOVER_S = 8;

/** How long after the end of another step a step may start, in seconds. */
export interface Lag {
	/** Id of the step that comes before, in the same test. */
	readonly step: string;
	readonly leastS: number;
	/** Null where it may stand as long as it likes. */
	readonly greatestS: number | null;
	/** An exact reading: no step begins whose longest time would run over its latest start. */
	readonly exact: boolean;
}

/** One thing that the hands do, seconds. Waits are no steps but lags between them. */
export interface PlanStep {
	/** Unique in the session. */
	readonly id: string;
	/** Likely time in which the hands are busy with it. */
	readonly handsS: number;
	/** The longest that it is likely to take. */
	readonly longestS: number;
	/** In how many equal parts it may be done, with something else between them; 1 where it may not be interrupted. */
	readonly pieces: number;
	/** What must be done before; empty for a first step. A chain names one, a small tree several. */
	readonly after: readonly Lag[];
	/** Equipment taken when it starts, by name. */
	readonly takes: readonly string[];
	/** Equipment given back when it ends. */
	readonly frees: readonly string[];
	/** Where a session is under way: not before and not after, seconds from now; the wait has already begun. */
	readonly notBeforeS?: number;
	readonly dueS?: number | null;
	readonly dueExact?: boolean;
}

export interface PlanTest {
	readonly id: string;
	/** Every step comes after those that it names. */
	readonly steps: readonly PlanStep[];
	/** Equipment that it has in use as the plan begins. */
	readonly holds: readonly string[];
}

/** What the keeper insists on. */
export type Wish =
	/** This step at this time, seconds from the start of the plan. */
	| { readonly kind: 'pin'; readonly step: string; readonly atS: number }
	/** One test begins before another. */
	| { readonly kind: 'first'; readonly test: string; readonly before: string }
	/** Nothing else is touched between the first and the last step of this test. */
	| { readonly kind: 'alone'; readonly test: string };

/** A session for one pair of hands. */
export interface PlanProblem {
	readonly tests: readonly PlanTest[];
	/** How many there are of what is shared; what is not named here is at hand for every test. */
	readonly equipment: Readonly<Record<string, number>>;
	readonly changeoverS: number;
	readonly wishes: readonly Wish[];
	/** The test that the hands are at when the plan begins; null before the first. */
	readonly at: string | null;
}

/** One stretch of hands-on work in a plan, seconds from its start. */
export interface Placed {
	readonly test: string;
	readonly step: string;
	/** Which of the step's parts, from 0. */
	readonly piece: number;
	readonly startS: number;
	readonly endS: number;
}

/** How good a plan is; compared in this order. */
export interface PlanScore {
	readonly makespanS: number;
	/** Times that the hands turn to another test. */
	readonly hops: number;
	/** The shortest time by which work before an exact reading may overrun; infinite where nothing is exact. */
	readonly slackS: number;
}

export interface Plan extends PlanScore {
	/** In the order of time. */
	readonly placed: readonly Placed[];
	/** No plan can be shorter than this. */
	readonly boundS: number;
	/** The makespan and the hops are known to be the least possible. */
	readonly proven: boolean;
}
