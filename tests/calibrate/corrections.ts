import type { WaterEvent } from '../../src/lib/core/balance/index.ts';
import {
	cautiousResponse,
	driftOf,
	follow,
	KNOWN_VOLUME_U,
	limitFor,
	planDoses,
	riseIn,
	effectOf,
	strengthOf,
	type DosePlan,
	type FollowReading,
	type GivenDose,
	type RaisedParameter,
	type Supplement
} from '../../src/lib/core/correction/index.ts';
import { againstBand, PROFILES } from '../../src/lib/core/judgement/index.ts';
import {
	ALK_SYRINGE,
	CA_SYRINGE,
	K_FILTER,
	MG_SYRINGE,
	type Method
} from '../../src/lib/core/method/index.ts';
import { normalDeviate, seededRandom } from '../../src/lib/core/numeric/index.ts';
import { derive, pointOf } from '../../src/lib/core/reading/index.ts';
import { ordinaryLife, simulateWater, type WaterHistory } from '../../src/lib/core/tank/index.ts';
import { addDays, daysBetween, instant } from '../../src/lib/core/time/index.ts';
import { estimateWater } from '../../src/lib/core/trend/index.ts';
import { historiesOf, observationsOf, stateAt } from './history.ts';

/** How the water and the product differ from what is believed. */
export const WORLDS = {
	ordinary: { volume: null, strength: null },
	'weak and large': { volume: 1.15, strength: 0.8 },
	'weak and small': { volume: 0.85, strength: 0.8 }
} as const;
export type World = keyof typeof WORLDS;

/** One water out of its band, brought back by following the plans. */
export interface CorrectionRun {
	readonly world: World;
	readonly seed: number;
	readonly parameter: RaisedParameter;
	/** From the first plan until the water itself is inside the band for good; null where it never was. */
	readonly daysToBand: number | null;
	readonly plans: number;
	readonly planDays: number;
	readonly daysWithDoses: number;
	/** Net change by the plan's own steps beyond a day's limit, each with its size as a share of the limit and its cause. */
	readonly excesses: readonly { readonly share: number; readonly cause: string }[];
	/** Said in words before the plan ended. */
	readonly noticed: boolean;
	/** The most evidence that anything was wrong, until it was said. */
	readonly evidence: number;
	readonly said: string;
}

const KINDS = ['mixed-reef', 'stony-low-nutrient'] as const;
const METHOD_OF: Readonly<Partial<Record<RaisedParameter, Method>>> = {
	alkalinity: ALK_SYRINGE,
	calcium: CA_SYRINGE,
	magnesium: MG_SYRINGE,
	potassium: K_FILTER
};
const DOSED_DAILY: ReadonlySet<RaisedParameter> = new Set<RaisedParameter>(['alkalinity', 'calcium']);
const PARAMETERS: readonly RaisedParameter[] = ['alkalinity', 'calcium', 'magnesium', 'potassium'];
const PRODUCT_RISE = { alkalinity: 0.14, calcium: 1, magnesium: 2, potassium: 1 } as const;
const START = instant(Date.UTC(2025, 0, 1));
/** A second reading before the plan: it asks for one. */
const TESTED_DAYS = [57.8, 58.78, 58.8, 58.82];
const PLAN_DAY = 59;
const LAST_DAY = 150;
const MORNING = 0.4;
const FORGOTTEN = 0.03;
const STAYS_DAYS = 3;
/** From here on a verdict says that it is probably outside. */
const OUTSIDE = 0.7;
/** So near to the aim, in half bands, a plan has done its work. */
const NEAR = 0.35;

/** Where a water is followed from. */
interface Origin {
	readonly day: number;
	readonly start: { readonly value: number; readonly u: number };
	readonly drift: { readonly value: number; readonly u: number };
}

interface Dosed {
	readonly day: number;
	readonly amount: number;
}

/** Follows the plans until the water is where it should be; null where the keeper would have seen nothing wrong. */
export function correctionRun(seed: number, world: World): CorrectionRun | null {
	const random = seededRandom(seed * 31 + 11);
	const kind = KINDS[seed % KINDS.length]!;
	const parameter = PARAMETERS[Math.floor(seed / KINDS.length) % PARAMETERS.length]!;
	const method = METHOD_OF[parameter]!;
	const band = PROFILES[kind].bands[parameter as 'alkalinity'] as { low: number; high: number; aim: number };
	const { low, high, aim } = band;
	const half = (high - low) / 2;
	const depth = aim - low + half * (0.3 + 2.2 * random());
	const { volume, strength } = WORLDS[world];
	const strengthTrue = strength ?? Math.exp(normalDeviate(random, 0, 0.05));
	const label: Supplement = {
		kind: 'product',
		unit: 'ml',
		strength: [{ parameter, risePer100L: PRODUCT_RISE[parameter as 'calcium'] }],
		form: 'carbonate',
		from: 'label',
		relativeU: 0.05
	};
	const dosed: Dosed[] = [];
	/** The daily dose as the plans set it, on top of the keeper's own. */
	const retuned: Dosed[] = [];
	const tested: number[] = [...TESTED_DAYS];

	/** The story told anew up to a day, with all that the plan did so far. */
	const tell = (until: number): { truth: WaterHistory; life: ReturnType<typeof ordinaryLife> } => {
		const life = ordinaryLife(kind, { seed, start: START, days: LAST_DAY });
		const { decide, ...script } = life.script;
		const trueStrength = strengthOf(label).map((s) => ({
			...s,
			risePerMlIn100L: s.risePerMlIn100L * strengthTrue
		}));
		const planned: WaterEvent[] = dosed.map(({ day, amount }) => ({
			kind: 'dose',
			at: addDays(START, day),
			amountMl: amount,
			strength: trueStrength
		}));
		const daily = (strength: ReturnType<typeof strengthOf>): WaterEvent[] =>
			retuned.map(({ day, amount }) => ({
				kind: 'recurring-dose',
				at: addDays(START, day),
				supplement: 'set by the plan',
				amountMlPerDay: amount,
				strength
			}));
		const volumeL = volume === null ? script.volumeL : volume * life.logged.netVolumeL;
		const truth = simulateWater({
			...script,
			until: addDays(START, until),
			volumeL,
			start: {
				...script.start,
				levels: { ...script.start.levels, [parameter]: script.start.levels[parameter]! - depth }
			},
			events: [...script.events, ...planned, ...daily(trueStrength)],
			tests: [
				...script.tests.filter((t) => t.at < addDays(START, PLAN_DAY)),
				...tested.map((day) => ({ at: addDays(START, day), method }))
			],
			// From then on the plan alone steers: the keeper's own settings stay as they are, water changes go on.
			decide: (moment, at, levels) => {
				const before = life.logged.events.length;
				// So far the keeper held the water where it is, as if that were right.
				const done = decide?.(moment, at, { ...levels, [parameter]: levels[parameter]! + depth }) ?? [];
				if (moment.day < PLAN_DAY - 3) return done;
				const kept = life.logged.events.splice(before).filter((e) => e.kind !== 'recurring-dose');
				life.logged.events.push(...kept);
				return done.filter((e) => e.kind !== 'recurring-dose');
			}
		});
		life.logged.events.push(
			...dosed.map(({ day, amount }): WaterEvent => ({
				kind: 'dose',
				at: addDays(START, day),
				amountMl: amount,
				strength: strengthOf(label)
			}))
		);
		life.logged.events.sort((a, b) => a.at - b.at);
		return { truth, life };
	};

	const limit = limitFor(parameter, 'up', [], true)!;
	let response = 1;
	let plans = 0;
	let noticed = false;
	let evidence = 0;
	let said = '';
	/** What the water is followed from: the first plan, or the last notice. */
	const from: { origin: Origin | null } = { origin: null };
	let given: GivenDose[] = [];
	let readings: FollowReading[] = [];
	const believed = ordinaryLife(kind, { seed, start: START, days: LAST_DAY }).logged.netVolumeL;

	/** The rest is planned from where the water stands; null where it stands well. */
	const planFrom = (day: number): DosePlan | null => {
		const now = addDays(START, day);
		const { truth, life } = tell(day);
		const estimate = estimateWater(historiesOf(life, observationsOf(truth.readings), now), now).of(
			parameter
		)!;
		const level = estimate.at(now);
		const { pBelow } = againstBand(level.value, Math.hypot(level.uRandom, level.uCommon), band);
		if (plans === 0 && pBelow < OUTSIDE) return null;
		if (plans > 0 && level.value > aim - half * NEAR) return null;
		const drift = driftOf(estimate, now);
		const begin = { value: level.value, u: level.uRandom };
		const plan = planDoses({
			water: {
				volumeL: { value: believed / response, u: (KNOWN_VOLUME_U * believed) / response },
				fresh: false,
				animals: true,
				levels: { [parameter]: begin }
			},
			goals: [
				{
					parameter,
					from: begin,
					aim,
					drift,
					readingU: readingU(truth, parameter),
					supplementId: 'it',
					supplement: label
				}
			],
			limits: { [parameter]: limit },
			surprising: [],
			dosed: {},
			besides: {},
			givenToday: {},
			answers: {},
			looked: true
		});
		from.origin ??= { day, start: begin, drift };
		const retune = plan.retunes[0];
		if (retune) {
			// Where the keeper doses already, the daily dose may be lessened too.
			const least = DOSED_DAILY.has(parameter) ? -Infinity : 0;
			retuned.push({ day, amount: Math.max(least, (retuned.at(-1)?.amount ?? 0) + retune.amountPerDay) });
		}
		plans++;
		return plan;
	};
	const riseOf = (amount: number) => riseIn(effectOf(label, amount, believed / response), parameter);

	let day = PLAN_DAY;
	let plan = planFrom(day);
	if (!plan) return null;
	const firstPlanDays = plan.days;
	let planDay = day;
	while (plan && day < LAST_DAY - 10) {
		const d = day - planDay;
		const test = plan.tests.find((t) => t.day === d && t.why !== 'before');
		const { origin } = from;
		if (test && origin) {
			const at = day + 0.1;
			tested.push(...Array.from({ length: test.repeats }, (_, i) => at + i * 0.02));
			const { truth } = tell(at + 0.15);
			for (const one of truth.readings.slice(-test.repeats)) {
				const derived = derive(one.method, one.reading);
				const point = derived.ok ? pointOf(derived.value.outcomes[0].result) : null;
				if (point) readings.push({ day: at - origin.day, value: point.value, u: point.uRandom });
			}
			const followed = follow({ ...origin, limitPerDay: limit }, given, readings);
			if (!noticed) evidence = Math.max(evidence, followed.evidence);
			if (followed.course !== 'on-course' && followed.course !== 'too-early') {
				noticed = true;
				said ||= followed.course;
				if (followed.course !== 'use-changed') {
					response *= cautiousResponse(followed.response);
				}
				from.origin = null;
				given = [];
				readings = [];
			}
			planDay = day;
			plan = planFrom(day + 0.3);
			if (!plan) break;
			day = planDay;
		} else if (plan.doses.length === 0 && d > 3) {
			break;
		}
		const dose = plan.doses.find((p) => p.day === day - planDay);
		// One is forgotten now and then; it is not caught up.
		if (dose && random() >= FORGOTTEN) {
			dosed.push({ day: day + MORNING, amount: dose.amount });
			if (from.origin) given.push({ day: day + MORNING - from.origin.day, rise: riseOf(dose.amount) });
		}
		const daily = retuned.at(-1)?.amount ?? 0;
		if (daily !== 0 && from.origin) given.push({ day: day + 0.5 - from.origin.day, rise: riseOf(daily) });
		day++;
	}
	const { truth } = tell(Math.min(LAST_DAY, day + 4));
	// From the first time on after which it stays inside for some days.
	let since: number | null = null;
	let inside: number | null = null;
	for (const { at, levels } of truth.states) {
		const after = daysBetween(START, at) - PLAN_DAY;
		const level = levels[parameter]!;
		if (after < 0 || level < low || level > high) since = null;
		else since ??= after;
		if (since !== null && after - since >= STAYS_DAYS) inside ??= since;
	}
	return {
		world,
		seed,
		parameter,
		daysToBand: inside,
		plans,
		planDays: firstPlanDays,
		daysWithDoses: new Set(dosed.map((d) => Math.floor(d.day))).size,
		excesses: excessesOf(truth, dosed, parameter, label, strengthTrue, volume, limit, kind, seed),
		noticed,
		evidence,
		said
	};
}

/** Random uncertainty of the last reading of a parameter. */
function readingU(truth: WaterHistory, parameter: RaisedParameter): number {
	const last = truth.readings.findLast((r) => r.method.parameter === parameter);
	const derived = last && derive(last.method, last.reading);
	return (derived?.ok ? pointOf(derived.value.outcomes[0].result)?.uRandom : null) ?? 1;
}

/** Days on which the plan's own steps moved the water itself by more than a day may. */
function excessesOf(
	truth: WaterHistory,
	dosed: readonly Dosed[],
	parameter: RaisedParameter,
	label: Supplement,
	strengthTrue: number,
	volume: number | null,
	limit: number,
	kind: (typeof KINDS)[number],
	seed: number
): { share: number; cause: string }[] {
	const life = ordinaryLife(kind, { seed, start: START, days: LAST_DAY });
	const volumeL = volume === null ? life.script.volumeL : volume * life.logged.netVolumeL;
	return dosed.flatMap(({ day, amount }) => {
		const rise = strengthTrue * riseIn(effectOf(label, amount, volumeL), parameter);
		const at = (d: number) => stateAt(truth, addDays(START, d)).levels[parameter]!;
		const first = Math.floor(day);
		const moved = at(first + 1) - at(first);
		// What the water does by itself: a loss may be made good besides, a gain is not the plan's.
		const besides = Math.min(0, moved - rise);
		const net = rise + besides;
		if (net <= limit) return [];
		const ratio = (strengthTrue * life.logged.netVolumeL) / volumeL;
		return [
			{
				share: net / limit,
				cause: ratio > 1.08 ? 'smaller volume or stronger product' : 'less used than was estimated'
			}
		];
	});
}
