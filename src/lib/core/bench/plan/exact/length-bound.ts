import { EPSILON } from '../timing.ts';
import type { Place } from './place.ts';

/** How short a plan can be at least that goes on from a place. */
export class LengthBound {
	/** Earliest starts of what is not done yet, by what is. */
	readonly #headS: Float64Array;
	/** Least time from the end of a piece to the end of the last that comes after it. */
	readonly #tailS: Float64Array;
	/**
	 * Where sets of pieces are cut off: before a wait. A set that ends between two pieces without one gains as much work
	 * as it loses tail by taking the second in.
	 */
	readonly #thresholdsS: readonly number[];
	/** Pieces by their heads, latest first; hardly changes from one place of the tree to the next. */
	readonly #byHead: Int32Array;
	readonly #open: Int32Array;
	readonly #inSet: Int32Array;
	readonly #testsIn: Int32Array;
	#stamp = 0;

	constructor(private readonly place: Place) {
		const { c } = place;
		this.#headS = new Float64Array(c.n);
		this.#tailS = c.chainS.map((chain, i) => chain - c.durationS[i]!);
		const beforeWaits = this.#tailS.filter((_, i) => c.arcsFrom[i]!.some((a) => a.leastS > 0));
		this.#thresholdsS = [...new Set([0, ...beforeWaits])].sort((a, b) => a - b);
		this.#byHead = Int32Array.from({ length: c.n }, (_, i) => c.n - 1 - i);
		this.#open = new Int32Array(c.n);
		this.#inSet = new Int32Array(c.n);
		this.#testsIn = new Int32Array(c.pieces.length);
	}

	/**
	 * Shorter than this no completion is, s: by the whole work that is left, by each piece and what follows it, and by
	 * the work of the later and longer parts alone.
	 *
	 * @param enoughS where a bound beyond this is found, no better one is looked for
	 */
	here(enoughS: number): number {
		const bound = Math.max(this.#wholeWork(), this.#heads());
		return bound > enoughS + EPSILON ? bound : Math.max(bound, this.#partsOfWork());
	}

	#wholeWork(): number {
		const { c, timing, leftS, waitsLeftS } = this.place;
		const at = timing.lastTest;
		let turns = 0;
		let work = this.place.pendingWait()?.costS ?? 0;
		for (let t = 0; t < leftS.length; t++) {
			if (leftS[t]! <= EPSILON) continue;
			work += leftS[t]! + waitsLeftS[t]!;
			if (t !== at && at >= 0) turns++;
		}
		return Math.max(timing.endS, timing.endS + work + turns * c.changeoverS);
	}

	/** Sets the heads, and tells how long a plan is by a head and what follows it. */
	#heads(): number {
		const { c, timing } = this.place;
		const head = this.#headS;
		const now = timing.endS;
		const at = timing.lastTest;
		let bound = 0;
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
		return bound;
	}

	/** As the bound of a whole problem: pieces with heads and tails, turns between their tests, waits between them. */
	#partsOfWork(): number {
		const { timing } = this.place;
		this.#sortByHead();
		let count = 0;
		for (const piece of this.#byHead) if (!timing.has(piece)) this.#open[count++] = piece;
		let bound = 0;
		for (const tailS of this.#thresholdsS) bound = Math.max(bound, this.#workBeyond(tailS, count));
		return bound;
	}

	#sortByHead(): void {
		const head = this.#headS;
		const order = this.#byHead;
		for (let k = 1; k < order.length; k++) {
			const piece = order[k]!;
			let at = k;
			for (; at > 0 && head[order[at - 1]!]! < head[piece]!; at--) order[at] = order[at - 1]!;
			order[at] = piece;
		}
	}

	#workBeyond(tailS: number, count: number): number {
		const { c, waitAfter } = this.place;
		const stamp = ++this.#stamp;
		let bound = 0;
		let work = 0;
		let turns = -1;
		for (let k = 0; k < count; k++) {
			const i = this.#open[k]!;
			if (this.#tailS[i]! < tailS) continue;
			work += c.durationS[i]!;
			this.#inSet[i] = stamp;
			const test = c.testOf[i]!;
			if (this.#testsIn[test] !== stamp) {
				this.#testsIn[test] = stamp;
				turns++;
			}
			const wait = waitAfter[i];
			if (wait && this.#inSet[wait.to] === stamp) work += wait.costS;
			const least = this.#headS[i]! + work + turns * c.changeoverS + tailS;
			if (least > bound) bound = least;
		}
		return bound;
	}
}
