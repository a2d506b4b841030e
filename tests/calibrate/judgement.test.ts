import { describe, expect, it } from 'vitest';
import { cycleRun } from './cycles.ts';
import { nextTestRuns, policyName } from './next-test.ts';
import { verdictTally, WAYS } from './two-methods.ts';

/** A small share of what `npm run calibrate` makes its tables from, with seeds of its own. */
describe('judgements on simulated waters', () => {
	it('call no cycle done while nitrite can be seen, and each one that stays clear', () => {
		const runs = Array.from({ length: 40 }, (_, i) => cycleRun(500 + i));
		expect(runs.filter((r) => r.wronglyDone > 0)).toEqual([]);
		const clear = runs.filter((r) => r.clearFrom !== null && r.nature !== 'never-begins');
		expect(clear.length).toBeGreaterThan(25);
		expect(clear.filter((r) => r.doneOn === null)).toEqual([]);
		const late = clear.map((r) => r.doneOn! - r.clearFrom!).sort((a, b) => a - b);
		expect(late[Math.floor(late.length / 2)]).toBeLessThanOrEqual(8);
	}, 60_000);
	it('spend no more tests than a fixed week, and leave fewer days unseen', () => {
		const policies = [{ everyDays: 7 }, { chance: 0.2 }] as const;
		const runs = [3, 4].flatMap((seed) => nextTestRuns('mixed-reef', seed, policies));
		const sum = (policy: (typeof policies)[number], of: 'tests' | 'unseen') =>
			runs.filter((r) => r.policy === policyName(policy)).reduce((total, r) => total + r[of], 0);
		expect(sum(policies[1], 'tests')).toBeLessThan(1.25 * sum(policies[0], 'tests'));
		expect(sum(policies[1], 'unseen')).toBeLessThan(sum(policies[0], 'unseen'));
	}, 60_000);
	it('on two methods are wrong in one of twenty at most, and right where the bias is plain', () => {
		for (const way of WAYS.filter((w) => !w.once)) {
			const none = verdictTally(way, 0, 600, 11);
			expect(none.wrong / none.runs, way.name).toBeLessThanOrEqual(0.06);
			const plain = verdictTally(way, 0.6, 300, 12);
			expect(plain.inU).toBeGreaterThan(4);
			expect(plain.right / plain.runs, way.name).toBeGreaterThanOrEqual(0.8);
		}
	});
});
