import { isFree, timerSecondsOf, type Method, type ProtocolStep } from '../method/index.ts';
import { effectOf, type DeviationEffect } from '../reading/index.ts';
import type { Instant } from '../time/index.ts';
import {
	CHANGEOVER_S,
	planTestOf,
	stepName,
	stretchesOf,
	usualEquipment,
	waitOf,
	type PlanProblem,
	type PlanStep,
	type PlanTest,
	type Wish
} from './plan/index.ts';
import { progressOf, type BenchEntry, type Progress } from './progress.ts';

/** A test of a session as the planner sees it. */
export interface UnderWay {
	readonly id: string;
	readonly method: Method;
	readonly steps: readonly ProtocolStep[];
	readonly log: readonly BenchEntry[];
	/** The reading is made, or the test was given up. */
	readonly over: boolean;
}

/** A wait that has gone on for too long: what it does to the result if its next step is done now. */
export interface Overdue {
	readonly test: string;
	readonly step: ProtocolStep;
	/** Seconds since the latest moment at which it was still as written. */
	readonly lateS: number;
	readonly effect: DeviationEffect;
}

/** The session's settings for the planner. */
export interface Laying {
	readonly wishes: readonly Wish[];
	readonly changeoverS?: number;
	/** How many there are of what is shared; what is left out is at hand for every test. */
	readonly equipment?: Readonly<Record<string, number>>;
	/** The test that the hands are at. */
	readonly at: string | null;
	/** When the first step was begun; pins count from it. Null while laying out. */
	readonly startedAt: Instant | null;
}

/** Hands are never reckoned to be finished sooner than this with what they are at, seconds. */
const LEAST_LEFT_S = 2;
/** A titration that goes on is not reckoned to end sooner. */
const LEAST_TITRATION_S = 25;

const seconds = (from: Instant, to: Instant) => (to - from) / 1000;

/** What is left of the step in hand, seconds of the hands. */
function leftOfStep(plan: PlanStep, step: ProtocolStep, progress: Progress, now: Instant): number {
	if (step.action.kind === 'drops') {
		return plan.handsS * (1 - Math.min(1, progress.drops / Math.max(1, step.action.count)));
	}
	const timed = timerSecondsOf(step);
	if (step.action.kind === 'titrate') {
		return progress.begunAt === null ? plan.handsS : plan.handsS - seconds(progress.begunAt, now);
	}
	if (step.action.kind !== 'filter' && timed !== null)
		return progress.timer ? timed - seconds(progress.timer.startedAt, now) : timed;
	return plan.handsS;
}

/**
 * What is left of a session, with the waits that run and the moments that press, as a problem for the planner. Seconds
 * count from now. A latest moment that has passed is left out, and told as overdue.
 */
export function remainingProblem(
	tests: readonly UnderWay[],
	laying: Laying,
	now: Instant
): { readonly problem: PlanProblem; readonly overdue: readonly Overdue[] } {
	const overdue: Overdue[] = [];
	const open: PlanTest[] = [];
	const whole: PlanTest[] = [];
	for (const test of tests) {
		if (test.over) continue;
		const plan = planTestOf(test.id, test.method, test.steps);
		whole.push(plan);
		const progress = progressOf(test.steps, test.log);
		const late = overdueOf(test, progress, now);
		if (late) overdue.push(late);
		open.push(remainingTest(test, plan, progress, now));
	}
	const begun = laying.startedAt;
	const sinceBegun = begun === null ? 0 : Math.max(0, seconds(begun, now));
	const left = new Set(open.flatMap((t) => t.steps.map((s) => s.id)));
	return {
		problem: {
			tests: open,
			equipment: usualEquipment(whole, laying.equipment),
			changeoverS: laying.changeoverS ?? CHANGEOVER_S,
			wishes: laying.wishes.flatMap((wish): Wish[] => {
				if (wish.kind !== 'pin') return [wish];
				// A pin whose moment has passed, or whose step is begun, is over.
				const atS = wish.atS - sinceBegun;
				return left.has(wish.step) && atS >= 0 ? [{ ...wish, atS }] : [];
			}),
			at: laying.at
		},
		overdue
	};
}

function remainingTest(test: UnderWay, plan: PlanTest, progress: Progress, now: Instant): PlanTest {
	const { steps } = test;
	const index = new Map(steps.map((s, i) => [stepName(test.id, s.id), i]));
	const isDone = (id: string) => {
		const i = index.get(id)!;
		if (i < progress.stepIndex || progress.ahead.has(steps[i]!.id)) return true;
		// A filter that runs needs no hands any more.
		return i === progress.stepIndex && steps[i]!.action.kind === 'filter' && progress.timer !== null;
	};
	const current = progress.step;
	const rest: PlanStep[] = [];
	const held = new Set<string>();
	const holds: string[] = [];
	for (const step of plan.steps) {
		if (isDone(step.id)) {
			for (const name of step.takes) holds.push(name);
			for (const name of step.frees) holds.splice(holds.indexOf(name), 1);
			held.add(step.id);
			continue;
		}
		const own = steps[index.get(step.id)!]!;
		const atHand = current?.id === own.id;
		const titrates = own.action.kind === 'titrate';
		const begun = atHand && (progress.drops > 0 || progress.begunAt !== null);
		const leastS = titrates ? LEAST_TITRATION_S : LEAST_LEFT_S;
		const handsS = atHand ? Math.max(leastS, leftOfStep(step, own, progress, now)) : step.handsS;
		let notBeforeS = 0;
		let dueS: number | null = null;
		let exact = false;
		const after = step.after.filter((lag) => {
			if (!held.has(lag.step)) return true;
			// What comes after something done follows the wait that runs, or should follow soon.
			if (begun || (lag.leastS === 0 && lag.greatestS === null)) return false;
			const from = endOfWaitStart(progress);
			if (from === null) return false;
			if (lag.leastS > 0 && current && (!isFree(current) || progress.timer === null)) return false;
			const gone = seconds(from, now);
			notBeforeS = Math.max(notBeforeS, lag.leastS - gone);
			const latest = lag.greatestS === null ? null : lag.greatestS - gone;
			if (latest !== null && latest >= Math.max(0, notBeforeS)) {
				dueS = dueS === null ? latest : Math.min(dueS, latest);
				exact ||= lag.exact;
			}
			return false;
		});
		rest.push({
			...step,
			handsS,
			pieces: titrates && atHand ? stretchesOf(handsS) : step.pieces,
			longestS: atHand ? Math.min(step.longestS, 1.5 * handsS) : step.longestS,
			after,
			notBeforeS,
			dueS,
			dueExact: exact
		});
	}
	return { id: test.id, steps: rest, holds };
}

/** What the lag to the next step counts from: the start of the wait that runs, or the end of the step before. */
function endOfWaitStart(progress: Progress): Instant | null {
	if (progress.step && isFree(progress.step) && progress.timer) return progress.timer.startedAt;
	return progress.since;
}

/** The wait of this test that has gone on for too long, if one has. */
function overdueOf(test: UnderWay, progress: Progress, now: Instant): Overdue | null {
	const { step, timer } = progress;
	if (!step || !timer || !isFree(step) || step.action.kind === 'filter') return null;
	const { greatestS } = waitOf(step);
	const actual = seconds(timer.startedAt, now);
	const lateS = actual - greatestS;
	if (lateS <= 0) return null;
	const planned = timerSecondsOf(step)!;
	const effect = effectOf(test.method, step, { stepId: step.id, planned, actual, what: 'seconds' });
	return { test: test.id, step, lateS, effect };
}
