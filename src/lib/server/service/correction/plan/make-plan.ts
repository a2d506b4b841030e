import type { PlanPreview, PlanRequest } from '$lib/contract/adjust';
import { firstImpossible, POSSIBLE_IN_WATER } from '$lib/core/quantity';
import type { Fault, Result } from '$lib/core/result';
import type { PlanBase } from './plan-base.ts';
import { changesPlan } from './plan-of-changes.ts';
import { dosesPlan } from './plan-of-doses.ts';
import { husbandryPlan } from './plan-of-husbandry.ts';
import { salinityPlan } from './plan-of-salinity.ts';

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
