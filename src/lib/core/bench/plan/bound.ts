import type { Compiled } from './compile.ts';

/** A wait inside a test that costs the hands something, whatever is done in it. */
export interface CostlyWait {
	readonly from: number;
	readonly to: number;
	/** What it costs at the least: idle hands, or one turn away and back more than otherwise. */
	readonly costS: number;
	/** What it costs if nothing of another test is done in it. */
	readonly idleS: number;
}

/**
 * The waits of every test that no two of which can pass at the same time: if nothing of another test is done in one,
 * the hands are idle but for own work beside it; if something is, the test is left and come back to, one turn more.
 */
export function costlyWaits(c: Compiled): readonly CostlyWait[] {
	const before = ancestors(c);
	const isBefore = (early: number, late: number) => early === late || before[late]!.has(early);
	const waits: CostlyWait[] = [];
	for (const own of c.pieces) {
		const found: CostlyWait[] = [];
		for (const to of own) {
			for (const { from, leastS } of c.arcsTo[to]!) {
				if (leastS <= 0) continue;
				let beside = 0;
				for (const piece of own) {
					if (!isBefore(piece, from) && !isBefore(to, piece)) beside += c.durationS[piece]!;
				}
				const idleS = leastS - beside;
				const costS = Math.min(c.changeoverS, idleS);
				if (costS > 0) found.push({ from, to, costS, idleS });
			}
		}
		found.sort((a, b) => b.costS - a.costS);
		const kept: CostlyWait[] = [];
		for (const wait of found) {
			if (kept.every((k) => isBefore(k.to, wait.from) || isBefore(wait.to, k.from))) kept.push(wait);
		}
		waits.push(...kept);
	}
	return waits;
}

function ancestors(c: Compiled): readonly ReadonlySet<number>[] {
	const before: Set<number>[] = [];
	for (let i = 0; i < c.n; i++) {
		const own = new Set<number>();
		for (const { from } of c.arcsTo[i]!) {
			own.add(from);
			for (const earlier of before[from]!) own.add(earlier);
		}
		before.push(own);
	}
	return before;
}

/**
 * No plan can be shorter than this, in seconds.
 *
 * For a set of pieces the one pair of hands needs, after the earliest that any of them can start (its head), all their
 * durations, one changeover less than the tests they belong to, what every wait between two of them costs, and the
 * shortest time that must follow any of them (its tail). The sets are those with head at least a and tail at least b;
 * without changeovers and waits their maximum is the makespan of the preemptive one-machine problem with heads and
 * tails (Jackson's preemptive schedule; Carlier (1982), European Journal of Operational Research 11, 42, gives both
 * sides). A chain of one test alone bounds as well, and so does equipment that is in use for the length of its tests.
 */
export function lowerBoundS(c: Compiled): number {
	if (c.n === 0) return 0;
	let bound = equipmentBoundS(c);
	for (let i = 0; i < c.n; i++) bound = Math.max(bound, c.headS[i]! + c.chainS[i]!);
	const tailS = c.chainS.map((chain, i) => chain - c.durationS[i]!);
	const byHead = c.durationS.map((_, i) => i).sort((a, b) => c.headS[b]! - c.headS[a]!);
	const tails = [...new Set(tailS)].sort((a, b) => a - b);
	const waitAfter = new Map(costlyWaits(c).map((w) => [w.from, w]));
	const isIn = new Uint8Array(c.n);
	for (const tail of tails) {
		let work = 0;
		const tests = new Set<number>();
		isIn.fill(0);
		for (const i of byHead) {
			if (tailS[i]! < tail) continue;
			work += c.durationS[i]!;
			tests.add(c.testOf[i]!);
			isIn[i] = 1;
			// Heads grow along a chain, so that the end of a wait is in the set before its beginning.
			const wait = waitAfter.get(i);
			if (wait && isIn[wait.to]) work += wait.costS;
			const turns = tests.size - 1 + (c.at >= 0 && !tests.has(c.at) && c.headS[i] === 0 ? 1 : 0);
			bound = Math.max(bound, c.headS[i]! + work + turns * c.changeoverS + tail);
		}
	}
	return bound;
}

/**
 * What is shared is in use for as long as its tests are. Together they cannot be done sooner than their sum allows; and
 * of one more test than a multiple of what there is, so many must come one after the other (the bound of identical
 * machines: Dell'Amico and Martello (1995), ORSA Journal on Computing 7, 191).
 */
function equipmentBoundS(c: Compiled): number {
	let bound = 0;
	c.capacity.forEach((capacity, e) => {
		let total = 0;
		const holds: number[] = [];
		for (const own of c.pieces) {
			const taking = own.filter((p) => c.takes[p]!.includes(e));
			const freeing = own.filter((p) => c.frees[p]!.includes(e));
			const units = taking.reduce((n, p) => n + c.takes[p]!.filter((x) => x === e).length, 0);
			const [first] = taking;
			const last = freeing.at(-1);
			if (first === undefined || last === undefined) continue;
			const heldS = c.chainS[first]! - (c.chainS[last]! - c.durationS[last]!);
			total += units * heldS;
			holds.push(heldS);
		}
		if (holds.length === 0 || capacity <= 0) return;
		bound = Math.max(bound, total / capacity);
		holds.sort((a, b) => b - a);
		for (let k = 1; k * capacity < holds.length; k++) {
			const inTurn = holds.slice(k * capacity - k, k * capacity + 1);
			bound = Math.max(bound, inTurn.reduce((sum, s) => sum + s, 0) + k * c.changeoverS);
		}
	});
	return bound;
}

/** Each test must be turned to once at least; the first one is no hop, unless another is at hand. */
export function fewestHops(c: Compiled): number {
	const tests = c.pieces.filter((own) => own.length > 0).length;
	return c.at >= 0 && c.pieces[c.at]!.length === 0 ? tests : Math.max(0, tests - 1);
}
