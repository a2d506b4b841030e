import type { Compiled } from './compile.ts';

/**
 * The earliest times of a growing order of pieces. An order fixes who comes before whom, so its times are a system of
 * differences: each piece as early as what comes before it allows. Where a greatest lag would be overrun, what it
 * counts from is put off, as late as needed; where that would put the late one off as well, the order is impossible.
 */
export class Timing {
	readonly order: number[] = [];
	readonly start: Float64Array;
	/** Earlier than this it may not start, because what follows it would come too late. */
	readonly #floor: Float64Array;
	/** What came too late and raised the floor. */
	readonly #floorBy: Int32Array;
	/** The piece that a start hangs on; −1 where it hangs on no other. */
	readonly #hangsOn: Int32Array;
	/** Where a piece stands in the order; −1 where it is not in it. */
	readonly position: Int32Array;
	/** Extra seconds that must be free before the latest start of an exact reading. */
	reserveS = 0;

	constructor(private readonly c: Compiled) {
		this.start = new Float64Array(c.n);
		this.#floor = Float64Array.from(c.notBeforeS);
		this.#floorBy = new Int32Array(c.n).fill(-1);
		this.#hangsOn = new Int32Array(c.n).fill(-1);
		this.position = new Int32Array(c.n).fill(-1);
	}

	get endS(): number {
		const last = this.order.at(-1);
		return last === undefined ? 0 : this.start[last]! + this.c.durationS[last]!;
	}

	has(piece: number): boolean {
		return this.position[piece]! >= 0;
	}

	endOf(piece: number): number {
		return this.start[piece]! + this.c.durationS[piece]!;
	}

	get lastTest(): number {
		const last = this.order.at(-1);
		return last === undefined ? this.c.at : this.c.testOf[last]!;
	}

	/** Takes a copy to come back to, over an older one where there is one. */
	save(over?: TimingState): TimingState {
		const state = over ?? {
			length: 0,
			start: new Float64Array(this.c.n),
			floor: new Float64Array(this.c.n),
			floorBy: new Int32Array(this.c.n),
			hangsOn: new Int32Array(this.c.n)
		};
		state.length = this.order.length;
		state.start.set(this.start);
		state.floor.set(this.#floor);
		state.floorBy.set(this.#floorBy);
		state.hangsOn.set(this.#hangsOn);
		return state;
	}
	restore(state: TimingState): void {
		while (this.order.length > state.length) this.position[this.order.pop()!] = -1;
		this.start.set(state.start);
		this.#floor.set(state.floor);
		this.#floorBy.set(state.floorBy);
		this.#hangsOn.set(state.hangsOn);
	}

	/** Begins again with nothing in order. */
	clear(): void {
		this.order.length = 0;
		this.position.fill(-1);
		this.#floor.set(this.c.notBeforeS);
		this.#floorBy.fill(-1);
		this.#hangsOn.fill(-1);
	}

	/**
	 * Puts a piece at the end of the order. What comes before it must be in the order already.
	 *
	 * @returns false where no times satisfy the order; the times are then worthless until `restore` or `clear`
	 */
	append(piece: number): boolean {
		this.order.push(piece);
		this.position[piece] = this.order.length - 1;
		let from = this.order.length - 1;
		for (;;) {
			const broken = this.#forward(from);
			if (broken === DONE) return true;
			if (broken === IMPOSSIBLE) return false;
			from = broken;
		}
	}

	/** All of an order at once. */
	run(order: readonly number[]): boolean {
		this.clear();
		for (const piece of order) {
			this.order.push(piece);
			this.position[piece] = this.order.length - 1;
		}
		let from = 0;
		for (;;) {
			const broken = this.#forward(from);
			if (broken === DONE) return true;
			if (broken === IMPOSSIBLE) return false;
			from = broken;
		}
	}

	/** Times from a place in the order on; stops at the first that is broken and says from where to go on. */
	#forward(from: number): number {
		const { c, order, start } = this;
		const { testOf, durationS, dueS, rowOf, arcFrom, arcLeastS, arcGreatestS, changeoverS } = c;
		for (let k = from; k < order.length; k++) {
			const piece = order[k]!;
			const test = testOf[piece]!;
			const before = k > 0 ? order[k - 1]! : -1;
			const testBefore = before < 0 ? c.at : testOf[before]!;
			const turn = testBefore >= 0 && testBefore !== test ? changeoverS : 0;
			let at = this.#floor[piece]!;
			let hangsOn = this.#floorBy[piece]!;
			const free = before < 0 ? turn : start[before]! + durationS[before]! + turn;
			if (free > at) {
				at = free;
				hangsOn = before;
			}
			const row = rowOf[piece]!;
			const rowEnd = rowOf[piece + 1]!;
			for (let r = row; r < rowEnd; r++) {
				const i = arcFrom[r]!;
				const ready = start[i]! + durationS[i]! + arcLeastS[r]!;
				if (ready > at) {
					at = ready;
					hangsOn = i;
				}
			}
			start[piece] = at;
			this.#hangsOn[piece] = hangsOn;
			if (at > dueS[piece]! + EPSILON) return IMPOSSIBLE;
			for (let r = row; r < rowEnd; r++) {
				const i = arcFrom[r]!;
				const latest = start[i]! + durationS[i]! + arcGreatestS[r]!;
				if (at > latest + EPSILON) return this.#putOff(i, at - latest, piece);
			}
			const broken = this.#guardExact(k, piece);
			if (broken !== DONE) return broken;
		}
		return DONE;
	}

	/**
	 * What begins between an exact wait and the reading that ends it may not, at its longest, run over the latest
	 * moment for that reading; nor over the latest moment of an exact reading that is due already.
	 */
	#guardExact(k: number, piece: number): number {
		const { c, start } = this;
		const { guards } = c;
		const most = start[piece]! + c.longestS[piece]! + this.reserveS;
		for (let g = 0; g < guards.length; g++) {
			const { from, to, greatestS } = guards[g]!;
			if (to === piece) continue;
			const position = this.position[to]!;
			if (position >= 0 && position < k) continue;
			const turn = c.testOf[to] === c.testOf[piece] ? 0 : c.changeoverS;
			if (from < 0) {
				if (most + turn > greatestS + EPSILON) return IMPOSSIBLE;
				continue;
			}
			const begun = this.position[from]!;
			if (begun < 0 || begun >= k) continue;
			const byS = most + turn - (start[from]! + c.durationS[from]! + greatestS);
			if (byS > EPSILON) return this.#putOff(from, byS, piece);
		}
		return DONE;
	}

	/** Puts a piece off, unless what came too late would be put off with it. */
	#putOff(piece: number, byS: number, late: number): number {
		let i = late;
		for (let links = 0; i >= 0 && links <= this.c.n; links++) {
			if (i === piece) return IMPOSSIBLE;
			i = this.#hangsOn[i]!;
		}
		if (i >= 0) return IMPOSSIBLE;
		this.#floor[piece] = this.start[piece]! + byS;
		this.#floorBy[piece] = late;
		return this.position[piece]!;
	}
}

export interface TimingState {
	length: number;
	readonly start: Float64Array;
	readonly floor: Float64Array;
	readonly floorBy: Int32Array;
	readonly hangsOn: Int32Array;
}

const DONE = -1;
const IMPOSSIBLE = -2;
export const EPSILON = 1e-6;
