import type { ParameterId } from '../quantity/index.ts';
import { doseRelativeU, type Part } from './plan-part.ts';
import type { CoursePoint, Goal, PlanGiven, PlannedDose, PlannedTest, Retune } from './plan-types.ts';
import { amountFor, effectOf, riseIn, unitOf } from './supplement.ts';

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

export function testsFor(
	parts: readonly Part[],
	days: number,
	second: readonly ParameterId[]
): PlannedTest[] {
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
export function retunesFor(parts: readonly Part[], given: PlanGiven): Retune[] {
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
