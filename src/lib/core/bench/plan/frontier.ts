import type { Compiled } from './compile.ts';

/** Which pieces may come next: what they come after is done, equipment is at hand, and no wish stands against it. */
export class Frontier {
	/** What was pushed, in order. */
	readonly order: number[] = [];
	/** Pieces whose predecessors are all done and that are not done themselves. */
	readonly next = new Set<number>();
	readonly #waitsFor: Int32Array;
	readonly #used: number[];
	readonly #left: number[];
	readonly #begun: number[];
	readonly #anyAlone: boolean;

	constructor(private readonly c: Compiled) {
		this.#waitsFor = Int32Array.from(c.arcsTo, (arcs) => arcs.length);
		this.#used = [...c.heldAtStart];
		this.#left = c.pieces.map((p) => p.length);
		this.#begun = c.pieces.map(() => 0);
		this.#anyAlone = c.alone.some(Boolean);
		for (let piece = 0; piece < c.n; piece++) if (this.#waitsFor[piece] === 0) this.next.add(piece);
	}

	admits(piece: number): boolean {
		const { c } = this;
		if (!this.next.has(piece)) return false;
		const test = c.testOf[piece]!;
		const takes = c.takes[piece]!;
		for (let k = 0; k < takes.length; k++) {
			const e = takes[k]!;
			let wanted = 1;
			for (let j = 0; j < k; j++) if (takes[j] === e) wanted++;
			if (this.#used[e]! + wanted > c.capacity[e]!) return false;
		}
		if (this.#begun[test] === 0) {
			for (const early of c.testsBefore[test]!) {
				if (this.#begun[early] === 0 && this.#left[early]! > 0) return false;
			}
		}
		if (!this.#anyAlone) return true;
		return c.alone.every((alone, t) => !alone || t === test || this.#begun[t] === 0 || this.#left[t] === 0);
	}

	available(): number[] {
		return [...this.next].filter((piece) => this.admits(piece));
	}

	push(piece: number): void {
		const { c } = this;
		this.order.push(piece);
		this.next.delete(piece);
		for (const { to } of c.arcsFrom[piece]!) if (--this.#waitsFor[to]! === 0) this.next.add(to);
		for (const e of c.takes[piece]!) this.#used[e]!++;
		for (const e of c.frees[piece]!) this.#used[e]!--;
		this.#left[c.testOf[piece]!]!--;
		this.#begun[c.testOf[piece]!]!++;
	}

	/** Takes the last one back. */
	pop(piece: number): void {
		const { c } = this;
		this.order.pop();
		this.next.add(piece);
		for (const { to } of c.arcsFrom[piece]!) {
			if (this.#waitsFor[to]!++ === 0) this.next.delete(to);
		}
		for (const e of c.takes[piece]!) this.#used[e]!--;
		for (const e of c.frees[piece]!) this.#used[e]!++;
		this.#left[c.testOf[piece]!]!++;
		this.#begun[c.testOf[piece]!]!--;
	}
}

/** True where an order that keeps every test's own order breaks no wish and never needs more than is at hand. */
export function admitsOrder(c: Compiled, order: readonly number[]): boolean {
	const used = [...c.heldAtStart];
	const left = c.pieces.map((p) => p.length);
	const wishes = c.alone.some(Boolean) || c.testsBefore.some((t) => t.length > 0);
	let alone = -1;
	for (const piece of order) {
		const test = c.testOf[piece]!;
		for (const e of c.takes[piece]!) if (++used[e]! > c.capacity[e]!) return false;
		for (const e of c.frees[piece]!) used[e]!--;
		if (!wishes) continue;
		if (alone >= 0 && alone !== test) return false;
		const begins = left[test] === c.pieces[test]!.length;
		if (
			begins &&
			c.testsBefore[test]!.some((early) => left[early] === c.pieces[early]!.length && left[early] > 0)
		) {
			return false;
		}
		left[test]!--;
		if (c.alone[test]) alone = left[test]! > 0 ? test : -1;
	}
	return true;
}
