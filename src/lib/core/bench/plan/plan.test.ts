import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestByTryingAll } from '../../../../../tests/support/exhaustive.ts';
import { madeUpSession, type SessionShape } from '../../../../../tests/support/random-session.ts';
import { methodByCode, stepsFor } from '../../method/index.ts';
import { seededRandom } from '../../numeric/index.ts';
import {
	CHANGEOVER_S,
	faultsOfPlan,
	layOut,
	layOutOrSay,
	planOfOrder,
	planTestOf,
	sequentialPlan,
	usualEquipment,
	type PlanBudget,
	type PlanProblem,
	type PlanStep,
	type PlanTest
} from '../index.ts';

/** A budget of so many looks instead of so much time: the same on every machine. */
function looks(most: number, seed = 1): PlanBudget {
	let spent = 0;
	return { random: seededRandom(seed), spent: () => ++spent / most };
}
function shipped(...codes: string[]): PlanProblem {
	const tests = codes.map((code) => {
		const method = methodByCode(code)!;
		return planTestOf(code, method, stepsFor(method, 'full'));
	});
	return { tests, equipment: usualEquipment(tests), changeoverS: CHANGEOVER_S, wishes: [], at: null };
}
const shape: fc.Arbitrary<SessionShape> = fc.record({
	tests: fc.integer({ min: 1, max: 6 }),
	steps: fc.integer({ min: 2, max: 8 }),
	gridS: fc.constantFrom(1, 15),
	shortEquipment: fc.boolean()
});
const FIVE = ['alk-syringe', 'ca-syringe', 'mg-syringe', 'no3-ladder', 'k-filter'];
const COLOURS = ['nh3-card', 'no2-card', 'no3-card', 'po4-meter'];

describe('a laid-out session', () => {
	it('is always feasible, and never longer than the tests one after the other', () => {
		fc.assert(
			fc.property(fc.integer(), shape, (seed, given) => {
				const problem = madeUpSession(seededRandom(seed), given);
				const plan = layOut(problem, looks(20, seed))!;
				expect(faultsOfPlan(problem, plan.placed)).toEqual([]);
				const inTurn = sequentialPlan(problem)!;
				expect(faultsOfPlan(problem, inTurn.placed)).toEqual([]);
				expect(plan.makespanS).toBeLessThanOrEqual(inTurn.makespanS + 1e-6);
				expect(plan.makespanS).toBeGreaterThanOrEqual(plan.boundS - 1e-6);
				expect(Math.max(...plan.placed.map((p) => p.endS))).toBeCloseTo(plan.makespanS, 6);
			}),
			{ numRuns: 500, seed: 20261127 }
		);
	});
	it('is as short, with as few hops, as the best of all orders where all can be tried', () => {
		fc.assert(
			fc.property(
				fc.integer(),
				fc.constantFrom([2, 4], [3, 3], [2, 5], [4, 2]),
				fc.boolean(),
				(seed, [tests, steps], shortEquipment) => {
					const problem = madeUpSession(seededRandom(seed), {
						tests: tests,
						steps: steps,
						gridS: 15,
						interrupted: false,
						shortEquipment
					});
					const plan = layOut(problem, looks(100_000, seed))!;
					expect(plan.proven).toBe(true);
					const best = bestByTryingAll(problem)!;
					expect(plan.makespanS).toBeCloseTo(best.makespanS, 6);
					expect(plan.hops).toBe(best.hops);
				}
			),
			{ numRuns: 100, seed: 20261127 }
		);
	});
	it('improves as it goes on, and says so', () => {
		const lengths: number[] = [];
		const problem = shipped(...FIVE);
		const plan = layOut(problem, { ...looks(4000), onBetter: (p) => lengths.push(p.makespanS) })!;
		expect(lengths.length).toBeGreaterThan(1);
		expect([...lengths].sort((a, b) => b - a)).toEqual(lengths);
		expect(plan.makespanS).toBe(lengths.at(-1));
	});
	it('lays five tests into little more than half the time, within 5 % of the bound', () => {
		const problem = shipped(...FIVE);
		const plan = layOut(problem, looks(6000))!;
		expect(faultsOfPlan(problem, plan.placed)).toEqual([]);
		expect(plan.makespanS / plan.boundS).toBeLessThan(1.05);
		expect(plan.makespanS).toBeLessThan(0.6 * sequentialPlan(problem)!.makespanS);
	});
	it('proves the best order of four colour tests', () => {
		const problem = shipped(...COLOURS);
		const plan = layOut(problem, looks(200_000))!;
		expect(plan).toMatchObject({ proven: true, makespanS: plan.boundS });
		expect(plan.makespanS).toBeLessThan(0.5 * sequentialPlan(problem)!.makespanS);
	});
	it('has nothing to do where there is nothing to test', () => {
		const nothing = { tests: [], equipment: {}, changeoverS: 8, wishes: [], at: null };
		expect(layOut(nothing, looks(10))).toMatchObject({ placed: [], makespanS: 0 });
	});
	it('waits for the vial of another test where there is one vial', () => {
		const problem = { ...shipped('no3-card', 'nh3-card'), equipment: { vial: 1 } };
		const plan = layOut(problem, looks(20_000))!;
		expect(faultsOfPlan(problem, plan.placed)).toEqual([]);
		expect(plan.makespanS).toBeCloseTo(sequentialPlan(problem)!.makespanS, 6);
		const two = { ...problem, equipment: { vial: 2 } };
		expect(layOut(two, looks(20_000))!.makespanS).toBeLessThan(plan.makespanS);
	});
});

describe('the checker of plans', () => {
	const problem = shipped('no3-ladder', 'nh3-card');
	const plan = layOut(problem, looks(20_000))!;
	const broken = (change: (placed: { startS: number; endS: number; step: string }[]) => void) => {
		const placed = plan.placed.map((p) => ({ ...p }));
		change(placed);
		return faultsOfPlan(problem, placed).map((f) => f.what);
	};
	it('finds what is missing, doubled, too early, too late and done at the same time', () => {
		expect(broken(() => undefined)).toEqual([]);
		expect(broken((p) => p.pop())).toContain('missing');
		expect(broken((p) => p.push({ ...p[0]! }))).toContain('twice');
		expect(
			broken((p) => {
				const last = p.at(-1)!;
				last.startS += 100;
				last.endS += 100;
			})
		).toContain('too-late');
		expect(
			broken((p) => {
				const last = p.at(-1)!;
				last.startS -= 30;
				last.endS -= 30;
			})
		).toContain('too-early');
		expect(
			broken((p) => {
				p[1]!.startS = p[0]!.startS;
				p[1]!.endS = p[1]!.startS + (plan.placed[1]!.endS - plan.placed[1]!.startS);
			})
		).toContain('two-at-once');
	});
});

describe('what the keeper insists on', () => {
	const problem = shipped('no3-card', 'nh3-card', 'ph-card');
	it('is kept: a time, an order, a test without another in between', () => {
		for (const wish of [
			{ kind: 'pin', step: 'no3-card/1-prepare', atS: 300 },
			{ kind: 'first', test: 'ph-card', before: 'no3-card' },
			{ kind: 'alone', test: 'nh3-card' }
		] as const) {
			const wished = { ...problem, wishes: [wish] };
			const { plan, brokenWishes } = layOutOrSay(wished, looks(20_000));
			expect(brokenWishes).toEqual([]);
			expect(faultsOfPlan(wished, plan!.placed)).toEqual([]);
		}
	});
	it('is named where it makes a plan impossible', () => {
		const pin = { kind: 'pin', step: 'no3-card/3-drops', atS: 0 } as const;
		const fine = { kind: 'first', test: 'ph-card', before: 'nh3-card' } as const;
		const outcome = layOutOrSay({ ...problem, wishes: [fine, pin] }, looks(20_000));
		expect(outcome.brokenWishes).toEqual([pin]);
		expect(faultsOfPlan({ ...problem, wishes: [fine] }, outcome.plan!.placed)).toEqual([]);
	});
	it('names what is under way and can no longer be met', () => {
		const step = (id: string): PlanStep => ({
			id,
			handsS: 30,
			longestS: 45,
			pieces: 1,
			after: [],
			takes: [],
			frees: [],
			notBeforeS: 20,
			dueS: 35,
			dueExact: true
		});
		const tests: PlanTest[] = ['a', 'b'].map((id) => ({ id, steps: [step(`${id}/read`)], holds: [] }));
		const outcome = layOutOrSay({ tests, equipment: {}, changeoverS: 8, wishes: [], at: 'a' }, looks(2000));
		expect(outcome.lateSteps).toHaveLength(1);
		expect(outcome.plan!.placed).toHaveLength(2);
	});
	it('keeps an order that still fits, with new times, and refuses one that does not', () => {
		const plan = layOut(problem, looks(20_000))!;
		expect(planOfOrder(problem, plan.placed)!.makespanS).toBeCloseTo(plan.makespanS, 6);
		expect(planOfOrder(problem, [...plan.placed].reverse())).toBeNull();
		expect(planOfOrder(problem, plan.placed.slice(1))).toBeNull();
	});
});
