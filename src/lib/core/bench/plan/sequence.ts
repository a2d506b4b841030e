import { lowerBoundS } from './bound.ts';
import { compile, type Compiled } from './compile.ts';
import { oneAfterTheOther, preparedFirst } from './construct.ts';
import { admitsOrder } from './frontier.ts';
import { placedOf } from './placed.ts';
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
 * What is done already is passed over; parts of a step that is under way follow in turn.
 *
 * @returns null where the order cannot be kept, or leaves something out
 */
export function planOfOrder(problem: PlanProblem, order: readonly Pick<Placed, 'step'>[]): Plan | null {
	const c = compile(problem);
	const left = new Map<string, number[]>();
	c.stepOf.forEach((step, i) => left.set(step, [...(left.get(step) ?? []), i]));
	const lastOf = new Map(order.map((o, k) => [o.step, k]));
	/** Of a step in parts the first ones are done first: so many of its places in the order are passed over. */
	const passed = new Map<string, number>();
	for (const { step } of order) passed.set(step, (passed.get(step) ?? 0) + 1);
	for (const [step, places] of passed) passed.set(step, Math.max(0, places - (left.get(step)?.length ?? 0)));
	const pieces = order.flatMap(({ step }, k) => {
		const own = left.get(step) ?? [];
		const over = passed.get(step)!;
		if (over > 0) {
			passed.set(step, over - 1);
			return [];
		}
		return lastOf.get(step) === k ? own.splice(0) : own.splice(0, 1);
	});
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
