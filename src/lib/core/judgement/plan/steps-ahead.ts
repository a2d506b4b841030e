import type { PlanStep } from '../../correction/index.ts';
import { addDays, civilDate } from '../../time/index.ts';
import type { JudgedWater } from '../water/index.ts';
import { runningPlans } from './running-plans.ts';

/** Something that a correction asks for on a day. Whoever shows it finds the words: what is kept has no reader yet. */
export interface StepAhead {
	readonly day: string;
	readonly step: PlanStep;
	/** The correction waits for something. */
	readonly held: boolean;
}

/** What the corrections of a water still ask for, today and later. Its tests stand among the others. */
export function stepsAhead(judged: JudgedWater): readonly StepAhead[] {
	const { now, timeZone } = judged;
	const today = civilDate(now, timeZone);
	return runningPlans(judged).flatMap((plan) =>
		plan.steps.flatMap((step) => {
			const day = civilDate(addDays(plan.startsAt, step.day), timeZone);
			if (step.state !== 'open' || step.what.kind === 'test' || day < today) return [];
			return [{ day, step, held: Boolean(plan.held) }];
		})
	);
}
