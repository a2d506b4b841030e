import type { PlanProblem, PlanStep } from './problem.ts';

/** A lag between two pieces, by their numbers. */
export interface Arc {
	readonly from: number;
	readonly to: number;
	readonly leastS: number;
	/** Infinity where it is open. */
	readonly greatestS: number;
	readonly exact: boolean;
}

/** An exact reading, and what its latest moment counts from: the end of a piece, or, with −1, the start of the plan. */
export interface Guard {
	readonly from: number;
	readonly to: number;
	readonly greatestS: number;
}

/** The problem in numbers: one entry per piece of hands-on work, tests in order, pieces after what they come after. */
export interface Compiled {
	readonly problem: PlanProblem;
	readonly n: number;
	readonly changeoverS: number;
	readonly testOf: Int32Array;
	readonly stepOf: readonly string[];
	readonly pieceOf: readonly number[];
	readonly durationS: Float64Array;
	/** Before an exact reading. What may be put down at any moment counts with its likely time. */
	readonly longestS: Float64Array;
	readonly mostLongestS: number;
	readonly notBeforeS: Float64Array;
	readonly dueS: Float64Array;
	readonly dueExact: readonly boolean[];
	readonly arcsTo: readonly (readonly Arc[])[];
	/** The same in rows: lags to piece i stand from `rowOf[i]` to `rowOf[i + 1]`. */
	readonly rowOf: Int32Array;
	readonly arcFrom: Int32Array;
	readonly arcLeastS: Float64Array;
	readonly arcGreatestS: Float64Array;
	readonly guards: readonly Guard[];
	readonly arcsFrom: readonly (readonly Arc[])[];
	readonly takes: readonly (readonly number[])[];
	readonly frees: readonly (readonly number[])[];
	readonly capacity: readonly number[];
	/** Units in use as the plan begins. */
	readonly heldAtStart: readonly number[];
	/** Pieces of each test, in order. */
	readonly pieces: readonly (readonly number[])[];
	/** Tests that must have begun before this one may. */
	readonly testsBefore: readonly (readonly number[])[];
	readonly alone: readonly boolean[];
	/** The test at hand as the plan begins, or −1. */
	readonly at: number;
	/** Least time from the start of a piece to the end of the last that comes after it. */
	readonly chainS: Float64Array;
	/** Least time from the start of the plan to the start of a piece. */
	readonly headS: Float64Array;
}

/** The pieces that hands do in one go, and the lags between them. */
class Pieces {
	readonly testOf: number[] = [];
	readonly stepOf: string[] = [];
	readonly pieceOf: number[] = [];
	readonly durationS: number[] = [];
	readonly longestS: number[] = [];
	readonly notBeforeS: number[] = [];
	readonly dueS: number[] = [];
	readonly dueExact: boolean[] = [];
	readonly takes: number[][] = [];
	readonly frees: number[][] = [];
	readonly arcs: Arc[] = [];
	/** Pieces of each test, in order. */
	readonly ofTest: number[][] = [];
	readonly firstOf = new Map<string, number>();
	readonly #lastOf = new Map<string, number>();

	constructor(
		tests: PlanProblem['tests'],
		private readonly known: (wanted: readonly string[]) => number[]
	) {
		tests.forEach((test, t) => {
			const first = this.testOf.length;
			for (const step of test.steps) {
				this.#add(step, t);
				this.#lag(step, t);
			}
			this.ofTest.push(Array.from({ length: this.testOf.length - first }, (_, k) => first + k));
		});
	}

	#add(step: PlanStep, test: number): void {
		const handsS = step.handsS / step.pieces;
		for (let piece = 0; piece < step.pieces; piece++) {
			const id = this.testOf.length;
			const [isFirst, isLast] = [piece === 0, piece === step.pieces - 1];
			this.testOf.push(test);
			this.stepOf.push(step.id);
			this.pieceOf.push(piece);
			this.durationS.push(handsS);
			this.longestS.push(step.pieces > 1 ? handsS : Math.max(step.longestS, step.handsS));
			this.notBeforeS.push(isFirst ? (step.notBeforeS ?? 0) : 0);
			this.dueS.push(isFirst ? (step.dueS ?? Infinity) : Infinity);
			this.dueExact.push(isFirst && (step.dueExact ?? false));
			this.takes.push(isFirst ? this.known(step.takes) : []);
			this.frees.push(isLast ? this.known(step.frees) : []);
			if (isFirst) this.firstOf.set(step.id, id);
			else this.arcs.push({ from: id - 1, to: id, leastS: 0, greatestS: Infinity, exact: false });
			if (isLast) this.#lastOf.set(step.id, id);
		}
	}

	#lag(step: PlanStep, test: number): void {
		for (const { step: before, leastS, greatestS, exact } of step.after) {
			const from = this.#lastOf.get(before);
			if (from === undefined || this.testOf[from] !== test) {
				throw new RangeError(`step ${step.id} comes after ${before}, which does not stand before it`);
			}
			this.arcs.push({
				from,
				to: this.firstOf.get(step.id)!,
				leastS,
				greatestS: greatestS ?? Infinity,
				exact
			});
		}
	}
}

/** What a person wishes, as bounds of pieces and as rules between tests. */
function takeWishes({ tests, wishes }: PlanProblem, { firstOf, notBeforeS, dueS }: Pieces) {
	const testIndex = new Map(tests.map((t, i) => [t.id, i]));
	const testsBefore: number[][] = tests.map(() => []);
	const alone = tests.map(() => false);
	for (const wish of wishes) {
		if (wish.kind === 'pin') {
			const piece = firstOf.get(wish.step);
			if (piece === undefined) continue;
			notBeforeS[piece] = Math.max(notBeforeS[piece]!, wish.atS);
			dueS[piece] = Math.min(dueS[piece]!, wish.atS);
		} else if (wish.kind === 'first') {
			const [early, late] = [testIndex.get(wish.test), testIndex.get(wish.before)];
			if (early !== undefined && late !== undefined) testsBefore[late]!.push(early);
		} else {
			const own = testIndex.get(wish.test);
			if (own !== undefined) alone[own] = true;
		}
	}
	return { testsBefore, alone };
}

/** The lags by piece, and what they make of the times before and after each. */
function lagsOf({ arcs, durationS, notBeforeS }: Pieces) {
	const n = durationS.length;
	const arcsTo: Arc[][] = Array.from({ length: n }, () => []);
	const arcsFrom: Arc[][] = Array.from({ length: n }, () => []);
	for (const arc of arcs) {
		arcsTo[arc.to]!.push(arc);
		arcsFrom[arc.from]!.push(arc);
	}
	const rows = arcsTo.flat();
	const rowOf = new Int32Array(n + 1);
	for (let i = 0; i < n; i++) rowOf[i + 1] = rowOf[i]! + arcsTo[i]!.length;
	const chainS = Float64Array.from(durationS);
	for (let i = n - 1; i >= 0; i--) {
		for (const { to, leastS } of arcsFrom[i]!) {
			chainS[i] = Math.max(chainS[i]!, durationS[i]! + leastS + chainS[to]!);
		}
	}
	const headS = Float64Array.from(notBeforeS);
	for (let i = 0; i < n; i++) {
		for (const { from, leastS } of arcsTo[i]!) {
			headS[i] = Math.max(headS[i]!, headS[from]! + durationS[from]! + leastS);
		}
	}
	return {
		arcsTo,
		arcsFrom,
		rowOf,
		arcFrom: Int32Array.from(rows, (a) => a.from),
		arcLeastS: Float64Array.from(rows, (a) => a.leastS),
		arcGreatestS: Float64Array.from(rows, (a) => a.greatestS),
		chainS,
		headS
	};
}

/** @throws {RangeError} for a step that comes after one that is unknown or stands later, or a wish about nothing */
export function compile(problem: PlanProblem): Compiled {
	const names = Object.keys(problem.equipment);
	const known = (wanted: readonly string[]) =>
		wanted.map((name) => names.indexOf(name)).filter((index) => index >= 0);
	const pieces = new Pieces(problem.tests, known);
	const wishes = takeWishes(problem, pieces);
	const { arcs, dueExact, dueS, longestS } = pieces;
	const heldAtStart = names.map(() => 0);
	for (const test of problem.tests) for (const e of known(test.holds)) heldAtStart[e]!++;
	return {
		problem,
		n: pieces.testOf.length,
		changeoverS: problem.changeoverS,
		testOf: Int32Array.from(pieces.testOf),
		stepOf: pieces.stepOf,
		pieceOf: pieces.pieceOf,
		durationS: Float64Array.from(pieces.durationS),
		longestS: Float64Array.from(longestS),
		mostLongestS: Math.max(0, ...longestS),
		notBeforeS: Float64Array.from(pieces.notBeforeS),
		dueS: Float64Array.from(dueS),
		dueExact,
		...lagsOf(pieces),
		guards: [
			...arcs.filter((a) => a.exact && a.greatestS < Infinity),
			...dueExact.flatMap((exact, i) => (exact ? [{ from: -1, to: i, greatestS: dueS[i]! }] : []))
		],
		takes: pieces.takes,
		frees: pieces.frees,
		capacity: names.map((name) => problem.equipment[name]!),
		heldAtStart,
		pieces: pieces.ofTest,
		...wishes,
		at: problem.tests.findIndex((t) => t.id === problem.at)
	};
}
