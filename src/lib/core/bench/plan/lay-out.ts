import type { Random } from '../../numeric/index.ts';
import { anneal } from './anneal.ts';
import { fewestHops, lowerBoundS } from './bound.ts';
import { compile, type Compiled } from './compile.ts';
import { buildOrder, oneAfterTheOther, preparedFirst } from './construct.ts';
import { searchExactly } from './exact/search.ts';
import { admitsOrder } from './frontier.ts';
import { placedOf } from './placed.ts';
import type { Plan, PlanProblem } from './problem.ts';
import { compareScores, hopsOf, slackOf } from './score.ts';
import { Timing } from './timing.ts';

/** How long the search may go on, and its chance. The core has no clock: the caller says how much is used up. */
export interface PlanBudget {
	readonly random: Random;
	/** The share of the time allowed that is over, from 0; the search ends at 1. Asked very often. */
	readonly spent: () => number;
	/** Told of every better plan as it is found. */
	readonly onBetter?: (plan: Plan) => void;
}

/** Up to this many pieces the best plan is looked for exactly first. */
const EXACT_PIECES = 32;
/** More slack than this before an exact reading is no better. */
const ENOUGH_SLACK_S = 120;

/**
 * An order of all hands-on steps for one pair of hands: the shortest that is found, of those the one with the fewest
 * hops, of those the one with the most time before exact readings. It is never longer than the tests one after the
 * other where those are possible at all.
 *
 * @returns null where no plan was found that keeps every lag and wish
 * @throws {RangeError} for a problem whose steps do not follow one another
 */
export function layOut(problem: PlanProblem, budget: PlanBudget): Plan | null {
	const c = compile(problem);
	return new Search(c, budget).run();
}

class Search {
	#best: Plan | null = null;
	#order: readonly number[] | null = null;
	#boundS: number;
	readonly #timing: Timing;

	constructor(
		private readonly c: Compiled,
		private readonly budget: PlanBudget
	) {
		this.#boundS = lowerBoundS(c);
		this.#timing = new Timing(c);
	}

	run(): Plan | null {
		const { c, budget } = this;
		if (c.n === 0) return { placed: [], makespanS: 0, hops: 0, slackS: Infinity, boundS: 0, proven: true };
		this.#offer(oneAfterTheOther(c));
		this.#offer(preparedFirst(c));
		this.#offer(oneAfterTheOther(c, urgentFirst(c)));
		const exactly = c.n <= EXACT_PIECES;
		this.#build(exactly ? 0.03 : 0.2);
		if (exactly && this.#order) this.#anneal(0.12);
		if (exactly) {
			const known = this.#best && this.#order ? { ...this.#best, order: this.#order } : null;
			const found = searchExactly(c, known, this.#boundS, () => budget.spent() < (known ? 0.92 : 0.95));
			this.#boundS = Math.max(this.#boundS, found.boundS);
			if (found.best) this.#offer(found.best.order);
			if (found.proven && this.#best) {
				this.#polish();
				this.#best = { ...this.#best, proven: true, boundS: this.#best.makespanS };
				budget.onBetter?.(this.#best);
				return this.#best;
			}
		}
		if (!this.#order) this.#build(1);
		for (let share = budget.spent(); this.#order && share < 1 && !this.#atBound(); share = budget.spent()) {
			this.#anneal(Math.min(1, share + 0.27));
		}
		this.#polish();
		return this.#best && { ...this.#best, boundS: this.#boundS };
	}

	#atBound(): boolean {
		return (
			this.#best !== null &&
			this.#best.makespanS <= this.#boundS + 1e-6 &&
			this.#best.hops === fewestHops(this.c)
		);
	}

	#build(until: number): void {
		const { c, budget } = this;
		for (let i = 0; i < 400 && (i < 2 || budget.spent() < until); i++) {
			const order = buildOrder(c, budget.random, i === 0 ? 0 : budget.random());
			if (order) this.#offer(order);
			if (this.#atBound()) return;
			if (budget.spent() >= 1) return;
		}
	}

	#anneal(until: number): void {
		const { c, budget } = this;
		const from = budget.spent();
		const order = anneal(c, this.#order!, budget.random, () => {
			const share = (budget.spent() - from) / Math.max(1e-9, until - from);
			return share < 1 ? share : null;
		});
		this.#offer(order);
	}

	/** Keeps an order if it is possible and better. */
	#offer(order: readonly number[]): void {
		const { c } = this;
		if (!admitsOrder(c, order) || !this.#timing.run(order)) return;
		const plan = this.#planOf(order);
		if (this.#best && compareScores(plan, this.#best) >= 0) return;
		this.#best = plan;
		this.#order = order;
		this.budget.onBetter?.(plan);
	}

	#planOf(order: readonly number[]): Plan {
		const timing = this.#timing;
		const { c } = this;
		return {
			placed: placedOf(c, timing),
			makespanS: timing.endS,
			hops: hopsOf(c, order),
			slackS: slackOf(c, timing),
			boundS: this.#boundS,
			proven: false
		};
	}

	/** Within the same order and length, puts off what makes the time before exact readings longest. */
	#polish(): void {
		if (!this.#best || !this.#order || this.#best.slackS === Infinity) return;
		const timing = this.#timing;
		const { makespanS } = this.#best;
		const holds = (reserveS: number) => {
			timing.reserveS = reserveS;
			const possible = timing.run(this.#order!) && timing.endS <= makespanS + 1e-6;
			timing.reserveS = 0;
			return possible;
		};
		let low = 0;
		let high = ENOUGH_SLACK_S;
		while (high - low > 0.5) {
			const middle = (low + high) / 2;
			if (holds(middle)) low = middle;
			else high = middle;
		}
		if (low > 0 && holds(low)) {
			const plan = this.#planOf(this.#order);
			if (compareScores(plan, this.#best) < 0) this.#best = plan;
		}
	}
}

function urgentFirst(c: Compiled): number[] {
	const dueOf = (t: number) => Math.min(...c.pieces[t]!.map((p) => c.dueS[p]!), Infinity);
	return c.pieces
		.map((_, t) => t)
		.filter((t) => c.pieces[t]!.length > 0)
		.sort((a, b) => dueOf(a) - dueOf(b) || (a === c.at ? -1 : 0) - (b === c.at ? -1 : 0));
}
