import type { KitFinding, KitState } from '$lib/core/comparison';
import type { Grade } from '$lib/core/judgement';
import type { Dropper, KitCorrection, Method } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { AmountUnit, CheckDue, DatedNote, KitMerits, Supply, ToBuy, TrustSchool } from '$lib/core/shelf';
import type { Instant } from '$lib/core/time';
import type { CheckSpan, ShelfDetails } from './shelf';
import type { ShelfKind } from './choices';

export const TRUST_SCHOOLS: readonly TrustSchool[] = ['standards', 'habit'];

/** Whether unused titrant goes back into its bottle; what touched a reagent may spoil it. */
export const UNUSED_SCHOOLS = ['discard', 'put-back'] as const;
export type UnusedSchool = (typeof UNUSED_SCHOOLS)[number];

/** How the people of this device keep their shelf. */
export interface ShelfHabits {
	readonly trust: TrustSchool;
	readonly unused: UnusedSchool;
}

export interface BottleState {
	readonly reagent: string;
	readonly unit: AmountUnit;
	readonly full: number;
	readonly left: number;
	/** Used beyond what there was, by the reckoning. */
	readonly short: number;
	readonly countedAt: Instant | null;
	readonly perTest: number;
	/** Null where nothing is noted of it. */
	readonly dropper: Dropper | null;
}

/** One thing on the shelf, as it stands now. */
export interface ShelfThing {
	readonly id: string;
	readonly kind: ShelfKind;
	readonly name: string;
	readonly lotCode: string;
	readonly method: Method | null;
	readonly price: number | null;
	readonly boughtAt: Instant | null;
	readonly expiresAt: Instant | null;
	readonly receivedAt: Instant;
	readonly details: ShelfDetails;
	readonly openedAt: Instant | null;
	readonly retiredAt: Instant | null;
	readonly bottles: readonly BottleState[];
	/** Tests made with it. */
	readonly tested: number;
	readonly supply: Supply;
	readonly cost: { readonly full: number | null; readonly half: number | null };
	readonly due: CheckDue | null;
	readonly checked: readonly {
		readonly parameter: ParameterId;
		readonly at: Instant;
		readonly state: KitState;
		readonly correctedBy: KitCorrection | null;
	}[];
}

export interface ShelfAnswer {
	readonly things: readonly ShelfThing[];
	readonly toBuy: readonly (ToBuy & { readonly name: string })[];
}

export interface KitBeside {
	readonly method: Method;
	readonly merits: KitMerits;
	readonly halfMerits: KitMerits | null;
	/** Of the newest lot with a price. */
	readonly cost: number | null;
	readonly lots: number;
}

/** One reading of a standard that was made with a kit. */
export interface StandardRead {
	readonly runId: string;
	readonly standardId: string;
	readonly standard: string;
	readonly at: Instant;
	readonly results: readonly TestResult[];
}

export interface CheckShown {
	readonly id: string;
	readonly finding: KitFinding;
	readonly at: Instant;
	readonly runIds: readonly string[];
	readonly accepted: boolean;
}

export interface NoteShown {
	readonly id: string;
	readonly what: DatedNote;
	readonly note: string;
	readonly by: string;
}

/** How one past result would move. */
export interface ResultMove {
	readonly readingId: string;
	readonly waterId: string;
	readonly water: string;
	readonly at: Instant;
	readonly parameter: ParameterId;
	readonly before: TestResult;
	readonly after: TestResult;
	/** By the band of its day; null where there was none, or where it is a bound. */
	readonly gradeBefore: { readonly grade: Grade | null; readonly side: 'low' | 'high' | null };
	readonly gradeAfter: { readonly grade: Grade | null; readonly side: 'low' | 'high' | null };
}

/** A decision on a check as it would turn out, before it is taken. */
export interface WeighedDecision {
	readonly checkId: string;
	readonly decision: 'accept' | 'withdraw';
	readonly span: CheckSpan;
	/** The kit is to be retired with it. */
	readonly retire: boolean;
	readonly moves: readonly ResultMove[];
}

export interface ThingAnswer {
	readonly thing: ShelfThing;
	/** The solution that a home-made standard was thinned from; null of all else. */
	readonly stockName: string | null;
	readonly notes: readonly NoteShown[];
	readonly checks: readonly CheckShown[];
	/** Readings of standards made with it, newest first. */
	readonly standardsRead: readonly StandardRead[];
	/** Standards on the shelf that hold what this thing tells. */
	readonly standards: readonly ShelfThing[];
	/** Results that no longer fit what is known of it: nothing has moved yet. */
	readonly pending: readonly ResultMove[];
	readonly photographs: readonly string[];
}
