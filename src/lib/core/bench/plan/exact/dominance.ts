import type { Compiled } from '../compile.ts';
import { EPSILON } from '../timing.ts';
import type { Place } from './place.ts';
import { Reach } from './reach.ts';

/** What is known of one place in the tree: how early its work ended and with how many hops. */
interface Seen {
	readonly times: Float64Array;
	readonly hops: number;
}

/** A piece that others must follow soon. */
export interface Pressing {
	readonly piece: number;
	readonly to: readonly number[];
}

export function pressingPieces(c: Compiled): readonly Pressing[] {
	return c.arcsFrom.flatMap((arcs, i) => {
		const to = arcs.filter((a) => a.greatestS < Infinity).map((a) => a.to);
		return to.length > 0 ? [{ piece: i, to }] : [];
	});
}

/** More places than this are not remembered. */
const MOST_SEEN = 400_000;

/** Remembers places of the tree, and knows those that nothing better can come from. */
export class Dominance {
	/** By what is done and the test at hand. */
	readonly #seen = new Map<number, Seen[]>();
	#remembered = 0;
	readonly #reach: Reach;
	readonly #followers: readonly (readonly number[])[];
	/** What has a latest moment of its own. */
	readonly #due: readonly number[];
	/** Times that tell a place from another with the same work done. */
	readonly #times: Float64Array;
	readonly #waitedFor: number[] = [];

	constructor(
		private readonly place: Place,
		private readonly pressing: readonly Pressing[]
	) {
		const { c } = place;
		this.#reach = new Reach(place);
		this.#followers = c.arcsFrom.map((arcs) => arcs.map((a) => a.to));
		this.#due = Array.from({ length: c.n }, (_, i) => i).filter((i) => c.dueS[i]! < Infinity);
		this.#times = new Float64Array(3 * c.n * (c.pieces.length + 2));
	}

	forget(): void {
		this.#seen.clear();
		this.#remembered = 0;
	}

	/**
	 * True where the same work was done before in another order, and whatever can still be done now could have been done
	 * then no later: all ends that something counts from were no later, the hands came free no later, and putting any of
	 * them off moved the others and the hands by no more.
	 *
	 * @param counted hops tell plans apart; while only the length counts they do not
	 */
	isDominated(hops: number, counted: boolean): boolean {
		const count = this.#measure();
		const key = this.#key();
		let places = this.#seen.get(key);
		if (!places) this.#seen.set(key, (places = []));
		for (let k = 0; k < places.length; k++) {
			const other = places[k]!;
			if (other.hops > hops || !this.#isNoLater(other.times, count)) continue;
			// What served once serves again soon.
			places[k] = places[0]!;
			places[0] = other;
			return true;
		}
		this.#remember(places, { times: this.#times.slice(0, count), hops: counted ? hops : 0 });
		return false;
	}

	#key(): number {
		const { c, timing } = this.place;
		// Up to 48 pieces: a sum of powers of two is exact.
		let done = 0;
		for (const piece of timing.order) done += 2 ** piece;
		return done * c.pieces.length + c.testOf[timing.order.at(-1)!]!;
	}

	/** Writes down the times of this place, and tells how many there are. */
	#measure(): number {
		const { c, timing } = this.place;
		const last = timing.order.at(-1)!;
		const times = this.#times;
		const waitedFor = this.#waitedFor;
		waitedFor.length = 0;
		for (let piece = 0; piece < c.n; piece++) {
			if (timing.has(piece) && this.#followers[piece]!.some((to) => !timing.has(to))) waitedFor.push(piece);
		}
		let count = 0;
		times[count++] = timing.endS;
		for (const piece of waitedFor) times[count++] = timing.endOf(piece);
		const { moved } = this.#reach;
		for (const { piece, to } of this.pressing) {
			if (!timing.has(piece) || to.every((next) => timing.has(next))) continue;
			this.#reach.from(piece);
			for (const other of waitedFor) if (other !== piece) times[count++] = moved[other]!;
			for (const other of this.#due) if (timing.has(other)) times[count++] = moved[other]!;
			times[count++] = moved[last]! + c.durationS[last]!;
		}
		return count;
	}

	#isNoLater(times: Float64Array, count: number): boolean {
		let i = 0;
		while (i < count && times[i]! <= this.#times[i]! + EPSILON) i++;
		return i === count;
	}

	/** Takes a place in, and those out that it makes needless. */
	#remember(places: Seen[], own: Seen): void {
		if (this.#remembered >= MOST_SEEN) return;
		this.#remembered++;
		const count = own.times.length;
		let kept = 0;
		for (const other of places) {
			let i = 0;
			if (other.hops >= own.hops) while (i < count && other.times[i]! >= own.times[i]! - EPSILON) i++;
			if (i < count) places[kept++] = other;
		}
		this.#remembered -= places.length - kept;
		places.length = kept;
		places.push(own);
	}
}
