import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blandAltman } from '$lib/core/comparison';
import { biasChart } from './bias-chart';

const FRAME = { width: 700, height: 300, left: 50, bottom: 40 };

describe('the bias chart', () => {
	it('keeps every pair, zero and the limits within its frame', () => {
		const reading = fc.double({ min: 1, max: 2000, noNaN: true });
		fc.assert(
			fc.property(fc.array(fc.tuple(reading, reading), { minLength: 3, maxLength: 30 }), (list) => {
				const pairs = list.map(([first, second]) => ({ first, second }));
				const limits = blandAltman(
					pairs.map((p) => p.first),
					pairs.map((p) => p.second)
				);
				const { points, yOf, xTicks, yTicks } = biasChart(pairs, limits, FRAME);
				const inFrame = (y: number) => y >= -1e-6 && y <= FRAME.height - FRAME.bottom + 1e-6;
				for (const p of points) {
					expect(p.x).toBeGreaterThanOrEqual(FRAME.left);
					expect(p.x).toBeLessThanOrEqual(FRAME.width);
					expect(inFrame(p.y)).toBe(true);
				}
				for (const y of [0, limits.low.value, limits.high.value]) expect(inFrame(yOf(y))).toBe(true);
				expect(xTicks.length).toBeLessThan(14);
				expect(yTicks.length).toBeLessThan(14);
			})
		);
	});
	it('has the larger difference above the smaller', () => {
		const { yOf } = biasChart([{ first: 8, second: 7 }], null, FRAME);
		expect(yOf(1)).toBeLessThan(yOf(0));
	});
});
