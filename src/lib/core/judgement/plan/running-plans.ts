import {
	effectOf,
	RAISED,
	riseIn,
	sumOfEffects,
	type DoseEffect,
	type RisePerDay
} from '../../correction/index.ts';
import type { JudgedWater } from '../water/index.ts';
import type { PlanLine, SeenPlan } from './plan-types.ts';
import { planLine, seenPlan } from './seen-plan.ts';

/** The most that plans still add of each parameter on one of their days to come. */
export function stillAdded(plans: readonly SeenPlan[]): RisePerDay {
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
