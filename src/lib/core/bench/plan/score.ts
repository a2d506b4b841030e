import type { Compiled } from './compile.ts';
import type { PlanScore } from './problem.ts';
import type { Timing } from './timing.ts';

/** Times that the hands turn to another test, the turn to the first one apart. */
export function hopsOf(c: Compiled, order: readonly number[]): number {
	let hops = 0;
	let test = c.at;
	for (const piece of order) {
		const next = c.testOf[piece]!;
		if (test >= 0 && next !== test) hops++;
		test = next;
	}
	return hops;
}

/** By how much the work before an exact reading may overrun, the least of all; infinite where there is none. */
export function slackOf(c: Compiled, timing: Timing): number {
	let slack = Infinity;
	const { order } = timing;
	for (const { from, to, greatestS } of c.guards) {
		const latest = from < 0 ? greatestS : timing.endOf(from) + greatestS;
		const k = timing.position[to]!;
		const before = k > 0 ? order[k - 1]! : -1;
		const turn = before >= 0 && c.testOf[before] !== c.testOf[to] ? c.changeoverS : 0;
		slack = Math.min(slack, latest - (before < 0 ? 0 : timing.endOf(before) + turn));
	}
	return slack;
}

/** Less is better: makespan, then hops, then the greater slack. Milliseconds are no difference. */
export function compareScores(a: PlanScore, b: PlanScore): number {
	const makespan = Math.round(a.makespanS * 1000) - Math.round(b.makespanS * 1000);
	if (makespan !== 0) return makespan;
	if (a.hops !== b.hops) return a.hops - b.hops;
	if (a.slackS === b.slackS) return 0;
	return b.slackS - a.slackS;
}
