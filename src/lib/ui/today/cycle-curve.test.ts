import { describe, expect, it } from 'vitest';
import { instant } from '$lib/core/time';
import { curveOf } from './cycle-curve';

describe('the curve of a cycle', () => {
	it('lies on none where the lowest colour was seen, and marks what is above the card', () => {
		const at = instant(0);
		const { points, top } = curveOf([
			{ parameter: 'nitrite', at, lower: 0, upper: 0.05 },
			{ parameter: 'nitrite', at, lower: 1.2, upper: 2.4 },
			{ parameter: 'nitrite', at, lower: 6, upper: null }
		]);
		expect(points.map((p) => [p.best, p.open])).toEqual([
			[0, false],
			[expect.closeTo(1.8, 6), false],
			[expect.closeTo(6.9, 6), true]
		]);
		expect(top).toBeCloseTo(7.8, 6);
		expect(curveOf([]).top).toBe(0.5);
	});
});
