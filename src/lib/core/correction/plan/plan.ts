import { CONVENTIONS } from '../../caution/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { NO_EFFECT, sumOfEffects, type DoseEffect } from '../dose/dose.ts';
import { effectOf, unitOf } from '../dose/supplement.ts';
import { isSeen } from '../follow/strange-move.ts';
import { beforeAndAfter } from './before-after.ts';
import { courseOf, retunesFor, testsFor } from './plan-course.ts';
import { excess } from './plan-excess.ts';
import { doseRelativeU, isPart, MOST_DAYS, partsFor, planned, raisedDaily, type Part } from './plan-part.ts';
import type { DosePlan, Goal, GoalRefusal, PlanGiven, PlannedDose, PlanRemark } from './plan-types.ts';

/** Days from which a plan is called long (convention). */
const LONG_DAYS = CONVENTIONS.longDays.value;
/** Lengthening one part may bring another beyond its limit; so often it is looked again. */
const MOST_ROUNDS = 8;

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

interface Fitted {
	readonly done: readonly Part[];
	readonly refusals: readonly GoalRefusal[];
	/** Something took longer so that what comes along stays within its own limit. */
	readonly stretched: boolean;
}

/** The parts of a plan, longer where together they would bring too much of something. */
function fittedParts(given: PlanGiven): Fitted {
	const leastDays = new Map<Goal, number>();
	const refused = new Map<Goal, GoalRefusal>();
	let parts = partsFor(given, leastDays);
	let stretched = false;
	for (let round = 0; round < MOST_ROUNDS; round++) {
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
		parts = partsFor({ ...given, goals: given.goals.filter((g) => !refused.has(g)) }, leastDays);
	}
	return {
		done: parts.filter(isPart),
		refusals: [...parts.filter((p): p is GoalRefusal => !isPart(p)), ...refused.values()],
		stretched
	};
}

/** Where the day's change was given already, the first dose is tomorrow's. */
function waitsTillTomorrow(done: readonly Part[], given: PlanGiven): boolean {
	return done.some(({ goal, risePerDay }) => {
		const limit = given.limits[goal.parameter] ?? null;
		const today = given.givenToday[goal.parameter] ?? 0;
		return limit !== null && today > 0 && today + risePerDay > planned(limit, given.water, goal.supplement);
	});
}

function dosesOf(done: readonly Part[], firstDay: number): PlannedDose[] {
	return done
		.flatMap((part) =>
			Array.from({ length: part.days }, (_, i) => ({
				day: firstDay + i,
				parameter: part.goal.parameter,
				supplementId: part.goal.supplementId,
				amount: part.amountPerDay,
				unit: unitOf(part.goal.supplement),
				portions: part.portions,
				rise: part.risePerDay
			}))
		)
		.sort((a, b) => a.day - b.day);
}

/** Parameters that are read once more before anything is added: far off, or otherwise than was expected. */
function readTwice(done: readonly Part[], given: PlanGiven): ParameterId[] {
	return done.flatMap(({ goal: { parameter, aim, from } }) => {
		const limit = given.limits[parameter] ?? null;
		const beyondOneDay = limit !== null && aim - from.value > limit;
		return beyondOneDay || given.surprising.includes(parameter) ? [parameter] : [];
	});
}

/** The daily dose gives back what is used, or nothing is seen to be used. */
function isCaughtUp({ goal }: Part, given: PlanGiven): boolean {
	const { drift } = goal;
	return drift.value >= 0 || !isSeen(drift) || raisedDaily(goal, given) >= -0.95 * drift.value;
}

function remarksOn({ done, stretched }: Fitted, given: PlanGiven, days: number): PlanRemark[] {
	const said: readonly (readonly [PlanRemark, boolean])[] = [
		['second-reading', readTwice(done, given).length > 0],
		['not-caught-up', !done.every((p) => isCaughtUp(p, given))],
		['from-tomorrow', waitsTillTomorrow(done, given)],
		['long', days > LONG_DAYS],
		['stretched', stretched],
		['many-portions', done.some((p) => p.portions > 1)],
		['cannot-tell', done.some(({ goal }) => goal.aim - goal.from.value < 2 * goal.from.u)]
	];
	return said.flatMap(([remark, holds]) => (holds ? [remark] : []));
}

/**
 * Doses day by day that bring a water to its aims: none beyond what a day may change, none larger at one time than pH
 * and saturation bear, with the tests that tell whether it works. Planned a little below the limit, by how well volume
 * and strength are known, so that the water itself stays within it.
 */
export function planDoses(given: PlanGiven): DosePlan {
	const fitted = fittedParts(given);
	const { done, refusals } = fitted;
	const firstDay = waitsTillTomorrow(done, given) ? 1 : 0;
	const doses = dosesOf(done, firstDay);
	const days = Math.max(0, ...done.map((p) => p.days)) + firstDay;
	const { whole, portion } = addedBy(doses, given.goals, given.water.volumeL.value);
	const retunes = retunesFor(done, given);
	const worstU = Math.max(0, ...done.map((p) => doseRelativeU(given.water, p.goal.supplement)));
	return {
		doses,
		days,
		courses: done.map(({ goal }) => ({
			parameter: goal.parameter,
			points: courseOf(goal, doses, given, days)
		})),
		tests: testsFor(done, days, readTwice(done, given), retunes.length > 0),
		retunes,
		refusals,
		remarks: remarksOn(fitted, given, days),
		moves: beforeAndAfter(given.water, whole, portion, worstU)
	};
}
