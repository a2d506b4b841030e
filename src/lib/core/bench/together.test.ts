import { describe, expect, it } from 'vitest';
import { SHIPPED_METHODS, stepsFor } from '../method/index.ts';
import { instant } from '../time/index.ts';
import { progressOf, stepsTogether, type BenchEntry } from './index.ts';

const at = instant(1_700_000_000_000);

describe('what is done for all tests at once', () => {
	it.each(SHIPPED_METHODS.map((m) => [m.code, m] as const))(
		'of %s is its rinsing and its sample alone, and no deviation',
		(_code, method) => {
			const steps = stepsFor(method, 'full');
			const n = stepsTogether(method, steps);
			expect(steps.slice(0, n).map((s) => s.action.kind)).toEqual(['prepare', 'draw'].slice(0, n));
			const log: BenchEntry[] = Array.from({ length: n }, () => ({ kind: 'together', at }));
			expect(progressOf(steps, log)).toMatchObject({ stepIndex: n, deviations: [], drops: 0, timer: null });
		}
	);
	it('is never the sample for pH, which takes on the room’s air', () => {
		const ph = SHIPPED_METHODS.find((m) => m.code === 'ph-card')!;
		expect(stepsTogether(ph, stepsFor(ph, 'full'))).toBeLessThan(2);
	});
	it('is the sample of most', () => {
		const both = SHIPPED_METHODS.filter((m) => stepsTogether(m, stepsFor(m, 'full')) === 2);
		expect(both.map((m) => m.code)).toEqual(
			expect.arrayContaining(['alk-syringe', 'ca-syringe', 'mg-syringe'])
		);
	});
});
