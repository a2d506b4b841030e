import type { Compiled } from './compile.ts';
import type { Placed } from './problem.ts';
import type { Timing } from './timing.ts';

/** The pieces of a timed order, each with its test, its step and its seconds. */
export function placedOf(c: Compiled, timing: Timing): Placed[] {
	return timing.order.map((piece) => ({
		test: c.problem.tests[c.testOf[piece]!]!.id,
		step: c.stepOf[piece]!,
		piece: c.pieceOf[piece]!,
		startS: timing.start[piece]!,
		endS: timing.endOf(piece)
	}));
}
