import type { Placed, PlanProblem } from './problem.ts';

/** What is wrong with a plan. */
export interface PlanFault {
	readonly what:
		| 'missing'
		| 'twice'
		| 'two-at-once'
		| 'no-changeover'
		| 'too-early'
		| 'too-late'
		| 'runs-over-exact'
		| 'equipment'
		| 'wish'
		| 'wrong-length';
	readonly step: string;
}

/** A thousandth of a second is no fault. */
const CLOSE_S = 1e-3;

/**
 * Checks a plan against its problem from first principles, sharing nothing with the planner: every part placed once,
 * one thing at a time with time to turn, every lag kept, nothing begun that might run over an exact reading, no more
 * equipment in use than there is, every wish kept.
 */
export function faultsOfPlan(problem: PlanProblem, placed: readonly Placed[]): readonly PlanFault[] {
	const faults: PlanFault[] = [];
	const add = (what: PlanFault['what'], step: string) => faults.push({ what, step });
	const partsOf = new Map<string, Placed[]>();
	for (const p of placed) partsOf.set(p.step, [...(partsOf.get(p.step) ?? []), p]);
	const inTime = [...placed].sort((a, b) => a.startS - b.startS);

	for (const test of problem.tests) {
		for (const step of test.steps) {
			const parts = partsOf.get(step.id) ?? [];
			const numbers = parts.map((p) => p.piece).sort((a, b) => a - b);
			for (let piece = 0; piece < step.pieces; piece++) {
				if (!numbers.includes(piece)) add('missing', step.id);
			}
			if (numbers.length > step.pieces) add('twice', step.id);
			parts.sort((a, b) => a.piece - b.piece);
			parts.forEach((p, i) => {
				if (p.test !== test.id) add('missing', step.id);
				if (Math.abs(p.endS - p.startS - step.handsS / step.pieces) > CLOSE_S) add('wrong-length', step.id);
				if (i > 0 && p.startS < parts[i - 1]!.endS - CLOSE_S) add('too-early', step.id);
			});
		}
	}
	if (faults.length > 0) return faults;

	const startOf = (step: string) => partsOf.get(step)![0]!.startS;
	const endOf = (step: string) => partsOf.get(step)!.at(-1)!.endS;
	inTime.forEach((p, i) => {
		const before = i > 0 ? inTime[i - 1]! : null;
		const testBefore = before?.test ?? problem.at;
		const turn = testBefore !== null && testBefore !== p.test ? problem.changeoverS : 0;
		const free = before?.endS ?? 0;
		if (p.startS < free - CLOSE_S) add('two-at-once', p.step);
		else if (p.startS < free + turn - CLOSE_S) add('no-changeover', p.step);
	});

	for (const test of problem.tests) {
		for (const step of test.steps) {
			const start = startOf(step.id);
			if (start < (step.notBeforeS ?? 0) - CLOSE_S) add('too-early', step.id);
			if (start > (step.dueS ?? Infinity) + CLOSE_S) add('too-late', step.id);
			if (step.dueExact && step.dueS != null) guardExact(test.id, step.id, null, step.dueS);
			for (const lag of step.after) {
				const from = endOf(lag.step);
				if (start < from + lag.leastS - CLOSE_S) add('too-early', step.id);
				if (lag.greatestS === null) continue;
				if (start > from + lag.greatestS + CLOSE_S) add('too-late', step.id);
				if (lag.exact) guardExact(test.id, step.id, lag.step, from + lag.greatestS);
			}
		}
	}

	/** Nothing between a wait's beginning and its exact end may run over the latest moment for it. */
	function guardExact(test: string, step: string, after: string | null, latest: number): void {
		const begins = after === null ? -Infinity : endOf(after);
		for (const p of inTime) {
			const own = problem.tests.find((t) => t.id === p.test)!.steps.find((s) => s.id === p.step)!;
			if (p.step === step || p.startS < begins - CLOSE_S || p.startS >= startOf(step) - CLOSE_S) continue;
			if (after === null && p.test === test) continue;
			const longest = own.pieces > 1 ? p.endS - p.startS : Math.max(own.longestS, own.handsS);
			const turn = p.test === test ? 0 : problem.changeoverS;
			if (p.startS + longest + turn > latest + CLOSE_S) add('runs-over-exact', p.step);
		}
	}

	for (const [name, count] of Object.entries(problem.equipment)) {
		let used = problem.tests.filter((t) => t.holds.includes(name)).length;
		for (const p of inTime) {
			const step = problem.tests.flatMap((t) => t.steps).find((s) => s.id === p.step)!;
			if (p.piece === 0 && step.takes.includes(name)) used++;
			if (used > count) add('equipment', p.step);
			if (p.piece === step.pieces - 1 && step.frees.includes(name)) used--;
		}
	}

	const spanOf = (test: string) => {
		const own = inTime.filter((p) => p.test === test);
		return { from: own[0]?.startS ?? 0, to: own.at(-1)?.endS ?? 0 };
	};
	for (const wish of problem.wishes) {
		if (wish.kind === 'pin') {
			if (partsOf.has(wish.step) && Math.abs(startOf(wish.step) - wish.atS) > CLOSE_S) add('wish', wish.step);
		} else if (wish.kind === 'first') {
			const [early, late] = [
				inTime.find((p) => p.test === wish.test),
				inTime.find((p) => p.test === wish.before)
			];
			if (early && late && late.startS < early.startS) add('wish', late.step);
		} else {
			const { from, to } = spanOf(wish.test);
			for (const p of inTime) {
				if (p.test !== wish.test && p.startS > from - CLOSE_S && p.startS < to - CLOSE_S) add('wish', p.step);
			}
		}
	}
	return faults;
}
