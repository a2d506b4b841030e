import { EPSILON } from '../timing.ts';
import type { Place } from './place.ts';

/**
 * How far other starts are moved when one is put off: the longest paths from it through the order, the lags and, the
 * other way round, the greatest lags and the guards of exact readings. Minus infinity where nothing moves.
 */
export class Reach {
	readonly moved: Float64Array;
	#again = false;

	constructor(private readonly place: Place) {
		this.moved = new Float64Array(place.c.n);
	}

	from(source: number): void {
		const { order } = this.place.timing;
		this.moved.fill(-Infinity);
		this.moved[source] = 0;
		for (this.#again = true; this.#again;) {
			this.#again = false;
			for (let k = 0; k < order.length; k++) {
				const piece = order[k]!;
				this.#raise(piece, this.#byWhatIsBefore(piece, k));
				if (this.moved[piece] === -Infinity) continue;
				this.#byGreatestLags(piece);
				this.#byGuards(piece, k);
			}
		}
	}

	#raise(piece: number, by: number): void {
		if (by <= this.moved[piece]! + EPSILON) return;
		this.moved[piece] = by;
		this.#again = true;
	}

	#byWhatIsBefore(piece: number, k: number): number {
		const { c, timing } = this.place;
		let most = this.moved[piece]!;
		if (k > 0) {
			const before = timing.order[k - 1]!;
			const turn = c.testOf[before] === c.testOf[piece] ? 0 : c.changeoverS;
			most = Math.max(most, this.moved[before]! + c.durationS[before]! + turn);
		}
		for (let r = c.rowOf[piece]!; r < c.rowOf[piece + 1]!; r++) {
			const from = c.arcFrom[r]!;
			most = Math.max(most, this.moved[from]! + c.durationS[from]! + c.arcLeastS[r]!);
		}
		return most;
	}

	#byGreatestLags(piece: number): void {
		const { c } = this.place;
		for (let r = c.rowOf[piece]!; r < c.rowOf[piece + 1]!; r++) {
			const from = c.arcFrom[r]!;
			this.#raise(from, this.moved[piece]! - c.durationS[from]! - c.arcGreatestS[r]!);
		}
	}

	#byGuards(piece: number, k: number): void {
		const { c, timing } = this.place;
		for (const { from, to, greatestS } of c.guards) {
			if (from < 0 || to === piece || timing.position[from]! < 0 || timing.position[from]! >= k) continue;
			const position = timing.position[to]!;
			if (position >= 0 && position < k) continue;
			const turn = c.testOf[to] === c.testOf[piece] ? 0 : c.changeoverS;
			this.#raise(from, this.moved[piece]! + c.longestS[piece]! + turn - c.durationS[from]! - greatestS);
		}
	}
}
