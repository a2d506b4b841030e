import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
import { isMadeToday, setsOf, type TestSet } from '$lib/core/bench';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import { addDays, type Instant } from '$lib/core/time';
import { usualKit } from '../make-draft';
import type { Chosen } from './chosen';

/** A set of tests, ready to be laid out with what is at the bench. */
export interface ReadySet {
	/** Null for what was tested lately, where nobody named a set. */
	readonly set: TestSet | null;
	readonly name: string;
	readonly tests: readonly Chosen[];
	/** All of it was read on this day already. */
	readonly isMade: boolean;
}

/** A test that was not made for so long is no longer usual. */
const LATELY_DAYS = 60;
/** Asked for by what happens, or read beside everything else: no part of a usual round. */
const NO_ROUTINE: ReadonlySet<ParameterId> = new Set<ParameterId>([
	'ammonia',
	'nitrite',
	'ph',
	'temperature'
]);
/** One parameter alone is no set. */
const LEAST_TESTS = 2;

function plainly(bench: BenchAnswer, waterId: string, offer: BenchOffer, times = 1): Chosen {
	return {
		waterId,
		offer,
		choice: {
			portion: 'full',
			dilution: null,
			ageH: 0,
			keptHow: '',
			kit: usualKit(bench, offer.method),
			standard: null
		},
		times
	};
}

/** What is tested here anyway: each parameter as it was read last, in the order of parameters. */
function tested(bench: BenchAnswer, waterId: string, now: Instant): readonly Chosen[] {
	const since = addDays(now, -LATELY_DAYS);
	const lately = bench.offers.filter((o) => o.lastUsedAt !== null && o.lastUsedAt >= since);
	return PARAMETER_IDS.filter((p) => !NO_ROUTINE.has(p)).flatMap((p) => {
		const [offer] = lately
			.filter((o) => o.method.parameter === p)
			.sort((a, b) => (b.lastUsedAt ?? 0) - (a.lastUsedAt ?? 0));
		return offer && bench.usual.includes(p) ? [plainly(bench, waterId, offer)] : [];
	});
}

/**
 * The sets that can be laid out at the bench of a water, the usual one first: that whose time comes next, or, where
 * none was named, what is tested there anyway.
 *
 * @param benchOf what is known of other waters; their tests are left out where nothing is
 */
export function readySets(
	bench: BenchAnswer,
	waterId: string,
	benchOf: (waterId: string) => BenchAnswer | undefined,
	now: Instant,
	timeZone: string
): readonly ReadySet[] {
	const named = setsOf(bench.sets ?? [], waterId, now, timeZone).map((set): ReadySet => {
		const tests = set.tests.flatMap((t): Chosen[] => {
			const own = t.waterId === waterId ? bench : benchOf(t.waterId);
			const offer = own?.offers.find((o) => o.method.code === t.methodCode);
			if (!own || !offer) return [];
			const plain = plainly(own, t.waterId, offer, t.times);
			return [{ ...plain, choice: { ...plain.choice, portion: t.portion } }];
		});
		const readAt = tests.map(({ waterId: of, offer }) => {
			const own = of === waterId ? bench : benchOf(of);
			return own?.cadence.lastAt[offer.method.parameter] ?? null;
		});
		return { set, name: set.name, tests, isMade: isMadeToday(readAt, now, timeZone) };
	});
	const usual = tested(bench, waterId, now);
	const ready = named.filter((s) => s.tests.length > 0);
	if (ready.length > 0 || usual.length < LEAST_TESTS) return ready;
	return [{ set: null, name: 'The usual', tests: usual, isMade: false }];
}
