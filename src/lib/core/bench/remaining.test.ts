import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isFree, methodByCode, SHIPPED_METHODS, stepsFor, timerSecondsOf } from '../method/index.ts';
import { seededRandom } from '../numeric/index.ts';
import { addSeconds, instant, type Instant } from '../time/index.ts';
import {
	admit,
	faultsOfPlan,
	layOut,
	layOutOrSay,
	planOfOrder,
	progressOf,
	remainingProblem,
	type BenchPress,
	type Laying,
	type Placed,
	type UnderWay
} from './index.ts';

const start = instant(1_700_000_000_000);
const looks = (most: number) => {
	let spent = 0;
	return { random: seededRandom(7), spent: () => ++spent / most };
};
const at = (s: number) => addSeconds(start, s);

function begin(...codes: string[]): UnderWay[] {
	return codes.map((code) => {
		const method = methodByCode(code)!;
		return { id: code, method, steps: stepsFor(method, 'full'), log: [], over: false };
	});
}
const laying = (change: Partial<Laying> = {}): Laying => ({
	wishes: [],
	at: null,
	startedAt: start,
	...change
});

/** Appends, and insists that it is allowed. */
function press(test: UnderWay, now: Instant, ...presses: BenchPress[]): UnderWay {
	let { log } = test;
	for (const p of presses) {
		const outcome = admit(test.steps, log, { ...p, at: now });
		if (!outcome.ok)
			throw new Error(`${test.id}: ${outcome.fault.code} at ${progressOf(test.steps, log).step?.id}`);
		log = outcome.value;
	}
	return { ...test, log };
}

/**
 * Does one stretch of a plan as a person would: goes on from a wait that is over, counts, swirls. What may be prepared
 * is noted as done ahead.
 */
function carryOut(
	test: UnderWay,
	stretch: Placed,
	from: Instant,
	to: Instant,
	isLastPiece: boolean
): UnderWay {
	const stepId = stretch.step.slice(test.id.length + 1);
	let own = test;
	let progress = progressOf(own.steps, own.log);
	if (progress.step?.action.kind === 'stand') {
		const ahead = own.steps.find((s) => s.id === stepId)!;
		if (ahead.action.kind === 'fill' && from < progress.timer!.dueAt) {
			return press(own, to, { kind: 'ahead', step: stepId });
		}
	}
	while (progress.step && progress.step.id !== stepId) {
		const target = own.steps.findIndex((s) => s.id === stepId);
		if (own.steps[target]!.action.kind === 'fill' && !isFree(progress.step)) {
			return press(own, to, { kind: 'ahead', step: stepId });
		}
		own = press(own, from, { kind: 'step-done' });
		progress = progressOf(own.steps, own.log);
	}
	const { action } = progress.step!;
	if (action.kind === 'filter') return press(own, to, { kind: 'timer-started' });
	if (action.kind === 'titrate') {
		if (progress.begunAt === null) own = press(own, from, { kind: 'timer-started' });
		return isLastPiece ? press(own, to, { kind: 'step-done' }) : own;
	}
	if (timerSecondsOf(progress.step!) !== null) own = press(own, from, { kind: 'timer-started' });
	if (action.kind === 'drops') {
		own = press(own, from, ...Array.from({ length: action.count }, () => ({ kind: 'drop' as const })));
	}
	return press(own, to, { kind: 'step-done' });
}

/** Carries a whole session out, each stretch `pace` times as long as planned; plans anew where the order cannot stay. */
function run(codes: readonly string[], pace: () => number) {
	let tests = begin(...codes);
	let now: Instant = start;
	let hand: string | null = null;
	let order: readonly Placed[] = layOut(
		remainingProblem(tests, laying({ startedAt: null }), now).problem,
		looks(300)
	)!.placed;
	const late: string[] = [];
	for (let guard = 0; guard < 400; guard++) {
		const { problem, overdue } = remainingProblem(tests, laying({ at: hand }), now);
		late.push(...overdue.map((o) => `${o.test}/${o.step.id}`));
		if (problem.tests.every((t) => t.steps.length === 0)) return { now, tests, late };
		let plan = planOfOrder(problem, order);
		if (!plan) {
			const outcome = layOutOrSay(problem, looks(300));
			late.push(...outcome.lateSteps);
			plan = outcome.plan!;
			order = plan.placed;
		}
		const next = plan.placed[0]!;
		const from = addSeconds(now, next.startS);
		const likely = next.endS - next.startS;
		const step = tests.find((t) => t.id === next.test)!.steps.find((s) => next.step.endsWith(`/${s.id}`))!;
		// A timer is waited for, however quick the hand.
		const least = step.action.kind === 'filter' ? 1 : (timerSecondsOf(step) ?? 1);
		const to = addSeconds(from, Math.max(least, likely * pace()));
		const isLast = !plan.placed.slice(1).some((p) => p.step === next.step);
		tests = tests.map((t) => (t.id === next.test ? carryOut(t, next, from, to, isLast) : t));
		order = order.filter((o) => !(o.step === next.step && o.piece === next.piece));
		if (isLast) order = order.filter((o) => o.step !== next.step);
		hand = next.test;
		now = to;
	}
	throw new Error('the session does not end');
}

describe('what is left of a session', () => {
	it('is the whole of it before the first press', () => {
		const tests = begin('alk-syringe', 'no3-card');
		const { problem, overdue } = remainingProblem(tests, laying({ startedAt: null }), start);
		expect(overdue).toEqual([]);
		expect(problem.tests.map((t) => t.steps.length)).toEqual([6, 7]);
		expect(faultsOfPlan(problem, layOut(problem, looks(300))!.placed)).toEqual([]);
	});
	it('knows how long a wait still runs, and its latest end', () => {
		const [card] = begin('no3-card');
		const drops = Array.from({ length: 8 }, () => ({ kind: 'drop' as const }));
		let test = press(card!, start, { kind: 'step-done' }, { kind: 'step-done' }, ...drops, {
			kind: 'step-done'
		});
		test = press(test, start, { kind: 'timer-started' });
		test = press(test, at(15), { kind: 'step-done' }, { kind: 'step-done' }, { kind: 'timer-started' });
		test = press(test, at(65), { kind: 'step-done' });
		// The wait of six minutes began when the shaking was done.
		expect(progressOf(test.steps, test.log).timer).toMatchObject({ dueAt: at(65 + 360) });
		const { problem } = remainingProblem([test], laying(), at(165));
		expect(problem.tests[0]!.steps).toMatchObject([
			{ notBeforeS: 260, dueS: 275, dueExact: true, after: [] }
		]);
		expect(problem.tests[0]!.holds).toEqual(['vial']);
		// Too late: said, with what it does, and no longer insisted on.
		const late = remainingProblem([test], laying(), at(65 + 360 + 15 + 90));
		expect(late.overdue).toMatchObject([{ test: 'no3-card', lateS: 90, effect: { repeat: false } }]);
		expect(late.overdue[0]!.effect.relative).toBeCloseTo((0.5 * 105) / 360, 6);
		expect(late.problem.tests[0]!.steps).toMatchObject([{ dueS: null, dueExact: false }]);
		expect(remainingProblem([test], laying(), at(2000)).overdue[0]!.effect.repeat).toBe(true);
	});
	it('is less by what was counted, and by what was loaded ahead', () => {
		const [alk] = begin('alk-syringe');
		const step = (kind: string) => alk!.steps.find((s) => s.action.kind === kind)!.id;
		let test = press(
			alk!,
			start,
			{ kind: 'ahead', step: step('fill') },
			{ kind: 'step-done' },
			{ kind: 'step-done' }
		);
		test = press(test, at(5), { kind: 'drop' }, { kind: 'drop' });
		const { problem } = remainingProblem([test], laying(), at(6));
		expect(problem.tests[0]!.steps.map((s) => s.id.replace(/.*-/, ''))).toEqual([
			'drops',
			'swirl',
			'titrate'
		]);
		expect(problem.tests[0]!.steps[0]!.handsS).toBe(2);
		for (const again of [step('fill'), step('draw'), 'nothing']) {
			expect(admit(test.steps, test.log, { at: at(7), kind: 'ahead', step: again })).toMatchObject({
				ok: false
			});
		}
	});
	it('passes a pin whose time has come, and keeps one to come', () => {
		const tests = begin('ph-card');
		const pin = { kind: 'pin', step: 'ph-card/3-drops', atS: 300 } as const;
		const of = (s: number) => remainingProblem(tests, laying({ wishes: [pin] }), at(s)).problem.wishes;
		expect(of(100)).toEqual([{ ...pin, atS: 200 }]);
		expect(of(301)).toEqual([]);
	});
	it('goes out in the planned time when everything takes what is likely, and no exact reading is missed', () => {
		for (const codes of [
			['alk-syringe', 'ca-syringe', 'mg-syringe', 'no3-ladder', 'k-filter'],
			['nh3-card', 'no2-card', 'no3-card', 'po4-meter']
		]) {
			const { problem } = remainingProblem(begin(...codes), laying({ startedAt: null }), start);
			const planned = layOut(problem, looks(300))!.makespanS;
			const { now, late, tests } = run(codes, () => 1);
			expect(late).toEqual([]);
			expect((now - start) / 1000).toBeLessThanOrEqual(1.03 * planned);
			expect(tests.flatMap((t) => progressOf(t.steps, t.log).deviations)).toEqual([]);
		}
	});
	it('comes to its end at any pace, and says what it misses', () => {
		const codes = SHIPPED_METHODS.filter((m) => m.kind !== 'stated').map((m) => m.code);
		fc.assert(
			fc.property(
				fc.uniqueArray(fc.constantFrom(...codes), { minLength: 1, maxLength: 5 }),
				fc.integer(),
				fc.double({ min: 0.6, max: 2.5, noNaN: true }),
				(chosen, seed, most) => {
					const random = seededRandom(seed);
					const { tests, late } = run(chosen, () => 0.6 + random() * (most - 0.6));
					for (const test of tests) {
						const progress = progressOf(test.steps, test.log);
						expect(progress.step).toBeNull();
						// Within one and a half times the likely time every exact reading is met.
						if (most > 1.5) continue;
						const exact = test.steps.filter((s) => s.action.kind === 'stand' && s.action.exactly);
						const missed = progress.deviations.filter((d) => exact.some((s) => s.id === d.stepId));
						expect({ missed, late }).toEqual({ missed: [], late: expect.anything() });
					}
				}
			),
			{ numRuns: 60, seed: 20261127 }
		);
	});
});
