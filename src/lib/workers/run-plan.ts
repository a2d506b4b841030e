import { layOutOrSay } from '$lib/core/bench';
import { seededRandom } from '$lib/core/numeric';
import type { PlanMessage, PlanRequest } from './plan.protocol';

/** Better plans are told no more often than this. */
const TELL_EVERY_MS = 120;

/** Looks for the best order, telling of better ones on the way. Time is the caller's. */
export function runPlan(
	{ problem, ms, seed }: PlanRequest,
	elapsedMs: () => number,
	tell: (message: PlanMessage) => void
): void {
	let toldAt = -Infinity;
	const outcome = layOutOrSay(problem, {
		random: seededRandom(seed),
		spent: () => elapsedMs() / ms,
		onBetter(plan) {
			const now = elapsedMs();
			if (now - toldAt < TELL_EVERY_MS) return;
			toldAt = now;
			tell({ kind: 'better', plan });
		}
	});
	tell({ kind: 'done', outcome });
}
