import { CONVENTIONS } from '../../caution/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { amountFor, effectOf, riseIn, unitOf } from '../dose/supplement.ts';
import { isSeen } from '../follow/strange-move.ts';
import { doseRelativeU, raisedDaily, type Part } from './plan-part.ts';
import type { CoursePoint, Goal, PlanGiven, PlannedDose, PlannedTest, Retune } from './plan-types.ts';

/** Days of the curve after the last dose. */
const AFTER_DAYS = 4;

/** How a level should run while its plan is carried out. */
export function courseOf(
	goal: Goal,
	doses: readonly PlannedDose[],
	given: PlanGiven,
	days: number
): CoursePoint[] {
	const relativeU = doseRelativeU(given.water, goal.supplement);
	const suppliers = new Map(given.goals.map((g) => [g.supplementId, g.supplement]));
	const points: CoursePoint[] = [];
	let added = 0;
	// Of a fall that is seen, what the daily dose is not raised by goes on.
	const left = goal.drift.value < 0 && isSeen(goal.drift) ? goal.drift.value + raisedDaily(goal, given) : 0;
	for (let day = 0; day <= days + AFTER_DAYS; day++) {
		points.push({
			day,
			value: goal.from.value + added + left * day,
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

export function testsFor(
	parts: readonly Part[],
	days: number,
	second: readonly ParameterId[],
	retuned: boolean
): PlannedTest[] {
	const parameters = [...new Set(parts.map((p) => p.goal.parameter))];
	const repeats = repeatsFor(parts);
	const tests: PlannedTest[] = [];
	if (second.length > 0) tests.push({ day: 0, parameters: second, repeats: 1, why: 'before' });
	if (parameters.length === 0) return tests;
	// A daily dose that was set anew shows within two days whether that was right.
	const midway = new Set([
		...(days >= 3 ? [Math.ceil(days / 2)] : []),
		...(retuned && days > CONVENTIONS.retestDays.value ? [CONVENTIONS.retestDays.value] : [])
	]);
	for (const day of [...midway].sort((a, b) => a - b))
		tests.push({ day, parameters, repeats, why: 'midway' });
	tests.push({ day: days, parameters, repeats, why: 'end' });
	return tests;
}

/**
 * Drift that is seen beyond its uncertainty is taken out of the daily dose; a rise too, where a dose can be lessened.
 * Never by more than a day may change, with the plan's own doses: a step in the wrong direction has to be seen in time.
 */
export function retunesFor(parts: readonly Part[], given: PlanGiven): Retune[] {
	return parts.flatMap(({ goal }) => {
		const { drift, parameter, supplement, supplementId } = goal;
		if (!isSeen(drift)) return [];
		const limit = given.limits[parameter] ?? null;
		const lowered = limit === null ? drift.value : Math.min(drift.value, limit / 2);
		const risePerDay = drift.value < 0 ? raisedDaily(goal, given) : -lowered;
		const amount = amountFor(supplement, parameter, Math.abs(risePerDay), given.water.volumeL.value);
		const unit = unitOf(supplement);
		return [{ parameter, risePerDay, supplementId, amountPerDay: Math.sign(risePerDay) * amount, unit }];
	});
}
