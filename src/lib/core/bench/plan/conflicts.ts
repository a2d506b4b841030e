import { layOut, type PlanBudget } from './lay-out.ts';
import type { Plan, PlanProblem, Wish } from './problem.ts';

/** A plan, and what had to be given up for it. */
export interface PlanOutcome {
	/** Null where nothing helps: equipment that is not there, or a session without an order. */
	readonly plan: Plan | null;
	/** Wishes that cannot all be kept. */
	readonly brokenWishes: readonly Wish[];
	/** Steps under way whose latest moment cannot be met any more. */
	readonly lateSteps: readonly string[];
}

/** The share of the time that the first try may take where it finds nothing. */
const FIRST_SHARE = 0.4;

/**
 * A plan for a session that may be impossible as it stands: pins against each other, or two exact readings under way
 * for one pair of hands. Wishes give way first, then latest moments of what is under way, as few as a simple search
 * finds: one alone where one is enough.
 */
export function layOutOrSay(problem: PlanProblem, budget: PlanBudget): PlanOutcome {
	const plan = layOut(
		problem,
		problem.wishes.length > 0 || hasDue(problem) ? part(budget, FIRST_SHARE) : budget
	);
	if (plan) return { plan, brokenWishes: [], lateSteps: [] };
	const withoutWishes = problem.wishes.length > 0 ? { ...problem, wishes: [] } : problem;
	if (problem.wishes.length > 0) {
		for (const wish of problem.wishes) {
			const rest = { ...problem, wishes: problem.wishes.filter((w) => w !== wish) };
			const found = layOut(rest, quick(budget));
			if (found) return { plan: found, brokenWishes: [wish], lateSteps: [] };
		}
		const found = layOut(withoutWishes, quick(budget));
		if (found) return { plan: found, brokenWishes: problem.wishes, lateSteps: [] };
	}
	// What is most pressing is kept longest: the others give way, the latest first.
	const due = problem.tests
		.flatMap((t) => t.steps)
		.filter((s) => s.dueS != null)
		.sort((a, b) => b.dueS! - a.dueS!)
		.map((s) => s.id);
	for (const id of due) {
		const found = layOut(withoutDue(withoutWishes, [id]), quick(budget));
		if (found) return { plan: found, brokenWishes: problem.wishes, lateSteps: [id] };
	}
	for (let n = 2; n <= due.length; n++) {
		const late = due.slice(0, n);
		const found = layOut(withoutDue(withoutWishes, late), quick(budget));
		if (found) return { plan: found, brokenWishes: problem.wishes, lateSteps: late };
	}
	return { plan: null, brokenWishes: problem.wishes, lateSteps: due };
}

const hasDue = (problem: PlanProblem) => problem.tests.some((t) => t.steps.some((s) => s.dueS != null));

function withoutDue(problem: PlanProblem, steps: readonly string[]): PlanProblem {
	return {
		...problem,
		tests: problem.tests.map((t) => ({
			...t,
			steps: t.steps.map((s) => (steps.includes(s.id) ? { ...s, dueS: null, dueExact: false } : s))
		}))
	};
}

/** A share of the whole time. */
const part = (budget: PlanBudget, share: number): PlanBudget => ({
	...budget,
	spent: () => budget.spent() / share
});

/** A little of what is left, whatever that is: enough to see whether there is a plan at all. */
function quick(budget: PlanBudget): PlanBudget {
	const from = budget.spent();
	const share = Math.max(0.02, (1 - from) / 6);
	return { ...budget, spent: () => (budget.spent() - from) / share };
}
