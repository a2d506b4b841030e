import type { PlanRequest } from '$lib/contract/adjust';
import {
	makePlan,
	runningPlans,
	seenPlan,
	stillAdded,
	type PlanBase,
	type PlanPreview,
	type SeenPlan
} from '$lib/core/judgement/plan';
import type { JudgedWater } from '$lib/core/judgement/water';
import type { Result } from '$lib/core/result';
import { notesOfPlan, ownLimits, planById } from '../../../repository/correction.ts';
import type { SiteScope } from '../../../repository/scope.ts';
import type { Water } from '../../../repository/water.ts';
import type { Deps } from '../../deps.ts';
import { judgedWater } from '../../judgement/judged-water.ts';
import { readBatches } from '../batches.ts';
import { namedSupplements } from '../supplements.ts';

/** What a plan for a water stands on. @param replaces a plan whose rest is planned anew, which adds nothing besides */
export async function planBase(
	deps: Deps,
	scope: SiteScope,
	judged: JudgedWater,
	{
		response = 1,
		replaces = null,
		fromTomorrow = false
	}: {
		readonly response?: number;
		readonly replaces?: string | null;
		readonly fromTomorrow?: boolean;
	} = {}
): Promise<PlanBase> {
	const [supplements, limits, batches] = await Promise.all([
		namedSupplements(deps.db, scope),
		ownLimits(deps.db, scope, judged.water.id),
		readBatches(deps, scope)
	]);
	const others = runningPlans(judged).filter((p) => p.id !== replaces);
	return { judged, supplements, limits, batches, response, fromTomorrow, besides: stillAdded(others) };
}

/** What a plan would be, before anybody begins it. */
export async function previewPlan(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	request: PlanRequest
): Promise<Result<PlanPreview>> {
	const judged = await judgedWater(deps, scope, water);
	return makePlan(await planBase(deps, scope, judged), request);
}

/** One plan of a water with all that became of it; null where there is none such. */
export async function readPlan(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	planId: string
): Promise<SeenPlan | null> {
	const stored = await planById(deps.db, scope, planId);
	if (!stored || stored.waterId !== water.id) return null;
	const [notes, judged] = await Promise.all([
		notesOfPlan(deps.db, scope, planId),
		judgedWater(deps, scope, water)
	]);
	return seenPlan(stored, notes, judged, true);
}
