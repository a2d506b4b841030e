import type { PlanLine, PlanPreview, PlanRequest, SeenPlan } from '$lib/contract/adjust';
import type { Result } from '$lib/core/result';
import { notesOfPlan, notesOfWater, ownLimits, planById, plansOf } from '../repository/correction.ts';
import type { SiteScope } from '../repository/scope.ts';
import type { Water } from '../repository/water.ts';
import { readBatches } from './batches.ts';
import type { Deps } from './deps.ts';
import { judgeWater, type JudgedWater } from './judge-water.ts';
import { makePlan } from './make-plan.ts';
import type { PlanBase } from './plan-base.ts';
import { planLine, seenPlan } from './seen-plan.ts';
import { namedSupplements } from './supplements.ts';

/** What a plan for a water stands on. */
export async function planBase(
	deps: Deps,
	scope: SiteScope,
	judged: JudgedWater,
	response = 1
): Promise<PlanBase> {
	const [supplements, limits, batches] = await Promise.all([
		namedSupplements(deps.db, scope),
		ownLimits(deps.db, scope, judged.water.id),
		readBatches(deps, scope)
	]);
	return { judged, supplements, limits, batches, response };
}

/** What a plan would be, before anybody begins it. */
export async function previewPlan(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	request: PlanRequest
): Promise<Result<PlanPreview>> {
	const judged = await judgeWater(deps, scope, water);
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
		judgeWater(deps, scope, water)
	]);
	return seenPlan(stored, notes, judged, true);
}

async function seenPlans(deps: Deps, scope: SiteScope, judged: JudgedWater): Promise<SeenPlan[]> {
	const [plans, notes] = await Promise.all([
		plansOf(deps.db, scope, judged.water.id),
		notesOfWater(deps.db, scope, judged.water.id)
	]);
	return plans.map((plan) =>
		seenPlan(
			plan,
			notes.filter((n) => n.planId === plan.id),
			judged,
			false
		)
	);
}

/** Every plan of a judged water in a line, newest first. */
export async function planLines(deps: Deps, scope: SiteScope, judged: JudgedWater): Promise<PlanLine[]> {
	return (await seenPlans(deps, scope, judged)).map((seen) => planLine(seen, judged));
}

/** The plans of a judged water that run, whole. */
export async function runningPlans(deps: Deps, scope: SiteScope, judged: JudgedWater): Promise<SeenPlan[]> {
	return (await seenPlans(deps, scope, judged)).filter((p) => p.state === 'running');
}
