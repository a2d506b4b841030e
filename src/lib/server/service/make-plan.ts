import type { PlanPreview, PlanRequest } from '$lib/contract/adjust';
import type { Result } from '$lib/core/result';
import type { PlanBase } from './plan-base.ts';
import { changesPlan } from './plan-of-changes.ts';
import { dosesPlan } from './plan-of-doses.ts';
import { husbandryPlan } from './plan-of-husbandry.ts';
import { salinityPlan } from './plan-of-salinity.ts';

/** What a plan would be, from where the water stands now. */
export function makePlan(base: PlanBase, request: PlanRequest): Result<PlanPreview> {
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
