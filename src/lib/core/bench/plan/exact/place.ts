import { costlyWaits, type CostlyWait } from '../bound.ts';
import type { Compiled } from '../compile.ts';
import { Frontier } from '../frontier.ts';
import { Timing, type TimingState } from '../timing.ts';

/** A place in the tree of orders: what is done, with its times, and what is left of each test. */
export class Place {
	readonly timing: Timing;
	readonly frontier: Frontier;
	/** Work that is left of each test, s. */
	readonly leftS: number[];
	/** What the waits of each test that have not begun cost, s. */
	readonly waitsLeftS: number[];
	readonly waits: readonly CostlyWait[];
	/** The wait that follows a piece; null where none does. */
	readonly waitAfter: readonly (CostlyWait | null)[];

	constructor(readonly c: Compiled) {
		this.timing = new Timing(c);
		this.frontier = new Frontier(c);
		this.leftS = c.pieces.map((own) => own.reduce((sum, p) => sum + c.durationS[p]!, 0));
		this.waits = costlyWaits(c);
		this.waitAfter = Array.from({ length: c.n }, (_, i) => this.waits.find((w) => w.from === i) ?? null);
		this.waitsLeftS = c.pieces.map((_, t) =>
			this.waits.filter((w) => c.testOf[w.from] === t).reduce((sum, w) => sum + w.costS, 0)
		);
	}

	/** Counts a piece in that timing has taken. */
	enter(piece: number): void {
		const test = this.c.testOf[piece]!;
		this.frontier.push(piece);
		this.leftS[test]! -= this.c.durationS[piece]!;
		this.waitsLeftS[test]! -= this.waitAfter[piece]?.costS ?? 0;
	}

	/** Counts it out again, and comes back to the times before it. */
	leave(piece: number, before: TimingState): void {
		const test = this.c.testOf[piece]!;
		this.leftS[test]! += this.c.durationS[piece]!;
		this.waitsLeftS[test]! += this.waitAfter[piece]?.costS ?? 0;
		this.frontier.pop(piece);
		this.timing.restore(before);
	}

	/** The wait that the test at hand is in, if it is: idle till its end, or away and back. */
	pendingWait(): CostlyWait | null {
		const last = this.timing.order.at(-1);
		const wait = last === undefined ? undefined : this.waitAfter[last];
		return wait && !this.timing.has(wait.to) ? wait : null;
	}
}
