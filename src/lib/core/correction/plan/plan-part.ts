import { CONVENTIONS } from '../../caution/index.ts';
import { overDays } from '../dose/dose.ts';
import { largestPortion, type Portion } from '../dose/portion.ts';
import { amountFor, effectOf, relativeUOf, riseIn, unitOf, type Supplement } from '../dose/supplement.ts';
import { answersOtherwise } from '../follow/answer.ts';
import { isSeen, strangeMove } from '../follow/strange-move.ts';
import type { WaterNow } from '../water-state.ts';
import { BACTERIA_BEAR } from './limits.ts';
import type { Goal, GoalRefusal, PlanGiven } from './plan-types.ts';

/** One-sided 99 %: so that a volume or strength that is somewhat off does not carry the water past the limit. */
const MARGIN_Z = 2.33;
/** What comes back by itself within so many days is left to. */
const PATIENCE_DAYS = CONVENTIONS.patienceDays.value;
/** By hand, in a day. */
const MOST_PORTIONS = CONVENTIONS.mostPortions.value;
export const MOST_DAYS = CONVENTIONS.mostDays.value;

/** What a plan may add in a day so that the limit holds in the water itself, whose volume and dose are known this well. */
export function planned(limit: number, water: WaterNow, supplement: Supplement): number {
	return limit / (1 + MARGIN_Z * doseRelativeU(water, supplement));
}

/** Relative standard uncertainty of what a dose does: volume and strength together. */
export function doseRelativeU(water: WaterNow, supplement: Supplement): number {
	return Math.hypot(water.volumeL.u / water.volumeL.value, relativeUOf(supplement));
}

/** A limit of which less than this is left leaves no room for a dose. */
const LEAST_ROOM = 0.05;

/** So much of what a day may change is left to the doses of the plan, however fast a level falls. */
const LEFT_FOR_DOSES = 0.25;

/** What the daily dose is raised by for a fall that is seen, canonical unit a day. */
export function raisedDaily({ parameter, drift, supplement }: Goal, given: PlanGiven): number {
	if (drift.value >= 0 || !isSeen(drift)) return 0;
	const limit = given.limits[parameter] ?? null;
	if (limit === null) return -drift.value;
	const most = planned(limit, given.water, supplement) - LEFT_FOR_DOSES * limit;
	return Math.max(0, Math.min(-drift.value, most));
}

/**
 * What a plan may add of a parameter in a day, canonical unit: all that is added, by whatever name, stays within the
 * limit together. What rises by itself comes off, what other plans add, what the daily dose is raised by, and how well
 * the drift is known as far as that leaves a quarter.
 */
function roomFor(goal: Goal, given: PlanGiven): number {
	const { parameter, drift, supplement } = goal;
	const limit = given.limits[parameter] ?? null;
	if (limit === null) return Infinity;
	const left =
		planned(limit, given.water, supplement) -
		Math.max(0, drift.value) -
		(given.besides[parameter] ?? 0) -
		raisedDaily(goal, given);
	return Math.min(left, Math.max(LEFT_FOR_DOSES * limit, left - drift.u));
}

/** An amount a day that tells of a volume or a strength typed wrong; null where it may be right. */
export function unlikelyAmount(
	supplement: Supplement,
	perDay: number,
	volumeL: number
): 'much' | 'little' | null {
	const { doseShare, solidPerL, leastMl, leastG } = CONVENTIONS;
	const solid = unitOf(supplement) === 'g';
	if (perDay < (solid ? leastG : leastMl).value) return 'little';
	if (supplement.kind === 'limewater') return null;
	return perDay > (solid ? solidPerL.value * volumeL : doseShare.value * volumeL * 1000) ? 'much' : null;
}

export interface Part {
	readonly goal: Goal;
	readonly days: number;
	readonly amountPerDay: number;
	readonly risePerDay: number;
	readonly portions: number;
}

/** The water when its goals are reached. */
function atAims(water: WaterNow, goals: readonly Goal[]): WaterNow {
	const reached = Object.fromEntries(
		goals.map(({ parameter, from, aim }) => [parameter, { ...from, value: Math.max(from.value, aim) }])
	);
	return { ...water, levels: { ...water.levels, ...reached } };
}

/** What the water bears on every day of a plan: with little buffer pH goes furthest at its start, saturation at its end. */
function portionAllTheWay(
	supplement: Supplement,
	water: WaterNow,
	goals: readonly Goal[],
	wanted: number
): Portion {
	const [first, last] = [water, atAims(water, goals)].map((w) => largestPortion(supplement, w, wanted));
	return (first!.most ?? Infinity) < (last!.most ?? Infinity) ? first! : last!;
}

/** Why a goal is not gone for at all, before any amount is reckoned; null where it may be. */
function refusalOf(
	{ parameter, from, aim, drift }: Goal,
	wanted: number,
	given: PlanGiven
): GoalRefusal | null {
	if (wanted < 0 && aim - from.value < 0) return { kind: 'cannot-lower', parameter };
	// A thousandth of the way is no step of its own.
	if (!(wanted > 1e-3 * (aim - from.value))) return { kind: 'nothing-to-do', parameter };
	const bears = given.water.animals ? undefined : BACTERIA_BEAR[parameter];
	if (bears && aim > bears.high) return { kind: 'beyond-bacteria', parameter, nearest: bears.high };
	const answer = given.answers[parameter];
	if (answer && !given.looked && answersOtherwise(answer) === 'stronger') {
		return { kind: 'answers-otherwise', parameter, response: answer };
	}
	const move = strangeMove(parameter, drift, given.dosed[parameter] ?? 0);
	if (move && !given.looked) return { kind: 'ask-first', parameter, move };
	// What is seen to rise by itself needs no dose, only time.
	if (drift.value > 0 && isSeen(drift) && drift.value * PATIENCE_DAYS >= wanted) {
		return { kind: 'rises-by-itself', parameter, days: wanted / drift.value };
	}
	return null;
}

/** What goes in at one time as far as the water bears it, or that it bears no more. */
function borneBy(goal: Goal, amountPerDay: number, given: PlanGiven): Portion | GoalRefusal {
	const { parameter, from, aim, supplement } = goal;
	const portion = portionAllTheWay(supplement, given.water, given.goals, amountPerDay);
	if (portion.most === null || portion.by === null || portion.most > amountPerDay / 1000) return portion;
	const bare = largestPortion(supplement, given.water, amountPerDay);
	const nearest = bare.most === 0 || from.value >= aim ? from.value : reachable(goal, given);
	return { kind: 'overcharged', parameter, by: portion.by, nearest };
}

function partFor(goal: Goal, brought: number, given: PlanGiven, leastDays: number): Part | GoalRefusal {
	const { parameter, from, aim, supplement } = goal;
	const wanted = aim - from.value - brought;
	const refusal = refusalOf(goal, wanted, given);
	if (refusal) return refusal;
	const limit = given.limits[parameter] ?? null;
	const most = roomFor(goal, given);
	if (limit !== null && most < LEAST_ROOM * limit) {
		return { kind: 'no-room', parameter, by: (given.besides[parameter] ?? 0) > 0 ? 'other-plans' : 'rise' };
	}
	if (leastDays > MOST_DAYS || wanted > MOST_DAYS * most) {
		const nearest = from.value + MOST_DAYS * Math.min(most, wanted / leastDays);
		return { kind: 'too-far', parameter, nearest };
	}
	const volumeL = given.water.volumeL.value;
	const amountOver = (days: number) => amountFor(supplement, parameter, wanted / days, volumeL);
	let days = Math.max(1, leastDays, limit === null ? 1 : overDays(wanted, most).days);
	const perDay = amountOver(days);
	const side = unlikelyAmount(supplement, perDay, volumeL);
	if (side) return { kind: 'unlikely-amount', parameter, perDay, unit: unitOf(supplement), side };
	const portion = borneBy(goal, perDay, given);
	if ('kind' in portion) return portion;
	if (portion.most !== null && portion.by !== null) {
		const stretched = Math.ceil((days * perDay) / (MOST_PORTIONS * portion.most));
		if (stretched > days && stretched <= MOST_DAYS) days = stretched;
	}
	const amountPerDay = amountOver(days);
	const portions =
		portion.most === null ? 1 : Math.max(1, Math.min(MOST_PORTIONS, Math.ceil(amountPerDay / portion.most)));
	return { goal, days, amountPerDay, risePerDay: wanted / days, portions };
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

export const isPart = (part: Part | GoalRefusal): part is Part => 'goal' in part;

/** All goals together; what one dose brings of another's parameter is taken off that. */
export function partsFor(given: PlanGiven, leastDays: ReadonlyMap<Goal, number>): (Part | GoalRefusal)[] {
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
