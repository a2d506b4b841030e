import { inputsOf, type WaterEvent } from '../../src/lib/core/balance/index.ts';
import {
	againstBand,
	longestDays,
	outlookOf,
	PROFILES,
	shortestDays,
	type Band
} from '../../src/lib/core/judgement/index.ts';
import { ALK_SYRINGE, CA_SYRINGE, NO3_CARD, type Method } from '../../src/lib/core/method/index.ts';
import { seededRandom } from '../../src/lib/core/numeric/index.ts';
import type { ParameterId } from '../../src/lib/core/quantity/index.ts';
import { derive } from '../../src/lib/core/reading/index.ts';
import { CALM_READER, ordinaryLife, readBy, simulateWater } from '../../src/lib/core/tank/index.ts';
import { addDays, daysBetween, instant, type Instant } from '../../src/lib/core/time/index.ts';
import { estimateOne, type Observation } from '../../src/lib/core/trend/index.ts';
import { stateAt } from './history.ts';

/** A fixed number of days between tests, or the chance of being outside that is accepted. */
export type Policy = { readonly everyDays: number } | { readonly chance: number };

export const POLICIES: readonly Policy[] = [
	{ everyDays: 3.5 },
	{ everyDays: 7 },
	{ everyDays: 14 },
	{ chance: 0.05 },
	{ chance: 0.1 },
	{ chance: 0.2 },
	{ chance: 0.3 },
	{ chance: 0.4 }
];

export const policyName = (p: Policy): string =>
	'chance' in p ? `chance ${p.chance}` : `every ${p.everyDays} days`;

/** One year of one parameter of one tank, tested by one policy. */
export interface NextTestRun {
	readonly kind: Kind;
	readonly parameter: ParameterId;
	readonly policy: string;
	readonly tests: number;
	readonly daysOutside: number;
	/** Days outside the band of which no test told yet. */
	readonly unseen: number;
}

const KINDS = ['mixed-reef', 'stony-low-nutrient'] as const;
type Kind = (typeof KINDS)[number];
export const NEXT_TEST_KINDS = KINDS;

const METHODS: readonly (readonly [ParameterId, Method])[] = [
	['alkalinity', ALK_SYRINGE],
	['calcium', CA_SYRINGE],
	['nitrate', NO3_CARD]
];
const DAYS = 365;
const EVENING = 0.8;
const START = instant(Date.UTC(2025, 0, 1));
/** The first tests, by which every policy begins. */
const FIRST_DAYS: readonly number[] = [0, 4, 8];
/** An excursion is told of from here on: likelier outside than inside. */
const TOLD = 0.5;

interface Tank {
	readonly levelAt: (at: Instant) => number;
	readonly logged: readonly WaterEvent[];
	readonly netVolumeL: number;
}

function followed(
	tank: Tank,
	parameter: ParameterId,
	method: Method,
	band: Band,
	policy: Policy,
	seed: number
): Omit<NextTestRun, 'kind'> {
	const random = seededRandom(seed * 17 + 5);
	const observations: Observation[] = [];
	const corrections: { readonly at: Instant; readonly amount: number }[] = [];
	/** The daily dose put right by what the estimate says, until the keeper of the story sets it anew. */
	const retuned: { readonly from: Instant; readonly to: Instant; readonly perDay: number }[] = [];
	const aim = band.aim ?? (band.low! + band.high!) / 2;
	let dueDay = 0;
	let tests = 0;
	let told = false;
	let daysOutside = 0;
	let unseen = 0;
	for (let day = 0; day < DAYS; day++) {
		const at = addDays(START, day + EVENING);
		const moved =
			corrections.reduce((sum, c) => sum + c.amount, 0) +
			retuned.reduce((sum, f) => sum + f.perDay * Math.max(0, daysBetween(f.from, at < f.to ? at : f.to)), 0);
		const truth = Math.max(0, tank.levelAt(at) + moved);
		const outside = truth < band.low! || truth > band.high!;
		if (!outside) told = false;
		if (FIRST_DAYS.includes(day) || (day > FIRST_DAYS.at(-1)! && day >= dueDay)) {
			tests++;
			const derived = derive(method, readBy(random, method, { [parameter]: truth }, CALM_READER));
			if (!derived.ok) throw new Error(derived.fault.code);
			observations.push({ id: `${day}`, at, kit: method.code, result: derived.value.outcomes[0].result });
			const inputs = [
				...inputsOf(
					tank.logged.filter((e) => e.at <= at),
					parameter,
					tank.netVolumeL,
					addDays(at, 60)
				),
				...corrections.map((c) => ({ kind: 'step' as const, ...c, u: Math.abs(c.amount) * 0.05 })),
				...retuned.map((f) => ({ kind: 'flow' as const, ...f, relativeU: 0.05 }))
			].sort((a, b) => ('at' in a ? a.at : a.from) - ('at' in b ? b.at : b.from));
			const estimate = estimateOne({ parameter, observations, inputs }, at);
			if (!estimate) throw new Error('no estimate');
			const now = estimate.at(at);
			const { pBelow, pAbove } = againstBand(now.value, Math.hypot(now.uRandom, now.uCommon), band);
			const surprised = estimate.doubts.some((d) => !d.settled && d.at === at);
			let corrected = false;
			if (pBelow + pAbove >= TOLD && !surprised) {
				told = told || outside;
				corrected = true;
				// Nitrate comes down by a change and not at once; the others are dosed to the aim.
				corrections.push({ at, amount: (parameter === 'nitrate' ? 0.5 : 1) * (aim - now.value) });
				if (parameter !== 'nitrate') {
					const set = tank.logged.find((e) => e.kind === 'recurring-dose' && e.at > at);
					retuned.push({
						from: at,
						to: set?.at ?? addDays(START, DAYS),
						perDay: -estimate.netChangePerDay.value
					});
				}
			}
			if ('everyDays' in policy) {
				dueDay = day + policy.everyDays;
			} else if (surprised || corrected) {
				dueDay = day + (surprised ? 1 : 3);
			} else {
				const longest = longestDays(parameter, {
					profile: 'mixed-reef',
					firstAt: START,
					now: at,
					mediumRuns: false
				})!;
				const outlook = outlookOf((t) => estimate.at(t), band, at, {
					chance: policy.chance,
					shortestDays: shortestDays(parameter),
					longestDays: longest
				});
				dueDay = day + Math.max(1, Math.floor((outlook.at - at) / 86_400_000));
			}
		}
		if (outside) {
			daysOutside++;
			if (!told) unseen++;
		}
	}
	return { parameter, policy: policyName(policy), tests, daysOutside, unseen };
}

/** One simulated year of a tank, tested by every policy. */
export function nextTestRuns(kind: Kind, seed: number, policies = POLICIES): NextTestRun[] {
	const life = ordinaryLife(kind, { seed, start: START, days: DAYS, tests: [] });
	const truth = simulateWater(life.script);
	const { bands } = PROFILES[kind];
	return METHODS.flatMap(([parameter, method]) =>
		policies.map((policy) => ({
			kind,
			...followed(
				{
					levelAt: (at) => stateAt(truth, at).levels[parameter]!,
					logged: life.logged.events,
					netVolumeL: life.logged.netVolumeL
				},
				parameter,
				method,
				bands[parameter as 'alkalinity'],
				policy,
				seed
			)
		}))
	);
}
