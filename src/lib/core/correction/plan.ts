import type { ParameterId } from '../quantity/index.ts';
import { beforeAndAfter, type BeforeAfter } from './before-after.ts';
import { NO_EFFECT, overDays, sumOfEffects, type DoseEffect } from './dose.ts';
import { BACTERIA_BEAR } from './limits.ts';
import { largestPortion } from './portion.ts';
import {
	amountFor,
	effectOf,
	RAISED,
	relativeUOf,
	riseIn,
	unitOf,
	type DoseUnit,
	type RaisedParameter,
	type Supplement
} from './supplement.ts';
import type { Known, WaterNow } from './water-state.ts';

/** One parameter that is to be raised, and with what. */
export interface Goal {
	readonly parameter: RaisedParameter;
	readonly from: Known;
	readonly aim: number;
	/** Net change a day as things run now: what is dosed already, less what is used. */
	readonly drift: { readonly value: number; readonly u: number };
	/** Random standard uncertainty of one reading with the keeper's kit. */
	readonly readingU: number;
	readonly supplementId: string;
	readonly supplement: Supplement;
}

/** The daily dose is off by this: set anew together with the plan, so that the plan corrects and nothing else. */
export interface Retune {
	readonly parameter: RaisedParameter;
	/** Canonical unit a day, more where positive. */
	readonly risePerDay: number;
	readonly supplementId: string;
	/** The same as an amount of the plan's supplement. */
	readonly amountPerDay: number;
	readonly unit: DoseUnit;
}

export interface PlannedDose {
	/** 0 is the plan's first day. */
	readonly day: number;
	readonly parameter: RaisedParameter;
	readonly supplementId: string;
	readonly amount: number;
	readonly unit: DoseUnit;
	/** In how many parts over the day. */
	readonly portions: number;
	/** Of the parameter, canonical unit. */
	readonly rise: number;
}

export interface CoursePoint {
	readonly day: number;
	readonly value: number;
	readonly u: number;
}

/** Why nothing is added for a goal, or not all of it; the nearest that can be reached where there is one. */
export type GoalRefusal =
	| { readonly kind: 'nothing-to-do'; readonly parameter: RaisedParameter }
	| { readonly kind: 'cannot-lower'; readonly parameter: RaisedParameter }
	| { readonly kind: 'rises-by-itself'; readonly parameter: RaisedParameter; readonly days: number }
	| {
			readonly kind: 'brings-too-much';
			readonly parameter: RaisedParameter;
			/** What comes along with it. */
			readonly of: RaisedParameter;
	  }
	| {
			readonly kind: 'too-far';
			readonly parameter: RaisedParameter;
			/** What could be reached in the longest plan. */
			readonly nearest: number;
	  }
	| {
			readonly kind: 'beyond-bacteria';
			readonly parameter: RaisedParameter;
			/** What the bacteria of a water without animals bear. */
			readonly nearest: number;
	  }
	| {
			readonly kind: 'overcharged';
			readonly parameter: RaisedParameter;
			readonly by: 'ph' | 'saturation';
			/** What the water bears. */
			readonly nearest: number;
	  };

/** Things worth saying about a plan that is possible. */
export type PlanRemark = 'second-reading' | 'long' | 'stretched' | 'cannot-tell' | 'many-portions';

export interface DosePlan {
	readonly doses: readonly PlannedDose[];
	/** Days on which something is added. */
	readonly days: number;
	readonly courses: readonly {
		readonly parameter: RaisedParameter;
		readonly points: readonly CoursePoint[];
	}[];
	readonly tests: readonly PlannedTest[];
	readonly retunes: readonly Retune[];
	readonly refusals: readonly GoalRefusal[];
	readonly remarks: readonly PlanRemark[];
	readonly moves: BeforeAfter;
}

export interface PlannedTest {
	readonly day: number;
	readonly parameters: readonly ParameterId[];
	/** Readings of each, so that a weak product could be told. */
	readonly repeats: number;
	readonly why: 'before' | 'midway' | 'end';
}

export interface PlanGiven {
	readonly water: WaterNow;
	readonly goals: readonly Goal[];
	/** Largest net rise a day; null where none holds. */
	readonly limits: Readonly<Partial<Record<RaisedParameter, number | null>>>;
	/** The present level rests on one reading that surprised. */
	readonly surprising: readonly ParameterId[];
}

/** One-sided 99 %: so that a volume or strength that is somewhat off does not carry the water past the limit. */
const MARGIN_Z = 2.33;
const SURE_Z = 2;
/** What comes back by itself within so many days is left to. */
const PATIENCE_DAYS = 7;
/** By hand, in a day. */
const MOST_PORTIONS = 6;
const LONG_DAYS = 21;
const MOST_DAYS = 90;
/** Days of the curve after the last dose. */
const AFTER_DAYS = 4;

/** What a plan may add in a day so that the limit holds in the water itself, whose volume and dose are known this well. */
function planned(limit: number, water: WaterNow, supplement: Supplement): number {
	return limit / (1 + MARGIN_Z * doseRelativeU(water, supplement));
}

/** Relative standard uncertainty of what a dose does: volume and strength together. */
export function doseRelativeU(water: WaterNow, supplement: Supplement): number {
	return Math.hypot(water.volumeL.u / water.volumeL.value, relativeUOf(supplement));
}

interface Part {
	readonly goal: Goal;
	readonly days: number;
	readonly amountPerDay: number;
	readonly risePerDay: number;
	readonly portions: number;
}

/** The water when a goal is reached: portions are set by it, because then it bears least. */
function atAims(water: WaterNow, goals: readonly Goal[]): WaterNow {
	const reached = Object.fromEntries(
		goals.map(({ parameter, from, aim }) => [parameter, { ...from, value: Math.max(from.value, aim) }])
	);
	return { ...water, levels: { ...water.levels, ...reached } };
}

function partFor(goal: Goal, brought: number, given: PlanGiven, leastDays: number): Part | GoalRefusal {
	const { parameter, from, aim, drift, supplement } = goal;
	const wanted = aim - from.value - brought;
	if (wanted < 0 && aim - from.value < 0) return { kind: 'cannot-lower', parameter };
	// A thousandth of the way is no step of its own.
	if (!(wanted > 1e-3 * (aim - from.value))) return { kind: 'nothing-to-do', parameter };
	const bears = given.water.animals ? undefined : BACTERIA_BEAR[parameter];
	if (bears && aim > bears.high) return { kind: 'beyond-bacteria', parameter, nearest: bears.high };
	// What is seen to rise by itself needs no dose, only time.
	if (drift.value > SURE_Z * drift.u && drift.value * PATIENCE_DAYS >= wanted) {
		return { kind: 'rises-by-itself', parameter, days: wanted / drift.value };
	}
	const limit = given.limits[parameter] ?? null;
	// The daily dose is set to what is used; how well that is known comes off what a day may change, and so does what
	// rises by itself, which a daily dose may not be there to lessen.
	const besides = drift.u + Math.max(0, drift.value);
	const most =
		limit === null ? Infinity : Math.max(limit / 4, planned(limit, given.water, supplement) - besides);
	if (leastDays > MOST_DAYS || wanted > MOST_DAYS * most) {
		return {
			kind: 'too-far',
			parameter,
			nearest: from.value + MOST_DAYS * Math.min(most, wanted / leastDays)
		};
	}
	let days = Math.max(1, leastDays, limit === null ? 1 : overDays(wanted, most).days);
	let perDay = wanted / days;
	let amountPerDay = amountFor(supplement, parameter, perDay, given.water.volumeL.value);
	const portion = largestPortion(supplement, atAims(given.water, given.goals), amountPerDay);
	if (portion.most !== null && portion.by !== null) {
		const bare = largestPortion(supplement, given.water, amountPerDay);
		if (portion.most <= amountPerDay / 1000) {
			if (bare.most === 0 || from.value >= aim) {
				return { kind: 'overcharged', parameter, by: portion.by, nearest: from.value };
			}
			return { kind: 'overcharged', parameter, by: portion.by, nearest: reachable(goal, given) };
		}
		const mostPerDay = MOST_PORTIONS * portion.most;
		if (amountPerDay > mostPerDay) {
			const stretched = Math.ceil((days * amountPerDay) / mostPerDay);
			if (stretched <= MOST_DAYS) {
				days = stretched;
				perDay = wanted / days;
				amountPerDay = amountFor(supplement, parameter, perDay, given.water.volumeL.value);
			}
		}
	}
	const portions =
		portion.most === null ? 1 : Math.max(1, Math.min(MOST_PORTIONS, Math.ceil(amountPerDay / portion.most)));
	return { goal, days, amountPerDay, risePerDay: perDay, portions };
}

/** The highest level at which a thousandth of the way may still be added at one time. */
function reachable(goal: Goal, given: PlanGiven): number {
	const bears = (level: number) => {
		const water = atAims(given.water, [{ ...goal, aim: level }]);
		const small =
			amountFor(goal.supplement, goal.parameter, goal.aim - goal.from.value, water.volumeL.value) / 20;
		const { most } = largestPortion(goal.supplement, water, small);
		return most === null || most > 0.9 * small;
	};
	let low = goal.from.value;
	let high = goal.aim;
	for (let i = 0; i < 30; i++) {
		const middle = (low + high) / 2;
		if (bears(middle)) low = middle;
		else high = middle;
	}
	return low;
}

const isPart = (part: Part | GoalRefusal): part is Part => 'goal' in part;

/** All goals together; what one dose brings of another's parameter is taken off that. */
function partsFor(given: PlanGiven, leastDays: ReadonlyMap<Goal, number>): (Part | GoalRefusal)[] {
	const parts: (Part | GoalRefusal)[] = [];
	for (const goal of given.goals) {
		const brought = parts
			.filter(isPart)
			.reduce(
				(sum, p) =>
					sum +
					p.days *
						riseIn(effectOf(p.goal.supplement, p.amountPerDay, given.water.volumeL.value), goal.parameter),
				0
			);
		parts.push(partFor(goal, brought, given, leastDays.get(goal) ?? 1));
	}
	return parts;
}

/** By how much a day's doses together pass what may rise of a parameter that none of them aims at; 1 where they don't. */
function excess(
	parts: readonly Part[],
	given: PlanGiven
): { readonly factor: number; readonly of: ReadonlyMap<Goal, RaisedParameter> } {
	let factor = 1;
	const of = new Map<Goal, RaisedParameter>();
	for (const parameter of RAISED) {
		const limit = given.limits[parameter];
		if (limit === null || limit === undefined) continue;
		const bringing = parts.filter(
			(p) =>
				p.goal.parameter !== parameter &&
				riseIn(effectOf(p.goal.supplement, p.amountPerDay, given.water.volumeL.value), parameter) > 0
		);
		if (bringing.length === 0) continue;
		const own = parts.filter((p) => p.goal.parameter === parameter);
		const side = bringing.reduce(
			(sum, p) =>
				sum + riseIn(effectOf(p.goal.supplement, p.amountPerDay, given.water.volumeL.value), parameter),
			0
		);
		const together = side + own.reduce((sum, p) => sum + p.risePerDay, 0);
		const over = together / planned(limit, given.water, bringing[0]!.goal.supplement);
		if (over > 1 + 1e-6) {
			factor = Math.max(factor, over);
			for (const p of [...bringing, ...own]) of.set(p.goal, parameter);
		}
	}
	return { factor, of };
}

function courseOf(goal: Goal, doses: readonly PlannedDose[], given: PlanGiven, days: number): CoursePoint[] {
	const relativeU = doseRelativeU(given.water, goal.supplement);
	const suppliers = new Map(given.goals.map((g) => [g.supplementId, g.supplement]));
	const points: CoursePoint[] = [];
	let added = 0;
	for (let day = 0; day <= days + AFTER_DAYS; day++) {
		points.push({
			day,
			value: goal.from.value + added,
			u: Math.hypot(goal.from.u, added * relativeU, goal.drift.u * day)
		});
		for (const dose of doses.filter((d) => d.day === day)) {
			const supplement = suppliers.get(dose.supplementId)!;
			added += riseIn(effectOf(supplement, dose.amount, given.water.volumeL.value), goal.parameter);
		}
	}
	return points;
}

/** A product that is weaker by so much should be told by the tests of a plan. */
const TELLS_SHARE = 0.25;
const TELLS_Z = 3;
const MOST_REPEATS = 3;

function repeatsFor(parts: readonly Part[]): number {
	const needed = parts.map(({ goal, days, risePerDay }) =>
		Math.ceil((goal.readingU / ((TELLS_SHARE * days * risePerDay) / TELLS_Z)) ** 2)
	);
	return Math.min(MOST_REPEATS, Math.max(1, ...needed));
}

function testsFor(parts: readonly Part[], days: number, second: readonly ParameterId[]): PlannedTest[] {
	const parameters = [...new Set(parts.map((p) => p.goal.parameter))];
	const repeats = repeatsFor(parts);
	const tests: PlannedTest[] = [];
	if (second.length > 0) tests.push({ day: 0, parameters: second, repeats: 1, why: 'before' });
	if (parameters.length === 0) return tests;
	if (days >= 3) tests.push({ day: Math.ceil(days / 2), parameters, repeats, why: 'midway' });
	tests.push({ day: days, parameters, repeats, why: 'end' });
	return tests;
}

/** Drift that is seen is taken out of the daily dose; a rise too, where a dose can be lessened. */
function retunesFor(parts: readonly Part[], given: PlanGiven): Retune[] {
	return parts.flatMap(({ goal }) => {
		const { drift, parameter, supplement, supplementId } = goal;
		if (Math.abs(drift.value) <= drift.u) return [];
		const amount = amountFor(supplement, parameter, Math.abs(drift.value), given.water.volumeL.value);
		return [
			{
				parameter,
				risePerDay: -drift.value,
				supplementId,
				amountPerDay: drift.value < 0 ? amount : -amount,
				unit: unitOf(supplement)
			}
		];
	});
}

/** The whole of what a plan adds, and the largest that it adds at one time. */
export function addedBy(
	doses: readonly PlannedDose[],
	goals: readonly Goal[],
	volumeL: number
): { readonly whole: DoseEffect; readonly portion: DoseEffect } {
	const suppliers = new Map(goals.map((g) => [g.supplementId, g.supplement]));
	const effect = (dose: PlannedDose, parts = 1) =>
		effectOf(suppliers.get(dose.supplementId)!, dose.amount / parts, volumeL);
	const whole = sumOfEffects(doses.map((d) => [effect(d), 1]));
	const portion = doses.reduce((largest, d) => {
		const one = effect(d, d.portions);
		const size = (e: DoseEffect) => e.alkalinityDkh + (e.ions.Ca ?? 0) / 1000;
		return size(one) > size(largest) ? one : largest;
	}, NO_EFFECT);
	return { whole, portion };
}

/**
 * Doses day by day that bring a water to its aims: none beyond what a day may change, none larger at one time than pH
 * and saturation bear, with the tests that tell whether it works. Planned a little below the limit, by how well volume
 * and strength are known, so that the water itself stays within it.
 */
export function planDoses(given: PlanGiven): DosePlan {
	const leastDays = new Map<Goal, number>();
	const refused = new Map<Goal, GoalRefusal>();
	const tried = () => given.goals.filter((g) => !refused.has(g));
	let parts = partsFor(given, leastDays);
	let stretched = false;
	for (let round = 0; round < 8; round++) {
		const { factor, of } = excess(parts.filter(isPart), given);
		if (of.size === 0) break;
		stretched = true;
		for (const part of parts.filter(isPart)) {
			const along = of.get(part.goal);
			if (along === undefined) continue;
			const days = Math.max(part.days + 1, Math.ceil(part.days * factor));
			if (days <= MOST_DAYS) leastDays.set(part.goal, days);
			else if (along !== part.goal.parameter) {
				refused.set(part.goal, { kind: 'brings-too-much', parameter: part.goal.parameter, of: along });
			}
		}
		parts = partsFor({ ...given, goals: tried() }, leastDays);
	}
	const done = parts.filter(isPart);
	const doses = done
		.flatMap((part): PlannedDose[] =>
			Array.from({ length: part.days }, (_, day) => ({
				day,
				parameter: part.goal.parameter,
				supplementId: part.goal.supplementId,
				amount: part.amountPerDay,
				unit: unitOf(part.goal.supplement),
				portions: part.portions,
				rise: part.risePerDay
			}))
		)
		.sort((a, b) => a.day - b.day);
	const days = Math.max(0, ...done.map((p) => p.days));
	const beyondOneDay = (p: Part) => {
		const limit = given.limits[p.goal.parameter];
		return limit !== null && limit !== undefined && p.goal.aim - p.goal.from.value > limit;
	};
	const second = done
		.filter((p) => beyondOneDay(p) || given.surprising.includes(p.goal.parameter))
		.map((p) => p.goal.parameter);
	const { whole, portion } = addedBy(doses, given.goals, given.water.volumeL.value);
	const remarks: PlanRemark[] = [];
	if (second.length > 0) remarks.push('second-reading');
	if (days > LONG_DAYS) remarks.push('long');
	if (stretched) remarks.push('stretched');
	if (done.some((p) => p.portions > 1)) remarks.push('many-portions');
	if (done.some((p) => p.goal.aim - p.goal.from.value < 2 * p.goal.from.u)) remarks.push('cannot-tell');
	return {
		doses,
		days,
		courses: done.map((p) => ({
			parameter: p.goal.parameter,
			points: courseOf(p.goal, doses, given, days)
		})),
		tests: testsFor(done, days, second),
		retunes: retunesFor(done, given),
		refusals: [...parts.filter((p): p is GoalRefusal => !isPart(p)), ...refused.values()],
		remarks,
		moves: beforeAndAfter(
			given.water,
			whole,
			portion,
			Math.max(0, ...done.map((p) => doseRelativeU(given.water, p.goal.supplement)))
		)
	};
}
