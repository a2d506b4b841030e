import type { PlanProblem } from '../../src/lib/core/bench/index.ts';

interface Part {
	readonly test: number;
	readonly step: string;
	readonly first: boolean;
	readonly last: boolean;
	readonly durationS: number;
	readonly longestS: number;
}

/**
 * The best plan of a tiny session by trying every order of its parts, each timed as a system of difference constraints
 * by Bellman and Ford's method. Shares nothing with the planner.
 *
 * @returns makespan and hops of the best order; null where none is possible
 */
export function bestByTryingAll(problem: PlanProblem): { makespanS: number; hops: number } | null {
	const parts: Part[] = problem.tests.flatMap((test, t) =>
		test.steps.flatMap((step) =>
			Array.from({ length: step.pieces }, (_, k) => ({
				test: t,
				step: step.id,
				first: k === 0,
				last: k === step.pieces - 1,
				durationS: step.handsS / step.pieces,
				longestS: step.pieces > 1 ? step.handsS / step.pieces : Math.max(step.longestS, step.handsS)
			}))
		)
	);
	const steps = new Map(problem.tests.flatMap((t) => t.steps).map((s) => [s.id, s]));
	const lastOf = new Map<string, number>();
	parts.forEach((p, i) => p.last && lastOf.set(p.step, i));
	const before = parts.map((p, i) => [
		...(p.first ? steps.get(p.step)!.after.map((a) => lastOf.get(a.step)!) : [i - 1])
	]);
	let best: { makespanS: number; hops: number } | null = null;
	const order: number[] = [];
	const done = new Set<number>();

	function timed(): number | null {
		const n = order.length;
		const start = new Array<number>(parts.length).fill(0);
		const arcs: { from: number; to: number; s: number }[] = [];
		order.forEach((i, k) => {
			const part = parts[i]!;
			if (k > 0) {
				const p = order[k - 1]!;
				const turn = parts[p]!.test === part.test ? 0 : problem.changeoverS;
				arcs.push({ from: p, to: i, s: parts[p]!.durationS + turn });
			}
			if (!part.first) return;
			for (const lag of steps.get(part.step)!.after) {
				const from = lastOf.get(lag.step)!;
				const end = parts[from]!.durationS;
				arcs.push({ from, to: i, s: end + lag.leastS });
				if (lag.greatestS === null) continue;
				arcs.push({ from: i, to: from, s: -(end + lag.greatestS) });
				if (!lag.exact) continue;
				for (let q = order.indexOf(from) + 1; q < k; q++) {
					const between = order[q]!;
					const turn = parts[between]!.test === part.test ? 0 : problem.changeoverS;
					arcs.push({ from: between, to: from, s: parts[between]!.longestS + turn - end - lag.greatestS });
				}
			}
		});
		for (let round = 0; round <= n; round++) {
			let moved = false;
			for (const { from, to, s } of arcs) {
				if (start[from]! + s > start[to]! + 1e-9) {
					start[to] = start[from]! + s;
					moved = true;
				}
			}
			if (!moved) return Math.max(...order.map((i) => start[i]! + parts[i]!.durationS));
		}
		return null;
	}
	function go(hops: number): void {
		if (order.length === parts.length) {
			const makespanS = timed();
			if (makespanS === null) return;
			const shorter = best === null || makespanS < best.makespanS - 1e-6;
			if (shorter || (makespanS < best!.makespanS + 1e-6 && hops < best!.hops)) best = { makespanS, hops };
			return;
		}
		parts.forEach((part, i) => {
			if (done.has(i) || !before[i]!.every((b) => done.has(b))) return;
			if (!fits(i)) return;
			const turn = order.length > 0 && parts[order.at(-1)!]!.test !== part.test ? 1 : 0;
			order.push(i);
			done.add(i);
			go(hops + turn);
			done.delete(i);
			order.pop();
		});
	}
	function fits(next: number): boolean {
		for (const [name, count] of Object.entries(problem.equipment)) {
			let used = 0;
			for (const i of [...order, next]) {
				const step = steps.get(parts[i]!.step)!;
				if (parts[i]!.first) used += step.takes.filter((t) => t === name).length;
				if (used > count) return false;
				if (parts[i]!.last) used -= step.frees.filter((t) => t === name).length;
			}
		}
		return true;
	}
	go(0);
	return best;
}
