import { describe, expect, it } from 'vitest';
import { CHANGEOVER_S, faultsOfPlan, planTestOf, usualEquipment, type PlanProblem } from '$lib/core/bench';
import { methodByCode, stepsFor } from '$lib/core/method';
import type { PlanMessage } from './plan.protocol';
import { runPlan } from './run-plan';

function problem(...codes: string[]): PlanProblem {
	const tests = codes.map((code) => {
		const method = methodByCode(code)!;
		return planTestOf(code, method, stepsFor(method, 'full'));
	});
	return { tests, equipment: usualEquipment(tests), changeoverS: CHANGEOVER_S, wishes: [], at: null };
}

describe('the search away from the page', () => {
	it('tells better orders on the way, not too often, and ends with the best', () => {
		const of = problem('alk-syringe', 'ca-syringe', 'no3-ladder', 'k-filter');
		const messages: { at: number; message: PlanMessage }[] = [];
		let elapsed = 0;
		runPlan(
			{ problem: of, ms: 800, seed: 4 },
			() => (elapsed += 0.1),
			(message) => {
				messages.push({ at: elapsed, message });
			}
		);
		const last = messages.at(-1)!.message;
		if (last.kind !== 'done') throw new Error(last.kind);
		expect(faultsOfPlan(of, last.outcome.plan!.placed)).toEqual([]);
		const told = messages.filter((m) => m.message.kind === 'better');
		told.slice(1).forEach((m, i) => expect(m.at - told[i]!.at).toBeGreaterThanOrEqual(120));
		for (const { message } of told) {
			if (message.kind === 'better') {
				expect(last.outcome.plan!.makespanS).toBeLessThanOrEqual(message.plan.makespanS);
			}
		}
	});
	it('names the wish that cannot be kept', () => {
		const of = problem('no3-card');
		const pin = { kind: 'pin', step: 'no3-card/8-read', atS: 10 } as const;
		const done: PlanMessage[] = [];
		let elapsed = 0;
		runPlan(
			{ problem: { ...of, wishes: [pin] }, ms: 300, seed: 1 },
			() => (elapsed += 0.1),
			(m) => done.push(m)
		);
		expect(done.at(-1)).toMatchObject({ kind: 'done', outcome: { brokenWishes: [pin] } });
	});
});
