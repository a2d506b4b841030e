import type { CostlyWait } from '../bound.ts';
import { EPSILON } from '../timing.ts';
import type { Place } from './place.ts';

/** How often the hands have to turn to another test at least in a plan that goes on from a place. */
export class HopsBound {
	/** Waits by what leaving them for another test saves, most first. */
	readonly #bySaving: readonly CostlyWait[];

	constructor(private readonly place: Place) {
		this.#bySaving = [...place.waits].sort((a, b) => b.idleS - b.costS - (a.idleS - a.costS));
	}

	/**
	 * The fewest hops of a completion that ends in time: every open test is turned to, and as many waits are left for
	 * another test as it takes to have the hands idle no longer than there is time.
	 *
	 * @param hops that were taken
	 */
	here(hops: number, deadlineS: number): number {
		const { c, timing, leftS, waits } = this.place;
		const at = timing.lastTest;
		const pending = this.place.pendingWait();
		let turns = 0;
		let work = pending?.idleS ?? 0;
		for (let t = 0; t < leftS.length; t++) {
			if (leftS[t]! <= EPSILON) continue;
			work += leftS[t]!;
			if (t !== at) turns++;
		}
		if (at < 0 && turns > 0) turns--;
		for (const wait of waits) if (!timing.has(wait.from)) work += wait.idleS;
		let over = timing.endS + work + turns * c.changeoverS - deadlineS - EPSILON;
		let broken = 0;
		for (const wait of this.#bySaving) {
			if (over <= 0) break;
			if (timing.has(wait.from) && wait !== pending) continue;
			over -= wait.idleS - wait.costS;
			broken++;
		}
		return hops + turns + broken;
	}
}
