import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nearestIndex, visibleIndices } from './visible';

const many = fc
	.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.double({ min: -5, max: 5, noNaN: true })), {
		minLength: 1,
		maxLength: 400
	})
	.map((parts) => {
		let at = 0;
		const times = parts.map(([gap]) => (at += gap));
		return { times, values: parts.map(([, v]) => v) };
	});

describe('what is drawn of many points', () => {
	it('never hides the lowest or the highest of the span, and keeps the order of time', () => {
		fc.assert(
			fc.property(many, fc.integer({ min: 1, max: 20 }), ({ times, values }, columns) => {
				const to = times.at(-1)!;
				const shown = visibleIndices(times, values, { from: 0, to }, columns);
				const of = (list: readonly number[]) => list.map((i) => values[i]!);
				expect(Math.min(...of(shown))).toBe(Math.min(...values));
				expect(Math.max(...of(shown))).toBe(Math.max(...values));
				expect(shown).toEqual([...new Set(shown)].sort((a, b) => a - b));
				if (times.length > 2 * columns) expect(shown.length).toBeLessThanOrEqual(4 * (columns + 1));
				else expect(shown).toHaveLength(times.length);
			}),
			{ seed: 9 }
		);
	});
	it('is nothing outside the span', () => {
		expect(visibleIndices([1, 2, 3], [1, 2, 3], { from: 5, to: 9 }, 10)).toEqual([]);
		expect(visibleIndices([1, 2, 3], [1, 2, 3], { from: 2, to: 2 }, 10)).toEqual([1]);
	});
	it('finds the nearest in time', () => {
		expect([nearestIndex([], 3), nearestIndex([1, 5, 9], -4), nearestIndex([1, 5, 9], 6)]).toEqual([
			-1, 0, 1
		]);
		expect([nearestIndex([1, 5, 9], 7.5), nearestIndex([1, 5, 9], 99)]).toEqual([2, 2]);
	});
});
