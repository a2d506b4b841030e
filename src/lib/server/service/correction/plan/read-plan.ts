import type { PlanLine, PlanPreview, PlanRequest, SeenPlan } from '$lib/contract/adjust';
import {
	effectOf,
	RAISED,
	riseIn,
	sumOfEffects,
	type DoseEffect,
	type RisePerDay
} from '$lib/core/correction';
import type { JudgedWater } from '$lib/core/judgement/water';
import type { Result } from '$lib/core/result';
import { notesOfPlan, ownLimits, planById } from '../../../repository/correction.ts';
import type { SiteScope } from '../../../repository/scope.ts';
import type { Water } from '../../../repository/water.ts';
import type { Deps } from '../../deps.ts';
import { judgedWater } from '../../judgement/judged-water.ts';
import { readBatches } from '../batches.ts';
import { namedSupplements } from '../supplements.ts';
import { makePlan } from './make-plan.ts';
import type { PlanBase } from './plan-base.ts';
import { planLine, seenPlan } from './seen-plan.ts';

/** The most that plans still add of each parameter on one of their days to come. */
function stillAdded(plans: readonly SeenPlan[]): RisePerDay {
	const perDay = new Map<string, DoseEffect[]>();
	for (const { steps, plan } of plans) {
		for (const { what, state, at } of steps) {
			if (what.kind !== 'dose' || state !== 'open') continue;
			const supplement = plan.supplements.find((s) => s.id === what.supplementId)?.what;
			if (!supplement || !plan.volumeL) continue;
			const day = String(Math.floor(at / 86_400_000));
			const effect = effectOf(supplement, what.amount, plan.volumeL.value);
			perDay.set(day, [...(perDay.get(day) ?? []), effect]);
		}
	}
	const days = [...perDay.values()].map((effects) => sumOfEffects(effects.map((e) => [e, 1])));
	return Object.fromEntries(
		RAISED.flatMap((p) => {
			const most = Math.max(0, ...days.map((effect) => riseIn(effect, p)));
			return most > 0 ? [[p, most]] : [];
		})
	);
}

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

/** Several parts of a page ask for them, of one judgement. */
const seenOf = new WeakMap<JudgedWater, readonly SeenPlan[]>();

function seenPlans(judged: JudgedWater): readonly SeenPlan[] {
	const known =
		seenOf.get(judged) ?? judged.plans.map(({ stored, notes }) => seenPlan(stored, notes, judged, false));
	seenOf.set(judged, known);
	return known;
}

/** Every plan of a judged water in a line, newest first. */
export function planLines(judged: JudgedWater): PlanLine[] {
	return seenPlans(judged).map((seen) => planLine(seen, judged));
}

/** The plans of a judged water that run, whole. */
export function runningPlans(judged: JudgedWater): SeenPlan[] {
	return seenPlans(judged).filter((p) => p.state === 'running');
}
