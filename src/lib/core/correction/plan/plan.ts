import { CONVENTIONS } from '../../caution/index.ts';
import { beforeAndAfter } from './before-after.ts';
import { NO_EFFECT, sumOfEffects, type DoseEffect } from '../dose/dose.ts';
import { courseOf, retunesFor, testsFor } from './plan-course.ts';
import { excess } from './plan-excess.ts';
import { doseRelativeU, isPart, MOST_DAYS, partsFor, planned, raisedDaily, type Part } from './plan-part.ts';
import type { DosePlan, Goal, GoalRefusal, PlanGiven, PlannedDose, PlanRemark } from './plan-types.ts';
import { isSeen } from '../follow/strange-move.ts';
import { effectOf, unitOf } from '../dose/supplement.ts';

/** Days from which a plan is called long (convention). */
const LONG_DAYS = CONVENTIONS.longDays.value;

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
	// Where the day's change was given already, the first dose is tomorrow's.
	const waits = done.some((p) => {
		const limit = given.limits[p.goal.parameter] ?? null;
		const given24h = given.givenToday[p.goal.parameter] ?? 0;
		return (
			limit !== null &&
			given24h > 0 &&
			given24h + p.risePerDay > planned(limit, given.water, p.goal.supplement)
		);
	});
	const doses = done
		.flatMap((part): PlannedDose[] =>
			Array.from({ length: part.days }, (_, i) => ({
				day: waits ? i + 1 : i,
				parameter: part.goal.parameter,
				supplementId: part.goal.supplementId,
				amount: part.amountPerDay,
				unit: unitOf(part.goal.supplement),
				portions: part.portions,
				rise: part.risePerDay
			}))
		)
		.sort((a, b) => a.day - b.day);
	const days = Math.max(0, ...done.map((p) => p.days)) + (waits ? 1 : 0);
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
	const retunes = retunesFor(done, given);
	const caughtUp = (p: Part) =>
		p.goal.drift.value >= 0 ||
		!isSeen(p.goal.drift) ||
		raisedDaily(p.goal, given) >= -0.95 * p.goal.drift.value;
	if (!done.every(caughtUp)) remarks.push('not-caught-up');
	if (waits) remarks.push('from-tomorrow');
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
		tests: testsFor(done, days, second, retunes.length > 0),
		retunes,
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
