import {
	CHANGEOVER_S,
	type PlanProblem,
	type PlanStep,
	type PlanTest
} from '../../src/lib/core/bench/index.ts';
import type { Random } from '../../src/lib/core/numeric/index.ts';

const whole = (random: Random, from: number, to: number) => from + Math.floor(random() * (to - from + 1));

/** How a made-up session looks. */
export interface SessionShape {
	readonly tests: number;
	readonly steps: number;
	/** Seconds are whole multiples of this: coarse ones make ties, and searching everything possible. */
	readonly gridS?: number;
	/** False: titrations may not be put down either. */
	readonly interrupted?: boolean;
	/** Sets of shared equipment fewer than there are tests that want them. */
	readonly shortEquipment?: boolean;
}

/**
 * A made-up test: set-up steps that may stand, then a reaction with least, ranged and exact waits, now and then a
 * loaded syringe as a branch, and a titration in parts or a reading at the end. Times are those of real kits.
 */
function madeUpTest(random: Random, id: string, shape: SessionShape): PlanTest {
	const { steps, gridS: grid = 1 } = shape;
	const s = (from: number, to: number) => Math.max(grid, Math.round(whole(random, from, to) / grid) * grid);
	const plan: PlanStep[] = [];
	const setUp = Math.min(steps - 1, whole(random, 1, 3));
	let branch: string | null = null;
	for (let k = 0; k < steps; k++) {
		const isLast = k === steps - 1;
		const before = plan.findLast((p) => p.id !== branch);
		const isBranch = branch === null && k > setUp && !isLast && random() < 0.15;
		const after: PlanStep['after'][number][] = [];
		if (before && !isBranch) {
			if (k < setUp) after.push({ step: before.id, leastS: 0, greatestS: null, exact: false });
			else {
				const kind = random();
				if (kind < 0.55) after.push({ step: before.id, leastS: 0, greatestS: 60, exact: false });
				else if (kind < 0.7) {
					const wait = s(15, 120);
					after.push({ step: before.id, leastS: wait, greatestS: 2 * wait, exact: false });
				} else if (kind < 0.85) {
					const wait = s(120, 540);
					after.push({ step: before.id, leastS: wait, greatestS: 2 * wait, exact: false });
				} else {
					const wait = s(120, 420);
					after.push({ step: before.id, leastS: wait, greatestS: wait + 15, exact: true });
				}
			}
		}
		if (isLast && branch !== null) after.push({ step: branch, leastS: 0, greatestS: null, exact: false });
		const titrates = isLast && random() < 0.5;
		const handsS = titrates ? s(60, 180) : s(6, 45);
		const name = `${id}/${k}`;
		plan.push({
			id: name,
			handsS,
			longestS: 1.5 * handsS,
			pieces: titrates && shape.interrupted !== false ? Math.max(1, Math.round(handsS / 60)) : 1,
			after,
			takes: [...(k === 0 ? ['vial'] : [])],
			frees: [...(isLast ? ['vial'] : [])]
		});
		if (isBranch) branch = name;
	}
	return { id, steps: plan, holds: [] };
}

export function madeUpSession(random: Random, shape: SessionShape): PlanProblem {
	const tests = Array.from({ length: shape.tests }, (_, t) => madeUpTest(random, `t${t}`, shape));
	return {
		tests,
		equipment: shape.shortEquipment ? { vial: Math.max(1, shape.tests - whole(random, 1, 2)) } : {},
		changeoverS: CHANGEOVER_S,
		wishes: [],
		at: null
	};
}
