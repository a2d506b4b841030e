import { costlyWaits, fewestHops, type CostlyWait } from './bound.ts';
import type { Compiled } from './compile.ts';
import { Frontier } from './frontier.ts';
import { EPSILON, Timing, type TimingState } from './timing.ts';

interface Incumbent {
	readonly order: readonly number[];
	readonly makespanS: number;
	readonly hops: number;
}

/** What is known of one place in the tree: how early its work ended and with how many hops. */
interface Seen {
	readonly times: Float64Array;
	readonly hops: number;
}

/** By how much the first plans looked for may be longer than the bound, relative, and how this grows. */
const FIRST_STEP = 0.008;
const STEP_GROWS = 1.5;

/** More places than this are not remembered. */
const MOST_SEEN = 400_000;

/**
 * The shortest plan, and of the shortest one with the fewest hops, by branch and bound over the orders of pieces. A
 * branch is cut where its bound is no better than the best known, or where the same work was done before in another
 * order, no later and with no more hops, and nothing that is still open could tell the two apart.
 *
 * The tree is gone through several times, each time for plans a little longer than before (iterative deepening, Korf
 * (1985), Artificial Intelligence 27, 97): a poor plan to begin with costs little, and what was gone through in vain
 * raises the bound.
 *
 * @param boundS no plan is shorter, from elsewhere
 * @param goOn asked now and then; false ends the search
 * @returns the best order, whether it is known to be the best, and the highest bound that was reached
 */
export function searchExactly(
	c: Compiled,
	known: Incumbent | null,
	boundS: number,
	goOn: () => boolean
): { readonly best: Incumbent | null; readonly proven: boolean; readonly boundS: number } {
	let best = known;
	/** Plans longer than this are not looked at. */
	let limitS = Infinity;
	/** Null while the shortest is looked for; then no more hops than this are looked at. */
	let mostHops: number | null = null;
	let nodes = 0;
	let stopped = false;
	const timing = new Timing(c);
	const frontier = new Frontier(c);
	/** By what is done and the test at hand. */
	const seen = new Map<number, Seen[]>();
	let remembered = 0;

	/** Work that is left of each test, and what its waits that have not begun cost. */
	const left = c.pieces.map((own) => own.reduce((sum, p) => sum + c.durationS[p]!, 0));
	const waits = costlyWaits(c);
	const waitAfter = Array.from({ length: c.n }, (_, i) => waits.find((w) => w.from === i) ?? null);
	const waitsLeft = c.pieces.map((_, t) =>
		waits.filter((w) => c.testOf[w.from] === t).reduce((sum, w) => sum + w.costS, 0)
	);
	const head = new Float64Array(c.n);
	const tailS = c.chainS.map((chain, i) => chain - c.durationS[i]!);
	/**
	 * Where sets of pieces are cut off: before a wait. A set that ends between two pieces without one gains as much work
	 * as it loses tail by taking the second in.
	 */
	const thresholds = [
		...new Set([0, ...tailS.filter((_, i) => c.arcsFrom[i]!.some((a) => a.leastS > 0))])
	].sort((a, b) => a - b);

	/** Counts a piece in that timing has taken. */
	function enter(piece: number): void {
		const test = c.testOf[piece]!;
		frontier.push(piece);
		left[test]! -= c.durationS[piece]!;
		waitsLeft[test]! -= waitAfter[piece]?.costS ?? 0;
	}
	function leave(piece: number, state: TimingState): void {
		const test = c.testOf[piece]!;
		left[test]! += c.durationS[piece]!;
		waitsLeft[test]! += waitAfter[piece]?.costS ?? 0;
		frontier.pop(piece);
		timing.restore(state);
	}

	/** The wait that the test at hand is in, if it is: idle till its end, or away and back. */
	function pendingS(): CostlyWait | null {
		const last = timing.order.at(-1);
		const wait = last === undefined ? undefined : waitAfter[last];
		return wait && !timing.has(wait.to) ? wait : null;
	}

	/** Shorter than this no completion is: whole work that is left, or that of the later and longer parts alone. */
	function boundHere(): number {
		const now = timing.endS;
		const at = timing.lastTest;
		let bound = now;
		let turns = 0;
		let work = pendingS()?.costS ?? 0;
		for (let t = 0; t < left.length; t++) {
			if (left[t]! <= EPSILON) continue;
			work += left[t]! + waitsLeft[t]!;
			if (t !== at && at >= 0) turns++;
		}
		bound = Math.max(bound, now + work + turns * c.changeoverS);
		for (let i = 0; i < c.n; i++) {
			if (timing.has(i)) continue;
			let from = Math.max(c.notBeforeS[i]!, now + (c.testOf[i] !== at && at >= 0 ? c.changeoverS : 0));
			for (let r = c.rowOf[i]!; r < c.rowOf[i + 1]!; r++) {
				const j = c.arcFrom[r]!;
				const ready = (timing.has(j) ? timing.endOf(j) : head[j]! + c.durationS[j]!) + c.arcLeastS[r]!;
				if (ready > from) from = ready;
			}
			head[i] = from;
			if (from + c.chainS[i]! > bound) bound = from + c.chainS[i]!;
		}
		if (best !== null && bound > best.makespanS + EPSILON) return bound;
		return Math.max(bound, loadBound());
	}

	/** Pieces by their heads, latest first; hardly changes from one place of the tree to the next. */
	const byHead = Int32Array.from({ length: c.n }, (_, i) => c.n - 1 - i);
	const open = new Int32Array(c.n);
	let stamp = 0;
	const inSet = new Int32Array(c.n);
	const testsIn = new Int32Array(c.pieces.length);
	/** As the bound of a whole problem: pieces with heads and tails, turns between their tests, waits between them. */
	function loadBound(): number {
		for (let k = 1; k < c.n; k++) {
			const piece = byHead[k]!;
			let at = k;
			for (; at > 0 && head[byHead[at - 1]!]! < head[piece]!; at--) byHead[at] = byHead[at - 1]!;
			byHead[at] = piece;
		}
		let count = 0;
		for (let k = 0; k < c.n; k++) if (!timing.has(byHead[k]!)) open[count++] = byHead[k]!;
		let bound = 0;
		for (const tail of thresholds) {
			let work = 0;
			let turns = -1;
			stamp++;
			for (let k = 0; k < count; k++) {
				const i = open[k]!;
				if (tailS[i]! < tail) continue;
				work += c.durationS[i]!;
				inSet[i] = stamp;
				const test = c.testOf[i]!;
				if (testsIn[test] !== stamp) {
					testsIn[test] = stamp;
					turns++;
				}
				const wait = waitAfter[i];
				if (wait && inSet[wait.to] === stamp) work += wait.costS;
				const least = head[i]! + work + turns * c.changeoverS + tail;
				if (least > bound) bound = least;
			}
		}
		return bound;
	}

	/** Waits by what leaving them for another test saves, most first. */
	const bySaving = [...waits].sort((a, b) => b.idleS - b.costS - (a.idleS - a.costS));
	/**
	 * The fewest hops that a completion in time needs: every open test is turned to, and as many waits are left for
	 * another test as it takes to have the hands idle no longer than there is time.
	 */
	function hopsHere(hops: number): number {
		const at = timing.lastTest;
		const pending = pendingS();
		let turns = 0;
		let work = pending?.idleS ?? 0;
		for (let t = 0; t < left.length; t++) {
			if (left[t]! <= EPSILON) continue;
			work += left[t]!;
			if (t !== at) turns++;
		}
		if (at < 0 && turns > 0) turns--;
		for (const wait of waits) if (!timing.has(wait.from)) work += wait.idleS;
		const deadlineS = Math.min(limitS, best?.makespanS ?? Infinity);
		let over = timing.endS + work + turns * c.changeoverS - deadlineS - EPSILON;
		let broken = 0;
		for (const wait of bySaving) {
			if (over <= 0) break;
			if (timing.has(wait.from) && wait !== pending) continue;
			over -= wait.idleS - wait.costS;
			broken++;
		}
		return hops + turns + broken;
	}

	/** Pieces that something must follow soon. */
	const pressing = c.arcsFrom.flatMap((arcs, i) => {
		const to = arcs.filter((a) => a.greatestS < Infinity).map((a) => a.to);
		return to.length > 0 ? [{ piece: i, to }] : [];
	});
	const states: TimingState[] = [];
	const reach = new Float64Array(c.n);
	/**
	 * How far other starts are moved when one is put off: the longest paths from it through the order, the lags and, the
	 * other way round, the greatest lags and the guards of exact readings. Minus infinity where nothing moves.
	 */
	function reachFrom(source: number): void {
		const { order } = timing;
		reach.fill(-Infinity);
		reach[source] = 0;
		for (let again = true; again;) {
			again = false;
			for (let k = 0; k < order.length; k++) {
				const piece = order[k]!;
				let most = reach[piece]!;
				if (k > 0) {
					const before = order[k - 1]!;
					const turn = c.testOf[before] === c.testOf[piece] ? 0 : c.changeoverS;
					most = Math.max(most, reach[before]! + c.durationS[before]! + turn);
				}
				for (let r = c.rowOf[piece]!; r < c.rowOf[piece + 1]!; r++) {
					const from = c.arcFrom[r]!;
					most = Math.max(most, reach[from]! + c.durationS[from]! + c.arcLeastS[r]!);
				}
				if (most > reach[piece]! + EPSILON) {
					reach[piece] = most;
					again = true;
				}
				if (reach[piece] === -Infinity) continue;
				for (let r = c.rowOf[piece]!; r < c.rowOf[piece + 1]!; r++) {
					const from = c.arcFrom[r]!;
					const back = reach[piece]! - c.durationS[from]! - c.arcGreatestS[r]!;
					if (back > reach[from]! + EPSILON) {
						reach[from] = back;
						again = true;
					}
				}
				for (const { from, to, greatestS } of c.guards) {
					if (from < 0 || to === piece || timing.position[from]! < 0 || timing.position[from]! >= k) continue;
					const position = timing.position[to]!;
					if (position >= 0 && position < k) continue;
					const turn = c.testOf[to] === c.testOf[piece] ? 0 : c.changeoverS;
					const back = reach[piece]! + c.longestS[piece]! + turn - c.durationS[from]! - greatestS;
					if (back > reach[from]! + EPSILON) {
						reach[from] = back;
						again = true;
					}
				}
			}
		}
	}

	const followers = c.arcsFrom.map((arcs) => arcs.map((a) => a.to));
	const scratch = new Float64Array(3 * c.n * (c.pieces.length + 2));
	const waitedFor: number[] = [];
	/** What has a latest moment of its own. */
	const due = Array.from({ length: c.n }, (_, i) => i).filter((i) => c.dueS[i]! < Infinity);
	/**
	 * True where the same work was done before in another order, and whatever can still be done now could have been done
	 * then no later: all ends that something counts from were no later, the hands came free no later, and putting any of
	 * them off moved the others and the hands by no more.
	 */
	function isDominated(hops: number): boolean {
		const { order } = timing;
		const last = order.at(-1)!;
		// Up to 48 pieces: a sum of powers of two is exact.
		let done = 0;
		for (const piece of order) done += 2 ** piece;
		waitedFor.length = 0;
		for (let piece = 0; piece < c.n; piece++) {
			if (timing.has(piece) && followers[piece]!.some((to) => !timing.has(to))) waitedFor.push(piece);
		}
		let count = 0;
		scratch[count++] = timing.endS;
		for (const piece of waitedFor) scratch[count++] = timing.endOf(piece);
		for (const { piece, to } of pressing) {
			if (!timing.has(piece) || to.every((next) => timing.has(next))) continue;
			reachFrom(piece);
			for (const other of waitedFor) if (other !== piece) scratch[count++] = reach[other]!;
			for (const other of due) if (timing.has(other)) scratch[count++] = reach[other]!;
			scratch[count++] = reach[last]! + c.durationS[last]!;
		}
		const key = done * c.pieces.length + c.testOf[last]!;
		let places = seen.get(key);
		if (!places) seen.set(key, (places = []));
		for (let k = 0; k < places.length; k++) {
			const other = places[k]!;
			if (other.hops > hops) continue;
			const { times } = other;
			let i = 0;
			while (i < count && times[i]! <= scratch[i]! + EPSILON) i++;
			if (i < count) continue;
			// What served once serves again soon.
			places[k] = places[0]!;
			places[0] = other;
			return true;
		}
		if (remembered < MOST_SEEN) {
			remembered++;
			// While only the length counts, hops tell nothing apart.
			const own = { times: scratch.slice(0, count), hops: mostHops === null ? 0 : hops };
			let kept = 0;
			for (const other of places) {
				let i = 0;
				if (other.hops >= own.hops) while (i < count && other.times[i]! >= own.times[i]! - EPSILON) i++;
				if (i < count) places[kept++] = other;
			}
			remembered -= places.length - kept;
			places.length = kept;
			places.push(own);
		}
		return false;
	}

	function go(hops: number): void {
		if (stopped) return;
		if ((++nodes & 63) === 0 && !goOn()) {
			stopped = true;
			return;
		}
		if (timing.order.length === c.n) {
			const makespanS = timing.endS;
			if (makespanS > limitS + EPSILON) return;
			if (
				best === null ||
				makespanS < best.makespanS - EPSILON ||
				(makespanS < best.makespanS + EPSILON && hops < best.hops)
			)
				best = { order: [...timing.order], makespanS, hops };
			return;
		}
		if (timing.order.length > 1 && isDominated(hops)) return;
		const at = timing.lastTest;
		const children: { piece: number; bound: number; hops: number; needs: number; start: number }[] = [];
		const state = (states[timing.order.length] ??= timing.save());
		timing.save(state);
		const available = [...frontier.available()];
		for (const piece of available) {
			if (!timing.append(piece)) {
				timing.restore(state);
				continue;
			}
			if (mostHops === null && couldBeFilled(piece, available, state)) continue;
			enter(piece);
			const test = c.testOf[piece]!;
			const taken = hops + (at >= 0 && at !== test ? 1 : 0);
			const bound = boundHere();
			const needs = hopsHere(taken);
			if (worthwhile(bound, needs)) {
				children.push({ piece, bound, hops: taken, needs, start: timing.start[piece]! });
			}
			leave(piece, state);
		}
		if (mostHops === null) children.sort((a, b) => a.bound - b.bound || a.start - b.start);
		else children.sort((a, b) => a.needs - b.needs || a.hops - b.hops || a.bound - b.bound);
		for (const child of children) {
			if (!worthwhile(child.bound, child.needs)) continue;
			timing.append(child.piece);
			enter(child.piece);
			go(child.hops);
			leave(child.piece, state);
			if (stopped) return;
		}
	}

	/** What nothing must follow soon, and what keeps nothing from others: sooner is never worse for the length. */
	const wished = c.alone.some(Boolean) || c.testsBefore.some((t) => t.length > 0);
	const harmless = c.arcsFrom.map(
		(arcs, i) => !wished && c.takes[i]!.length === 0 && arcs.every((a) => a.greatestS === Infinity)
	);
	/** True where something that was done may still have to be put off because of what follows it, this piece apart. */
	function pressesBeside(piece: number): boolean {
		return pressing.some(
			({ piece: done, to }) =>
				done !== piece && timing.has(done) && to.some((next) => next !== piece && !timing.has(next))
		);
	}
	/**
	 * True where the hands would be idle before a piece for so long that something harmless fits in: then a plan with
	 * that first is no longer, as long as nothing before them can be put off. Leaves the piece appended where not, and
	 * the state restored where so.
	 */
	function couldBeFilled(piece: number, available: readonly number[], state: TimingState): boolean {
		const start = timing.start[piece]!;
		const before = timing.order.at(-2);
		const free = before === undefined ? 0 : timing.endOf(before);
		const at = before === undefined ? c.at : c.testOf[before]!;
		if (start - free < c.changeoverS + EPSILON && c.testOf[piece] !== at) return false;
		if (start - free < EPSILON || pressesBeside(piece)) return false;
		for (const other of available) {
			if (other === piece || !harmless[other]) continue;
			const turns =
				(at >= 0 && c.testOf[other] !== at ? c.changeoverS : 0) +
				(c.testOf[other] !== c.testOf[piece] ? c.changeoverS : 0);
			if (free + turns + c.durationS[other]! > start + EPSILON) continue;
			timing.restore(state);
			const fits = timing.append(other) && timing.append(piece) && timing.start[piece]! <= start + EPSILON;
			timing.restore(state);
			if (fits) return true;
			timing.append(piece);
		}
		return false;
	}

	function worthwhile(bound: number, hops: number): boolean {
		if (bound > limitS + EPSILON) return false;
		if (mostHops !== null) return hops <= mostHops && (best === null || hops < best.hops);
		return best === null || bound < best.makespanS - EPSILON;
	}
	function search(): void {
		seen.clear();
		remembered = 0;
		go(0);
	}

	for (let step = FIRST_STEP; ; step *= STEP_GROWS) {
		limitS = boundS * (1 + step);
		if (best === null || limitS >= best.makespanS - EPSILON) limitS = Infinity;
		search();
		if (stopped) return { best, proven: false, boundS };
		if (limitS === Infinity || (best !== null && best.makespanS <= limitS + EPSILON)) break;
		boundS = limitS;
	}
	if (best === null) return { best, proven: true, boundS };
	boundS = best.makespanS;
	limitS = boundS;
	for (mostHops = fewestHops(c); mostHops < best.hops; mostHops++) {
		search();
		if (stopped) return { best, proven: false, boundS };
	}
	return { best, proven: true, boundS };
}
