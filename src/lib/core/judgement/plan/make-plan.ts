import type { PlanRequest } from '../../correction/index.ts';
import { firstImpossible, POSSIBLE_IN_WATER } from '../../quantity/index.ts';
import type { Fault, Result } from '../../result/index.ts';
import type { PlanBase } from './plan-base.ts';
import { changesPlan } from './plan-of-changes.ts';
import { dosesPlan } from './plan-of-doses.ts';
import { husbandryPlan } from './plan-of-husbandry.ts';
import { salinityPlan } from './plan-of-salinity.ts';
import type { PlanPreview } from './plan-types.ts';

/** The first aim that no water can have. */
function impossibleAim(request: PlanRequest): Fault | null {
	if (request.kind !== 'doses') return null;
	return firstImpossible(
		request.goals.map(
			({ parameter, aim }) => [POSSIBLE_IN_WATER[parameter], aim, `aim.${parameter}`] as const
		)
	);
}

/** What a plan would be, from where the water stands now. */
export function makePlan(base: PlanBase, request: PlanRequest): Result<PlanPreview> {
	const fault = impossibleAim(request);
	if (fault) return { ok: false, fault };
	switch (request.kind) {
		case 'doses':
			return dosesPlan(base, request);
		case 'salinity':
			return salinityPlan(base, request);
		case 'changes':
			return changesPlan(base, request);
		case 'husbandry':
			return husbandryPlan(base.judged, request);
	}
}
