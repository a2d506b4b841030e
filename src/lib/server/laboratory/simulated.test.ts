import { describe, expect, it } from 'vitest';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { SIMULATED_LABORATORY } from './simulated.ts';

describe('the simulated laboratory', () => {
	const holds = { alkalinity: 8, calcium: 420, nitrate: 5 };
	const bottle = (id: string) => ({ id, parameters: PARAMETER_IDS });
	it('answers the same bottle alike, after three to six days, and only what it knows', () => {
		expect(SIMULATED_LABORATORY.report(bottle('a'), holds)).toEqual(
			SIMULATED_LABORATORY.report(bottle('a'), holds)
		);
		const days = Array.from({ length: 60 }, (_, i) => SIMULATED_LABORATORY.answersAfterDays(bottle(`${i}`)));
		expect(new Set(days)).toEqual(new Set([3, 4, 5, 6]));
		expect(SIMULATED_LABORATORY.report(bottle('a'), holds).map((r) => r.parameter)).toEqual([
			'alkalinity',
			'calcium',
			'nitrate'
		]);
	});
	it('states an uncertainty that its error keeps to', () => {
		let inside = 0;
		for (let i = 0; i < 500; i++) {
			const line = SIMULATED_LABORATORY.report(bottle(`b${i}`), { calcium: 420 })[0]!;
			if (Math.abs(line.value - 420) <= line.expandedU) inside++;
		}
		expect(inside / 500).toBeGreaterThan(0.92);
		expect(inside / 500).toBeLessThan(0.985);
	});
});
