import { fewestHops } from '../bound.ts';
import type { Compiled } from '../compile.ts';
import { EPSILON, type TimingState } from '../timing.ts';
import { Dominance, pressingPieces } from './dominance.ts';
import { Filling } from './filling.ts';
import { HopsBound } from './hops-bound.ts';
import { LengthBound } from './length-bound.ts';
import { Place } from './place.ts';

interface Incumbent {
	readonly order: readonly number[];
	readonly makespanS: number;
	readonly hops: number;
}

/** What may be done next, with the least that a plan with it takes. */
interface Child {
	readonly piece: number;
	readonly bound: number;
	readonly hops: number;
	readonly needs: number;
	readonly start: number;
}

interface Found {
	readonly best: Incumbent | null;
	/** No better one is there. */
	readonly proven: boolean;
	/** The highest bound that was reached: no plan is shorter. */
	readonly boundS: number;
}

/** By how much the first plans looked for may be longer than the bound, relative, and how this grows. */
const FIRST_STEP = 0.008;
const STEP_GROWS = 1.5;
/** The clock is asked after so many places of the tree. */
const ASKED_EACH = 64;

const LENGTH_FIRST = (a: Child, b: Child) => a.bound - b.bound || a.start - b.start;
const HOPS_FIRST = (a: Child, b: Child) => a.needs - b.needs || a.hops - b.hops || a.bound - b.bound;

class ExactSearch {
	readonly #place: Place;
	readonly #length: LengthBound;
	readonly #hops: HopsBound;
	readonly #dominance: Dominance;
	readonly #filling: Filling;
	readonly #states: TimingState[] = [];
	#best: Incumbent | null;
	/** Plans longer than this are not looked at. */
	#limitS = Infinity;
	/** Null while the shortest is looked for; then no more hops than this are looked at. */
	#mostHops: number | null = null;
	#nodes = 0;
	#stopped = false;

	constructor(
		private readonly c: Compiled,
		known: Incumbent | null,
		private readonly goOn: () => boolean
	) {
		this.#best = known;
		this.#place = new Place(c);
		const pressing = pressingPieces(c);
		this.#length = new LengthBound(this.#place);
		this.#hops = new HopsBound(this.#place);
		this.#dominance = new Dominance(this.#place, pressing);
		this.#filling = new Filling(this.#place, pressing);
	}

	run(knownBoundS: number): Found {
		let boundS = knownBoundS;
		for (let step = FIRST_STEP; ; step *= STEP_GROWS) {
			this.#limitS = boundS * (1 + step);
			if (this.#best === null || this.#limitS >= this.#best.makespanS - EPSILON) this.#limitS = Infinity;
			this.#search();
			if (this.#stopped) return { best: this.#best, proven: false, boundS };
			if (this.#limitS === Infinity || this.#found(this.#limitS)) break;
			boundS = this.#limitS;
		}
		if (this.#best === null) return { best: null, proven: true, boundS };
		boundS = this.#best.makespanS;
		this.#limitS = boundS;
		for (let most = fewestHops(this.c); most < this.#best.hops; most++) {
			this.#mostHops = most;
			this.#search();
			if (this.#stopped) return { best: this.#best, proven: false, boundS };
		}
		return { best: this.#best, proven: true, boundS };
	}

	#found(withinS: number): boolean {
		return this.#best !== null && this.#best.makespanS <= withinS + EPSILON;
	}

	#search(): void {
		this.#dominance.forget();
		this.#go(0);
	}

	#go(hops: number): void {
		if (this.#stopped) return;
		if (++this.#nodes % ASKED_EACH === 0 && !this.goOn()) {
			this.#stopped = true;
			return;
		}
		const { timing } = this.#place;
		const depth = timing.order.length;
		if (depth === this.c.n) return this.#arrive(hops);
		if (depth > 1 && this.#dominance.isDominated(hops, this.#mostHops !== null)) return;
		const state = (this.#states[depth] ??= timing.save());
		timing.save(state);
		for (const child of this.#children(hops, state)) {
			if (!this.#isWorthwhile(child.bound, child.needs)) continue;
			timing.append(child.piece);
			this.#place.enter(child.piece);
			this.#go(child.hops);
			this.#place.leave(child.piece, state);
			if (this.#stopped) return;
		}
	}

	/** A whole plan: kept where it is better than the best known. */
	#arrive(hops: number): void {
		const { timing } = this.#place;
		const makespanS = timing.endS;
		if (makespanS > this.#limitS + EPSILON) return;
		const best = this.#best;
		const isBetter =
			best === null ||
			makespanS < best.makespanS - EPSILON ||
			(makespanS < best.makespanS + EPSILON && hops < best.hops);
		if (isBetter) this.#best = { order: [...timing.order], makespanS, hops };
	}

	/** What may be done next and is worth it, the most promising first. */
	#children(hops: number, state: TimingState): Child[] {
		const { c } = this;
		const place = this.#place;
		const { timing } = place;
		const at = timing.lastTest;
		const children: Child[] = [];
		const available = [...place.frontier.available()];
		for (const piece of available) {
			if (!timing.append(piece)) {
				timing.restore(state);
				continue;
			}
			if (this.#mostHops === null && this.#filling.couldBeFilled(piece, available, state)) continue;
			place.enter(piece);
			const taken = hops + (at >= 0 && at !== c.testOf[piece] ? 1 : 0);
			const bestS = this.#best?.makespanS ?? Infinity;
			const bound = this.#length.here(bestS);
			const needs = this.#hops.here(taken, Math.min(this.#limitS, bestS));
			if (this.#isWorthwhile(bound, needs)) {
				children.push({ piece, bound, hops: taken, needs, start: timing.start[piece]! });
			}
			place.leave(piece, state);
		}
		return children.sort(this.#mostHops === null ? LENGTH_FIRST : HOPS_FIRST);
	}

	#isWorthwhile(bound: number, hops: number): boolean {
		if (bound > this.#limitS + EPSILON) return false;
		const best = this.#best;
		if (this.#mostHops !== null) return hops <= this.#mostHops && (best === null || hops < best.hops);
		return best === null || bound < best.makespanS - EPSILON;
	}
}

/**
 * The shortest plan, and of the shortest one with the fewest hops, by branch and bound over the orders of pieces. A
 * branch is cut where its bound is no better than the best known, or where the same work was done before in another
 * order, no later and with no more hops, and nothing that is still open could tell the two apart.
 *
 * The tree is gone through several times, each time for plans a little longer than before (iterative deepening, Korf
 * (1985), Artificial Intelligence 27, 97): a poor plan to begin with costs little, and what was gone through in vain
 * raises the bound.
 *
 * @param known the best plan so far
 * @param boundS no plan is shorter, from elsewhere
 * @param goOn asked now and then; false ends the search
 */
export function searchExactly(
	c: Compiled,
	known: Incumbent | null,
	boundS: number,
	goOn: () => boolean
): Found {
	return new ExactSearch(c, known, goOn).run(boundS);
}
