import type { ParameterId } from '../quantity/index.ts';
import type { Instant } from '../time/index.ts';
import type { Outlook } from './outlook.ts';
import { PANELS, type Happening } from './panel.ts';
import type { ProfileId } from './profiles.ts';

/** How a water is tested at present: while it is being learned, once it is settled, while it cycles. */
export type TestingPhase = 'learning' | 'settled' | 'cycling';

/** Why a test is proposed; put into words by `format/`. */
export type WhyDue =
	| {
			readonly kind: 'interval';
			readonly days: number;
			readonly everyDays: number;
			readonly phase: TestingPhase;
			/** Tested more often than usual because a phosphate medium runs and algae no longer warn. */
			readonly medium: boolean;
	  }
	| { readonly kind: 'never' }
	| { readonly kind: 'doubt' }
	/** By then the chance of being outside the band passes what is accepted. */
	| { readonly kind: 'outside'; readonly days: number; readonly chance: number }
	/** The last reading left it at the edge of the band: it is watched more closely. */
	| { readonly kind: 'edge'; readonly days: number }
	/** By then so little is known of it, canonical unit, k = 2. */
	| { readonly kind: 'unknown'; readonly days: number; readonly plusMinus: number }
	/** It keeps steady, so the longest pause is given. */
	| { readonly kind: 'steady'; readonly days: number; readonly everyDays: number; readonly chance: number }
	/** It is outside, as far as one reading tells: read again until that is confirmed, or mended. */
	| { readonly kind: 'confirm'; readonly days: number }
	/** It may be outside, and harms within days where it is. */
	| { readonly kind: 'danger' }
	/** A correction that runs has a test on that day. */
	| { readonly kind: 'plan' }
	/** A daily dose that brings it was set anew. */
	| { readonly kind: 'dose-set' }
	/** It moves as no tank makes it move. */
	| { readonly kind: 'strange' }
	/** Somebody planned a session with it for that day. */
	| { readonly kind: 'session' }
	/** The keeper has fixed testing days. */
	| { readonly kind: 'habit'; readonly days: number; readonly everyDays: number }
	| { readonly kind: 'happening'; readonly what: Happening };

export interface DueTest {
	readonly parameter: ParameterId;
	readonly why: WhyDue;
	/** When its longest interval ends; now or earlier means due. */
	readonly dueAt: Instant;
	/** Larger is more pressing; tests of equal weight keep the order of the parameters. */
	readonly weight: number;
}

/** A test that something asks for by a time, sooner than its pause may end. */
export interface AskedTest {
	readonly parameter: ParameterId;
	readonly at: Instant;
	readonly why: Extract<WhyDue, { readonly kind: 'plan' | 'dose-set' | 'strange' | 'session' | 'danger' }>;
}

/** What is known of a water when its next tests are asked for. */
export interface CadenceInput {
	readonly now: Instant;
	readonly profile: ProfileId | null;
	/** Parameters that have a band, or are tested anyway. */
	readonly usual: readonly ParameterId[];
	readonly lastAt: Readonly<Partial<Record<ParameterId, Instant>>>;
	/** When the water was first read. */
	readonly firstAt: Instant | null;
	/** A medium that takes phosphate out runs. */
	readonly mediumRuns: boolean;
	/** Parameters whose last reading stands in doubt. */
	readonly doubtful: readonly ParameterId[];
	/** Parameters that are outside or probably so, which one reading alone tells. */
	readonly unconfirmed: readonly ParameterId[];
	readonly asked: readonly AskedTest[];
	/** Where the estimates go from the last readings on; a parameter without an estimate has none. */
	readonly outlooks: Readonly<Partial<Record<ParameterId, Outlook>>>;
	readonly habit: TestingHabit;
}

/** Fixed testing days, or each test when it is worth making. */
export type TestingHabit =
	| { readonly kind: 'reckoned'; readonly chance: number }
	| { readonly kind: 'fixed'; readonly everyDays: 7 | 14 };

/** When each parameter is to be tested next. Another way of deciding it fits behind the same face. */
export type Cadence = (input: CadenceInput) => readonly DueTest[];

/**
 * The tests that what has happened asks for, the most telling first.
 *
 * @param possible parameters that this kind of water has at all
 */
export function panelFor(
	what: Happening,
	input: Pick<CadenceInput, 'now' | 'doubtful' | 'lastAt'>,
	possible: readonly ParameterId[]
): readonly DueTest[] {
	const newest = Object.entries(input.lastAt).sort(([, a], [, b]) => b - a)[0]?.[0] as
		ParameterId | undefined;
	const doubted = input.doubtful.length > 0 ? input.doubtful : newest ? [newest] : [];
	const asked: readonly ParameterId[] = what === 'doubtful' ? doubted : PANELS[what];
	const panel = asked.filter((p) => what === 'doubtful' || possible.includes(p));
	return panel.map((parameter, i) => ({
		parameter,
		why: { kind: 'happening', what },
		dueAt: input.now,
		weight: 40 - i
	}));
}

/** Due by the end of the day that has so many hours left. */
export function isDue(test: DueTest, endOfDay: Instant): boolean {
	return test.dueAt <= endOfDay;
}

/**
 * The most pressing tests that fit into a time, each added only if all together still fit.
 *
 * @param lengthS how long a session of these tests takes, seconds
 */
export function fittingInto<T>(
	tests: readonly T[],
	limitS: number,
	lengthS: (chosen: readonly T[]) => number
): readonly T[] {
	let chosen: readonly T[] = [];
	for (const test of tests) {
		const more = [...chosen, test];
		if (lengthS(more) <= limitS) chosen = more;
	}
	return chosen;
}
