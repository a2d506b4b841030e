import { addDays, type Instant } from '../time/index.ts';

/** The stretch over which the pace of testing is taken. */
const PACE_DAYS = 56;
const DAYS_PER_MONTH = 365.25 / 12;

/** Tests a day over the last eight weeks, or since the kit was opened where that is less. */
export function paceOf(testedAt: readonly Instant[], openedAt: Instant | null, now: Instant): number {
	const from = Math.max(addDays(now, -PACE_DAYS), openedAt ?? 0);
	const days = Math.max(7, (now - from) / (addDays(now, 1) - now));
	return testedAt.filter((at) => at > from && at <= now).length / days;
}

/** The tests that a kit is still good for, and the bottle that runs out first. */
export interface TestsLeft {
	readonly tests: number;
	/** Null where only whole tests are counted. */
	readonly endsFirst: string | null;
}

/**
 * @param bottles what is left in each, and what one test takes of it
 * @returns null where no bottle is known that a test takes from
 */
export function testsLeft(
	bottles: readonly { readonly reagent: string; readonly left: number; readonly perTest: number }[]
): TestsLeft | null {
	let least: TestsLeft | null = null;
	for (const { reagent, left, perTest } of bottles) {
		if (!(perTest > 0)) continue;
		// A bottle that was just filled for so many tests must not lose one to rounding.
		const tests = Math.floor(left / perTest + 1e-9);
		if (!least || tests < least.tests) least = { tests, endsFirst: reagent };
	}
	return least;
}

/** The last moment at which a kit may be trusted by its dates; null where none is known. */
export function goodUntil(
	expiresAt: Instant | null,
	openedAt: Instant | null,
	openedMonths: number | null
): Instant | null {
	const opened =
		openedAt !== null && openedMonths !== null ? addDays(openedAt, openedMonths * DAYS_PER_MONTH) : null;
	if (expiresAt === null) return opened;
	return opened === null || expiresAt < opened ? expiresAt : opened;
}

export interface Supply {
	readonly testsLeft: TestsLeft | null;
	readonly perDay: number;
	/** At the present pace; null where nothing is tested, or nothing is known of what is left. */
	readonly daysLeft: number | null;
	readonly goodUntil: Instant | null;
	/** Whichever comes first, and which it is. */
	readonly ends: { readonly at: Instant; readonly by: 'used-up' | 'date' } | null;
}

/** How long a kit will do: until it is used up at the present pace, or until its dates end. */
export function supplyOf(
	left: TestsLeft | null,
	perDay: number,
	until: Instant | null,
	now: Instant
): Supply {
	const daysLeft = left && perDay > 0 ? left.tests / perDay : left?.tests === 0 ? 0 : null;
	const usedUpAt = daysLeft === null ? null : addDays(now, daysLeft);
	const byDate = until !== null && (usedUpAt === null || until <= usedUpAt);
	const ends = byDate
		? ({ at: until, by: 'date' } as const)
		: usedUpAt === null
			? null
			: ({ at: usedUpAt, by: 'used-up' } as const);
	return { testsLeft: left, perDay, daysLeft, goodUntil: until, ends };
}

/**
 * Price of one test, by the bottle that allows the fewest; tests said on the pack where bottles are not known.
 *
 * @returns null without a price
 */
export function costPerTest(
	price: number | null,
	bottles: readonly { readonly reagent: string; readonly left: number; readonly perTest: number }[],
	packTests: number | null
): number | null {
	const tests = testsLeft(bottles)?.tests ?? packTests;
	return price === null || tests === null || tests <= 0 ? null : price / tests;
}
