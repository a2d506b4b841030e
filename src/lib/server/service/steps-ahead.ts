import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { addDays, civilDate } from '$lib/core/time';
import { HELD, stepWords } from '$lib/format/adjust';
import type { JudgedWater } from './judge-water.ts';
import { runningPlans } from './read-plan.ts';

/** Something that a correction asks for on a day, in words. */
export interface StepAhead {
	readonly day: string;
	readonly words: string;
}

/** What the corrections of a water still ask for, today and later. Its tests stand among the others. */
export function stepsAhead(judged: JudgedWater): readonly StepAhead[] {
	const { now, timeZone } = judged;
	const units = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].canonicalUnit])) as Readonly<
		Record<ParameterId, UnitId>
	>;
	const today = civilDate(now, timeZone);
	return runningPlans(judged).flatMap((plan) => {
		const wait = plan.held ? `${HELD} ` : '';
		return plan.steps.flatMap((step) => {
			const day = civilDate(addDays(plan.startsAt, step.day), timeZone);
			if (step.state !== 'open' || step.what.kind === 'test' || day < today) return [];
			return [{ day, words: wait + stepWords(step, units) }];
		});
	});
}
