import type { AddItem } from '$lib/contract/shelf';
import type { Role } from '$lib/core/access';
import type { WaterEvent } from '$lib/core/balance';
import type { AlkalinityForm, RaisedParameter } from '$lib/core/correction';
import type { SetTest, TestSet } from '$lib/core/bench';
import type { DatedFact } from '$lib/core/purified';
import type { ProfileId } from '$lib/core/judgement';
import type { Method } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import type { RawReading } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { DemoPractice } from './practice';

/** What happens besides doses and changes. */
export interface DemoNote {
	readonly at: Instant;
	readonly kind:
		'animals-in' | 'animals-out' | 'death' | 'failure' | 'note' | 'feeding' | 'medium-in' | 'top-up';
	readonly note: string;
}

/** A batch of new salt water. */
export interface DemoBatch {
	readonly at: Instant;
	readonly batch: string;
	readonly saltLot: string;
	readonly volumeL: number;
}

export interface DemoReading {
	readonly at: Instant;
	readonly method: Method;
	readonly reading: RawReading;
	readonly note?: string;
	/** Read with a pack that was used up before there was a shelf. */
	readonly earlierPack?: boolean;
	/** Read first the wrong way round, then corrected. */
	readonly firstEnteredAs?: RawReading;
	readonly correctedBecause?: string;
}

/** A correction by plan, as it went. */
export interface DemoPlan {
	readonly startsAt: Instant;
	/** What a day may change, where the keeper set it lower. */
	readonly limits: readonly { readonly parameter: RaisedParameter; readonly perDay: number }[];
	readonly goals: readonly {
		readonly parameter: RaisedParameter;
		/** One of the site's supplements by name, or the id of a common one. */
		readonly supplement: string;
		/** As it was meant: rise a day, and on how many days. */
		readonly risePerDay: number;
		readonly days: number;
		/** Amount of each day, as given; on the first days so far. */
		readonly given: readonly number[];
	}[];
	readonly endedAt: Instant | null;
	readonly note: string;
}

/** A product of the keeper's own, by its label. */
export interface DemoSupplement {
	readonly name: string;
	readonly parameter: RaisedParameter;
	readonly risePerMlIn100L: number;
	readonly form: AlkalinityForm;
	readonly notWith: string;
}

/** One water of the demo world with everything that was ever entered for it. */
export interface WaterStory {
	readonly name: string;
	readonly kind: 'tank' | 'new-mix' | 'source' | 'collected';
	readonly netVolumeL: number | null;
	readonly profile: ProfileId | null;
	readonly hasAnimals: boolean;
	readonly lights: readonly [onMinute: number, offMinute: number] | null;
	readonly startedAt: Instant;
	readonly events: readonly (WaterEvent & { readonly batch?: string })[];
	/** What single doses were taken from. */
	readonly singleDoses: string;
	readonly batches: readonly DemoBatch[];
	readonly notes: readonly DemoNote[];
	readonly plans: readonly DemoPlan[];
	readonly readings: readonly DemoReading[];
}

/** A water to which nothing is done: what its story leaves open. */
export const QUIET = { events: [], batches: [], notes: [], plans: [], singleDoses: '' } as const;

/** What is noted of a thing after it came. */
export interface DemoShelfNote {
	readonly at: Instant;
	readonly kind: 'opened' | 'box-checked' | 'counted' | 'dropper' | 'doubted' | 'retired';
	readonly details: object;
	readonly note?: string;
}

export interface DemoThing {
	/** By which readings name it. */
	readonly key: string;
	readonly method: Method | null;
	readonly row: Pick<AddItem, 'kind' | 'name' | 'lotCode' | 'price' | 'boughtAt' | 'expiresAt' | 'details'>;
	readonly notes: readonly DemoShelfNote[];
}

/** A kit on a standard, and what was decided of it. */
export interface DemoCheck {
	readonly kit: string;
	readonly standard: string;
	readonly parameter: ParameterId;
	readonly at: Instant;
	readonly method: Method;
	readonly readings: readonly RawReading[];
	readonly accepted: boolean;
}

export interface DemoShelf {
	readonly things: readonly DemoThing[];
	readonly checks: readonly DemoCheck[];
}

/** A session that was planned or left unfinished. */
export interface DemoSession {
	readonly state: 'planned' | 'under-way';
	/** When it was last heard of. */
	readonly at: Instant;
	readonly dueAt: Instant | null;
	readonly tests: readonly {
		readonly water: string;
		readonly method: Method;
		/** The first steps, which only set up. */
		readonly stepsDone: number;
	}[];
}

export interface SiteStory {
	readonly name: string;
	readonly timeZone: string;
	readonly people: readonly {
		readonly displayName: string;
		readonly role: Role;
	}[];
	readonly waters: readonly WaterStory[];
	readonly shelf: DemoShelf;
	readonly supplements: readonly DemoSupplement[];
	readonly sessions: readonly DemoSession[];
	readonly sets: readonly DemoSet[];
	/** What its members answered in practice. */
	readonly practice: readonly DemoPractice[];
	/** Readings and changes of its purified water. */
	readonly purified: readonly DatedFact[];
}

/** A set of tests that somebody named; its waters are named as well. */
export type DemoSet = Omit<TestSet, 'id' | 'tests'> & {
	readonly tests: readonly (Omit<SetTest, 'waterId'> & { readonly water: string })[];
};
