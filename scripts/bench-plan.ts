// How good and how fast the order of a session is: gap to a bound that no order can beat, and time, by size.
import {
	CHANGEOVER_S,
	faultsOfPlan,
	layOut,
	planTestOf,
	sequentialPlan,
	usualEquipment,
	type Plan,
	type PlanProblem
} from '../src/lib/core/bench/index.ts';
import { methodByCode, stepsFor } from '../src/lib/core/method/index.ts';
import { seededRandom } from '../src/lib/core/numeric/index.ts';
import { madeUpSession } from '../tests/support/random-session.ts';

const SESSIONS = 200;
const percent = (x: number) => `${(100 * x).toFixed(1)} %`;

function timed(problem: PlanProblem, ms: number): { plan: Plan; ms: number } {
	const from = performance.now();
	const plan = layOut(problem, { random: seededRandom(1), spent: () => (performance.now() - from) / ms });
	if (!plan || faultsOfPlan(problem, plan.placed).length > 0)
		throw new Error('a plan that cannot be carried out');
	return { plan, ms: performance.now() - from };
}
const sorted = (values: number[]) => values.sort((a, b) => a - b);
const median = (values: number[]) => sorted(values)[Math.floor(values.length / 2)]!;

function shipped(...codes: string[]): PlanProblem {
	const tests = codes.map((code) => {
		const method = methodByCode(code)!;
		return planTestOf(code, method, stepsFor(method, 'full'));
	});
	return { tests, equipment: usualEquipment(tests), changeoverS: CHANGEOVER_S, wishes: [], at: null };
}
function tell(name: string, problem: PlanProblem, ms: number): void {
	const { plan } = timed(problem, ms);
	const inTurn = sequentialPlan(problem)!.makespanS;
	const minutes = (s: number) => (s / 60).toFixed(1);
	console.log(
		`${name}: ${minutes(plan.makespanS)} min, one test after the other ${minutes(inTurn)} min; no order is shorter than ${minutes(plan.boundS)} min (gap ${percent(plan.makespanS / plan.boundS - 1)}${plan.proven ? ', proven' : ''})`
	);
}

tell('five tests', shipped('alk-syringe', 'ca-syringe', 'mg-syringe', 'no3-ladder', 'k-filter'), 1000);
tell('four colour tests', shipped('nh3-card', 'no2-card', 'no3-card', 'po4-meter'), 1000);

const small = Array.from({ length: SESSIONS }, (_, i) =>
	timed(madeUpSession(seededRandom(1000 + i), { tests: 3, steps: 8 }), 1000)
);
const proven = small.filter((s) => s.plan.proven);
const open = small.filter((s) => !s.plan.proven).map((s) => s.plan.makespanS / s.plan.boundS - 1);
console.log(
	`3 tests of 8 steps: ${proven.length} of ${SESSIONS} proven shortest with fewest hops within 1 s (median ${median(small.map((s) => s.ms)).toFixed(0)} ms)${open.length > 0 ? `; the others within ${percent(sorted(open).at(-1)!)} of the bound, median ${percent(median(open))}` : ''}`
);
const gaps = Array.from({ length: SESSIONS }, (_, i) => {
	const shape = { tests: 3 + (i % 6), steps: 6 + (i % 7), shortEquipment: i % 4 === 3 };
	const { plan } = timed(madeUpSession(seededRandom(5000 + i), shape), 1000);
	return plan.makespanS / plan.boundS - 1;
});
console.log(
	`${SESSIONS} sessions of 3 to 8 tests of 6 to 12 steps, 1 s each: gap to the bound median ${percent(median(gaps))} (aim: 12), worst ${percent(gaps.at(-1)!)} (aim: 25)`
);
const large = Array.from({ length: 20 }, (_, i) => {
	const { plan } = timed(madeUpSession(seededRandom(7000 + i), { tests: 8, steps: 12 }), 1000);
	return plan.makespanS / plan.boundS - 1;
});
console.log(
	`8 tests of 12 steps, 1 s each: gap median ${percent(median(large))}, worst ${percent(large.at(-1)!)}`
);
const many = timed(madeUpSession(seededRandom(9), { tests: 30, steps: 10 }), 10_000);
console.log(
	`30 tests of 10 steps: ${(many.ms / 1000).toFixed(1)} s, gap ${percent(many.plan.makespanS / many.plan.boundS - 1)} (aim: a plan in 10 s)`
);
