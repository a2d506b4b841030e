import type { Band, CadenceInput, DueTest } from '$lib/core/judgement';
import type { TestSet } from '$lib/core/bench';
import type { LeftOut } from '$lib/core/judgement/water';
import type { Method } from '$lib/core/method';
import type { SlipCounts, SlipPriors } from '$lib/core/plausibility';
import type { ReaderDecision } from '$lib/core/practice';
import type { ParameterId } from '$lib/core/quantity';
import type { KnownKit } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { Prediction } from '$lib/core/trend';
import type { StepNoteSeen } from './practice-view';
import type { OpenSession } from './session';
import type { ShelfDetails } from './shelf';

/** What a result will be held against, canonical units. */
export interface BenchContext {
	readonly band: Band | null;
	/** What the water is expected to hold now; null before the second reading. */
	readonly expected: Prediction | null;
}

/** A method ready for the bench. */
export interface BenchOffer {
	readonly method: Method;
	/** One for each parameter that the method tells. */
	readonly contexts: Readonly<Partial<Record<ParameterId, BenchContext>>>;
	/** When the water was last read for the method's own parameter. */
	readonly lastAt: Instant | null;
	/** When this very method last gave a result that counts, within the years that the estimate looks back; null before. */
	readonly lastUsedAt: Instant | null;
	/** Made at this site, not shipped. */
	readonly own: boolean;
	/** Ticked as "like this one": it runs by a common leaflet, and the one in the box was not entered yet. */
	readonly common: boolean;
	/** The person has carried it out before; a first run is led through every hand movement. */
	readonly practised: boolean;
}

/** A value read before that another test needs. */
export interface KnownBefore {
	readonly runId: string;
	readonly at: Instant;
	readonly value: number;
	readonly uRandom: number;
	readonly uCommon: number;
}

/** A kit or instrument that stands opened on the shelf, with what is known of it for a reading taken now. */
export interface BenchKit extends KnownKit {
	readonly id: string;
	readonly name: string;
	readonly lotCode: string;
	readonly methodCode: string;
	/** What it tells. */
	readonly parameters: readonly ParameterId[];
	/** The last moment at which its dates let it be trusted; null where none is known. */
	readonly goodUntil: Instant | null;
	/** Its box was looked through, and all of it was there; null where nobody has looked since it was opened. */
	readonly boxComplete: boolean | null;
	/** Tests that its fullest use leaves; null where nothing is known of what is left. */
	readonly testsLeft: number | null;
}

/** A standard that can be tested instead of the water. */
export interface BenchStandard {
	readonly id: string;
	readonly name: string;
	readonly contents: ShelfDetails['contents'];
}

/** What the bench knows of one water. */
export interface BenchOfWater {
	readonly waterName: string;
	readonly leftOut: readonly LeftOut[];
	/** When each parameter is to be tested next, the most pressing first. */
	readonly due: readonly DueTest[];
	/** What the panels of what has happened are asked with. */
	readonly cadence: CadenceInput;
	readonly offers: readonly Omit<BenchOffer, 'practised'>[];
	/** When its light is on, minutes after midnight; null where it has none. */
	readonly lights?: { readonly onMinute: number; readonly offMinute: number } | null;
	/** The parameters that this kind of water has a band for, or was tested for; the others come after them. */
	readonly usual: readonly ParameterId[];
	/** The last reading of each parameter that has a value, not older than a look back. */
	readonly before: Readonly<Partial<Record<ParameterId, KnownBefore>>>;
}

/** What the bench knows of a whole site, whichever water is tested: every test at any of them may change it. */
export interface BenchOfSite {
	/** Codes of the methods that the person has carried out before. */
	readonly practised: readonly string[];
	/** How often which slip was confirmed at this site, among how many readings. */
	readonly slips: SlipCounts;
	/** Newest opened first. */
	readonly kits: readonly BenchKit[];
	readonly standards: readonly BenchStandard[];
}

export interface BenchAnswer extends Omit<BenchOfWater, 'offers'>, Omit<BenchOfSite, 'practised' | 'slips'> {
	/** How often which slip happens at this site and to this person, as far as it is known. */
	readonly slipPriors: SlipPriors;
	/** What is used of whoever reads; nothing in what was kept by older programs. */
	readonly readerDecisions?: readonly ReaderDecision[];
	/** What mentors wrote at steps. */
	readonly stepNotes?: readonly StepNoteSeen[];
	readonly offers: readonly BenchOffer[];
	/** Sessions of the site that were planned or left unfinished, the last heard of first. */
	readonly sessions: readonly OpenSession[];
	/** Sets of tests that were named at this site; none in what was kept by older programs. */
	readonly sets?: readonly TestSet[];
}
