import { EPSILON, type TimingState } from '../timing.ts';
import type { Pressing } from './dominance.ts';
import type { Place } from './place.ts';

/** Knows pieces before which the hands would be idle for no good reason. */
export class Filling {
	/** What nothing must follow soon, and what keeps nothing from others: sooner is never worse for the length. */
	readonly #harmless: readonly boolean[];

	constructor(
		private readonly place: Place,
		private readonly pressing: readonly Pressing[]
	) {
		const { c } = place;
		const wished = c.alone.some(Boolean) || c.testsBefore.some((t) => t.length > 0);
		this.#harmless = c.arcsFrom.map(
			(arcs, i) => !wished && c.takes[i]!.length === 0 && arcs.every((a) => a.greatestS === Infinity)
		);
	}

	/**
	 * True where the hands would be idle before a piece for so long that something harmless fits in: then a plan with
	 * that first is no longer, as long as nothing before them can be put off. Leaves the piece appended where not, and
	 * the state restored where so.
	 */
	couldBeFilled(piece: number, available: readonly number[], state: TimingState): boolean {
		const { c, timing } = this.place;
		const start = timing.start[piece]!;
		const before = timing.order.at(-2);
		const free = before === undefined ? 0 : timing.endOf(before);
		const at = before === undefined ? c.at : c.testOf[before]!;
		if (start - free < c.changeoverS + EPSILON && c.testOf[piece] !== at) return false;
		if (start - free < EPSILON || this.#pressesBeside(piece)) return false;
		for (const other of available) {
			if (other === piece || !this.#harmless[other]) continue;
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

	/** True where something that was done may still have to be put off because of what follows it, this piece apart. */
	#pressesBeside(piece: number): boolean {
		const { timing } = this.place;
		return this.pressing.some(
			({ piece: done, to }) =>
				done !== piece && timing.has(done) && to.some((next) => next !== piece && !timing.has(next))
		);
	}
}
