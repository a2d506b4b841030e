import type { PlanProblem } from './problem.ts';

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

/** @throws {RangeError} for a step that comes after one that is unknown or stands later, or a wish about nothing */
export function compile(problem: PlanProblem): Compiled {
	const testOf: number[] = [];
	const stepOf: string[] = [];
	const pieceOf: number[] = [];
	const durationS: number[] = [];
	const longestS: number[] = [];
	const notBeforeS: number[] = [];
	const dueS: number[] = [];
	const dueExact: boolean[] = [];
	const arcs: Arc[] = [];
	const takes: number[][] = [];
	const frees: number[][] = [];
	const pieces: number[][] = [];
	const names = Object.keys(problem.equipment);
	const known = (wanted: readonly string[]) =>
		wanted.map((name) => names.indexOf(name)).filter((index) => index >= 0);
	const firstOf = new Map<string, number>();
	const lastOf = new Map<string, number>();

	problem.tests.forEach((test, t) => {
		const own: number[] = [];
		for (const step of test.steps) {
			for (let piece = 0; piece < step.pieces; piece++) {
				const id = testOf.length;
				own.push(id);
				testOf.push(t);
				stepOf.push(step.id);
				pieceOf.push(piece);
				durationS.push(step.handsS / step.pieces);
				longestS.push(step.pieces > 1 ? step.handsS / step.pieces : Math.max(step.longestS, step.handsS));
				notBeforeS.push(piece === 0 ? (step.notBeforeS ?? 0) : 0);
				dueS.push(piece === 0 ? (step.dueS ?? Infinity) : Infinity);
				dueExact.push(piece === 0 && (step.dueExact ?? false));
				takes.push(piece === 0 ? known(step.takes) : []);
				frees.push(piece === step.pieces - 1 ? known(step.frees) : []);
				if (piece > 0) arcs.push({ from: id - 1, to: id, leastS: 0, greatestS: Infinity, exact: false });
				else firstOf.set(step.id, id);
				if (piece === step.pieces - 1) lastOf.set(step.id, id);
			}
			for (const lag of step.after) {
				const from = lastOf.get(lag.step);
				if (from === undefined || testOf[from] !== t) {
					throw new RangeError(`step ${step.id} comes after ${lag.step}, which does not stand before it`);
				}
				arcs.push({
					from,
					to: firstOf.get(step.id)!,
					leastS: lag.leastS,
					greatestS: lag.greatestS ?? Infinity,
					exact: lag.exact
				});
			}
		}
		pieces.push(own);
	});

	const testIndex = new Map(problem.tests.map((t, i) => [t.id, i]));
	const testsBefore: number[][] = problem.tests.map(() => []);
	const alone = problem.tests.map(() => false);
	for (const wish of problem.wishes) {
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

	const n = testOf.length;
	const arcsTo: Arc[][] = Array.from({ length: n }, () => []);
	const arcsFrom: Arc[][] = Array.from({ length: n }, () => []);
	for (const arc of arcs) {
		arcsTo[arc.to]!.push(arc);
		arcsFrom[arc.from]!.push(arc);
	}
	const rows = arcsTo.flat();
	const rowOf = new Int32Array(n + 1);
	for (let i = 0; i < n; i++) rowOf[i + 1] = rowOf[i]! + arcsTo[i]!.length;
	const chainS = durationS.slice();
	for (let i = n - 1; i >= 0; i--) {
		for (const { to, leastS } of arcsFrom[i]!) {
			chainS[i] = Math.max(chainS[i]!, durationS[i]! + leastS + chainS[to]!);
		}
	}
	const headS = notBeforeS.slice();
	for (let i = 0; i < n; i++) {
		for (const { from, leastS } of arcsTo[i]!) {
			headS[i] = Math.max(headS[i]!, headS[from]! + durationS[from]! + leastS);
		}
	}
	const heldAtStart = names.map(() => 0);
	for (const test of problem.tests) for (const e of known(test.holds)) heldAtStart[e]!++;
	return {
		problem,
		n,
		changeoverS: problem.changeoverS,
		testOf: Int32Array.from(testOf),
		stepOf,
		pieceOf,
		durationS: Float64Array.from(durationS),
		longestS: Float64Array.from(longestS),
		mostLongestS: Math.max(0, ...longestS),
		notBeforeS: Float64Array.from(notBeforeS),
		dueS: Float64Array.from(dueS),
		dueExact,
		arcsTo,
		rowOf,
		arcFrom: Int32Array.from(rows, (a) => a.from),
		arcLeastS: Float64Array.from(rows, (a) => a.leastS),
		arcGreatestS: Float64Array.from(rows, (a) => a.greatestS),
		guards: [
			...arcs.filter((a) => a.exact && a.greatestS < Infinity),
			...dueExact.flatMap((exact, i) => (exact ? [{ from: -1, to: i, greatestS: dueS[i]! }] : []))
		],
		arcsFrom,
		takes,
		frees,
		capacity: names.map((name) => problem.equipment[name]!),
		heldAtStart,
		pieces,
		testsBefore,
		alone,
		at: problem.at === null ? -1 : (testIndex.get(problem.at) ?? -1),
		chainS: Float64Array.from(chainS),
		headS: Float64Array.from(headS)
	};
}
