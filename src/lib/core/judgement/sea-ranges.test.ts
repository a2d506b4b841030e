import { describe, expect, it } from 'vitest';
import { PARAMETER_IDS } from '../quantity/index.ts';
import { seaRangeOf, SEAS, seaWaterFor } from './index.ts';

describe('ranges of the seas', () => {
	it('run from low to high wherever there is one', () => {
		for (const sea of SEAS) {
			for (const p of PARAMETER_IDS) {
				const range = seaRangeOf(p, sea);
				if (range) expect(range.high).toBeGreaterThan(range.low);
			}
		}
		expect(seaRangeOf('temperature', 'mediterranean')).toBeNull();
		expect(seaRangeOf('hardness', 'mediterranean')).toBeNull();
	});
	it('hold the natural proportions at their own salinity', () => {
		for (const sea of SEAS) {
			const { low, high } = seaRangeOf('salinity', sea)!;
			const at = seaWaterFor('calcium', (low + high) / 2)!;
			const range = seaRangeOf('calcium', sea)!;
			expect((at.low + at.high) / 2).toBeGreaterThan(range.low);
			expect((at.low + at.high) / 2).toBeLessThan(range.high);
		}
	});
	it('have nutrients in the deep and hardly any where there is light', () => {
		expect(seaRangeOf('nitrate', 'pacific-deep')!.low).toBeCloseTo((38 * 1.025 * 62.005) / 1000, 10);
		expect(seaRangeOf('phosphate', 'atlantic-surface')!.high).toBeLessThan(0.03);
		expect(seaRangeOf('ph', 'pacific-deep')!.high).toBeLessThan(seaRangeOf('ph', 'pacific-surface')!.low);
	});
});
