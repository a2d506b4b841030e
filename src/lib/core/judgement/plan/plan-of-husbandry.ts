import {
	HUSBANDRY,
	type KeptPlan,
	type PlanGoal,
	type PlanRequest,
	type PlanStep
} from '../../correction/index.ts';
import { ok, type Result } from '../../result/index.ts';
import { isLine } from '../../trend/index.ts';
import { standardUncertaintyOf } from '../../uncertainty/index.ts';
import type { JudgedWater } from '../water/index.ts';
import { inOrder, NO_REFUSALS } from './plan-base.ts';
import type { PlanPreview } from './plan-types.ts';

/** Remedies at once and regular tests, to see whether they work. */
export function husbandryPlan(
	judged: JudgedWater,
	request: Extract<PlanRequest, { kind: 'husbandry' }>
): Result<PlanPreview> {
	const { remedies, tests, testEveryDays, overDays } = HUSBANDRY[request.id];
	const steps: PlanStep[] = remedies.map((remedy) => ({
		id: `0-remedy-${remedy}`,
		day: 0,
		what: { kind: 'remedy', remedy }
	}));
	for (let day = testEveryDays; day <= overDays; day += testEveryDays) {
		steps.push({
			id: `${day}-test-regular`,
			day,
			what: { kind: 'test', parameters: tests, repeats: 1, why: 'regular' }
		});
	}
	const plan: KeptPlan = {
		request,
		volumeL: null,
		days: overDays,
		goals: tests.flatMap((parameter) => {
			const line = judged.estimates.of(parameter);
			if (!isLine(parameter, line)) return [];
			const { value, uRandom, uCommon } = line.at(judged.now);
			const aim = judged.rows.find((r) => r.parameter === parameter)?.band?.aim ?? value;
			const goal: PlanGoal = {
				parameter,
				from: { value, u: standardUncertaintyOf({ uRandom, uCommon }) },
				fromU: uRandom,
				aim,
				drift: line.netChangePerDay,
				limitPerDay: null
			};
			return [goal];
		}),
		supplements: [],
		steps: inOrder(steps),
		courses: [],
		moves: null,
		remarks: []
	};
	return ok({ plan, ...NO_REFUSALS });
}
