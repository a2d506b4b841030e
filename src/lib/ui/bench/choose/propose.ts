import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
import { CHANGEOVER_S, layOut, planTestOf, usualEquipment } from '$lib/core/bench';
import { fittingInto, isDue, panelFor, type DueTest, type Happening } from '$lib/core/judgement';
import { stepsFor } from '$lib/core/method';
import { seededRandom } from '$lib/core/numeric';
import type { ParameterId } from '$lib/core/quantity';
import { endOfDay, type Instant } from '$lib/core/time';

/** A test that is proposed for a water, with the method it would be made by. */
export interface Proposal {
	readonly key: string;
	readonly waterId: string;
	readonly due: DueTest;
	/** Due by the end of the day; the others may be ticked all the same. */
	readonly isDue: boolean;
	readonly offers: readonly BenchOffer[];
}

/** How much time there is. */
export const LIMITS = ['all', 'ten', 'one'] as const;
export type Limit = (typeof LIMITS)[number];
const TEN_MINUTES_S = 600;
/** Orders are looked at briefly: it is only asked whether the tests fit. */
const LOOKS = 30;

/** Methods for a parameter: the one used last on this water, then those whose kit is on the shelf. */
export function offersFor(bench: BenchAnswer, parameter: ParameterId): readonly BenchOffer[] {
	const kits = new Set(bench.kits.map((k) => k.methodCode));
	const rank = (o: BenchOffer) => (o.lastUsedAt ?? 0) + (kits.has(o.method.code) ? 1 : 0);
	return bench.offers.filter((o) => o.method.parameter === parameter).sort((a, b) => rank(b) - rank(a));
}

/** How long the tests take together, laid out, seconds. */
export function lengthOf(offers: readonly BenchOffer[]): number {
	const tests = offers.map((o, i) => planTestOf(`${i}`, o.method, stepsFor(o.method, 'full')));
	let spent = 0;
	const plan = layOut(
		{ tests, equipment: usualEquipment(tests), changeoverS: CHANGEOVER_S, wishes: [], at: null },
		{ random: seededRandom(1), spent: () => ++spent / LOOKS }
	);
	return plan?.makespanS ?? Infinity;
}

/**
 * What to test now: what is due by the end of the day, or what has happened asks for, the most pressing first; after
 * it, what will be due next.
 *
 * @returns all of these, and which of the due ones fit into the time there is
 */
export function proposalsFor(
	bench: BenchAnswer,
	waterId: string,
	what: Happening | null,
	limit: Limit,
	now: Instant,
	timeZone: string
): { readonly proposals: readonly Proposal[]; readonly fitting: ReadonlySet<string> } {
	const end = endOfDay(now, timeZone);
	const due = what
		? panelFor(what, bench.cadence, bench.usual)
		: [
				...bench.due.filter((d) => isDue(d, end)),
				...bench.due.filter((d) => !isDue(d, end)).sort((a, b) => a.dueAt - b.dueAt)
			];
	const proposals = due
		.map((d) => ({
			key: `${waterId}/${d.parameter}`,
			waterId,
			due: d,
			isDue: isDue(d, end),
			offers: offersFor(bench, d.parameter)
		}))
		.filter((p) => p.offers.length > 0);
	const dueNow = proposals.filter((p) => p.isDue);
	const fitting =
		limit === 'all'
			? dueNow
			: limit === 'one'
				? dueNow.slice(0, 1)
				: fittingInto(dueNow, TEN_MINUTES_S, (chosen) => lengthOf(chosen.map((p) => p.offers[0]!)));
	return { proposals, fitting: new Set(fitting.map((p) => p.key)) };
}
