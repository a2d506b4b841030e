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

/** What is wrong with a plan, whose parts are looked up by their step and in their order in time. */
class PlanCheck {
	readonly faults: PlanFault[] = [];
	readonly #partsOf = new Map<string, Placed[]>();
	readonly #inTime: readonly Placed[];

	constructor(
		private readonly problem: PlanProblem,
		placed: readonly Placed[]
	) {
		for (const p of placed) this.#partsOf.set(p.step, [...(this.#partsOf.get(p.step) ?? []), p]);
		for (const parts of this.#partsOf.values()) parts.sort((a, b) => a.piece - b.piece);
		this.#inTime = [...placed].sort((a, b) => a.startS - b.startS);
	}

	#add(what: PlanFault['what'], step: string): void {
		this.faults.push({ what, step });
	}
	#startOf(step: string): number {
		return this.#partsOf.get(step)![0]!.startS;
	}
	#endOf(step: string): number {
		return this.#partsOf.get(step)!.at(-1)!.endS;
	}
	#stepsWithTests() {
		return this.problem.tests.flatMap((test) => test.steps.map((step) => ({ test, step })));
	}

	/** Every part is placed once, in order, and as long as it is. */
	parts(): void {
		for (const { test, step } of this.#stepsWithTests()) {
			const parts = this.#partsOf.get(step.id) ?? [];
			for (let piece = 0; piece < step.pieces; piece++) {
				if (!parts.some((p) => p.piece === piece)) this.#add('missing', step.id);
			}
			if (parts.length > step.pieces) this.#add('twice', step.id);
			parts.forEach((p, i) => {
				if (p.test !== test.id) this.#add('missing', step.id);
				const handsS = step.handsS / step.pieces;
				if (Math.abs(p.endS - p.startS - handsS) > CLOSE_S) this.#add('wrong-length', step.id);
				if (i > 0 && p.startS < parts[i - 1]!.endS - CLOSE_S) this.#add('too-early', step.id);
			});
		}
	}

	/** One thing at a time, with time to turn. */
	hands(): void {
		this.#inTime.forEach((p, i) => {
			const before = i > 0 ? this.#inTime[i - 1]! : null;
			const testBefore = before?.test ?? this.problem.at;
			const turn = testBefore !== null && testBefore !== p.test ? this.problem.changeoverS : 0;
			const free = before?.endS ?? 0;
			if (p.startS < free - CLOSE_S) this.#add('two-at-once', p.step);
			else if (p.startS < free + turn - CLOSE_S) this.#add('no-changeover', p.step);
		});
	}

	/** Every lag is kept, and nothing is begun that might run over an exact reading. */
	lags(): void {
		for (const { test, step } of this.#stepsWithTests()) {
			const start = this.#startOf(step.id);
			if (start < (step.notBeforeS ?? 0) - CLOSE_S) this.#add('too-early', step.id);
			if (start > (step.dueS ?? Infinity) + CLOSE_S) this.#add('too-late', step.id);
			if (step.dueExact && step.dueS != null) this.#guardExact(test.id, step.id, null, step.dueS);
			for (const lag of step.after) {
				const from = this.#endOf(lag.step);
				if (start < from + lag.leastS - CLOSE_S) this.#add('too-early', step.id);
				if (lag.greatestS === null) continue;
				if (start > from + lag.greatestS + CLOSE_S) this.#add('too-late', step.id);
				if (lag.exact) this.#guardExact(test.id, step.id, lag.step, from + lag.greatestS);
			}
		}
	}

	/** Nothing between a wait's beginning and its exact end may run over the latest moment for it. */
	#guardExact(test: string, step: string, after: string | null, latest: number): void {
		const begins = after === null ? -Infinity : this.#endOf(after);
		const ends = this.#startOf(step);
		for (const p of this.#inTime) {
			if (p.step === step || p.startS < begins - CLOSE_S || p.startS >= ends - CLOSE_S) continue;
			if (after === null && p.test === test) continue;
			const own = this.#stepOf(p);
			const longest = own.pieces > 1 ? p.endS - p.startS : Math.max(own.longestS, own.handsS);
			const turn = p.test === test ? 0 : this.problem.changeoverS;
			if (p.startS + longest + turn > latest + CLOSE_S) this.#add('runs-over-exact', p.step);
		}
	}

	#stepOf({ test, step }: Placed) {
		return this.problem.tests.find((t) => t.id === test)!.steps.find((s) => s.id === step)!;
	}

	/** No more equipment is in use than there is. */
	equipment(): void {
		for (const [name, count] of Object.entries(this.problem.equipment)) {
			let used = this.problem.tests.filter((t) => t.holds.includes(name)).length;
			for (const p of this.#inTime) {
				const step = this.#stepOf(p);
				if (p.piece === 0 && step.takes.includes(name)) used++;
				if (used > count) this.#add('equipment', p.step);
				if (p.piece === step.pieces - 1 && step.frees.includes(name)) used--;
			}
		}
	}

	wishes(): void {
		for (const wish of this.problem.wishes) {
			if (wish.kind === 'pin') {
				const isOff = this.#partsOf.has(wish.step) && Math.abs(this.#startOf(wish.step) - wish.atS) > CLOSE_S;
				if (isOff) this.#add('wish', wish.step);
			} else if (wish.kind === 'first') {
				const early = this.#inTime.find((p) => p.test === wish.test);
				const late = this.#inTime.find((p) => p.test === wish.before);
				if (early && late && late.startS < early.startS) this.#add('wish', late.step);
			} else this.#alone(wish.test);
		}
	}

	#alone(test: string): void {
		const own = this.#inTime.filter((p) => p.test === test);
		const [from, to] = [own[0]?.startS ?? 0, own.at(-1)?.endS ?? 0];
		for (const p of this.#inTime) {
			const isBetween = p.startS > from - CLOSE_S && p.startS < to - CLOSE_S;
			if (p.test !== test && isBetween) this.#add('wish', p.step);
		}
	}
}

/**
 * Checks a plan against its problem from first principles, sharing nothing with the planner: every part placed once,
 * one thing at a time with time to turn, every lag kept, nothing begun that might run over an exact reading, no more
 * equipment in use than there is, every wish kept.
 */
export function faultsOfPlan(problem: PlanProblem, placed: readonly Placed[]): readonly PlanFault[] {
	const check = new PlanCheck(problem, placed);
	check.parts();
	// Times of what is not there, or there twice, tell nothing.
	if (check.faults.length > 0) return check.faults;
	check.hands();
	check.lags();
	check.equipment();
	check.wishes();
	return check.faults;
}
