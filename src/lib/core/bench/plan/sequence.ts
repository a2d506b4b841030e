import { lowerBoundS } from './bound.ts';
import { compile, type Compiled } from './compile.ts';
import { oneAfterTheOther, preparedFirst } from './construct.ts';
import { admitsOrder } from './frontier.ts';
import { placedOf } from './lay-out.ts';
import type { Placed, Plan, PlanProblem } from './problem.ts';
import { hopsOf, slackOf } from './score.ts';
import { Timing } from './timing.ts';

/**
 * The tests one after the other, in the order given: what a session takes without a plan.
 *
 * @returns null where something under way, or a wish, makes that impossible
 */
export function sequentialPlan(problem: PlanProblem): Plan | null {
	const c = compile(problem);
	const inTurn = oneAfterTheOther(c);
	return planOf(c, inTurn) ?? planOf(c, preparedFirst(c));
}

/**
 * The earliest times of a given order, for a plan that is kept while things go a little faster or slower than planned.
 * Parts that are done already are passed over.
 *
 * @returns null where the order cannot be kept, or leaves something out
 */
export function planOfOrder(
	problem: PlanProblem,
	order: readonly Pick<Placed, 'step' | 'piece'>[]
): Plan | null {
	const c = compile(problem);
	const pieceAt = new Map(c.stepOf.map((step, i) => [`${step}/${c.pieceOf[i]}`, i]));
	const pieces = order.map((o) => pieceAt.get(`${o.step}/${o.piece}`)).filter((p) => p !== undefined);
	return planOf(c, pieces);
}

function planOf(c: Compiled, pieces: readonly number[]): Plan | null {
	const timing = new Timing(c);
	if (pieces.length !== c.n || !admitsOrder(c, pieces) || !timing.run(pieces)) return null;
	return {
		placed: placedOf(c, timing),
		makespanS: timing.endS,
		hops: hopsOf(c, pieces),
		slackS: slackOf(c, timing),
		boundS: lowerBoundS(c),
		proven: false
	};
}
