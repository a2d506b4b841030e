import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { linearScale, stripSpan } from './scale';

const near = fc.double({ min: 0, max: 20, noNaN: true });

describe('a strip', () => {
	it('keeps everything that matters in sight, the band inside', () => {
		fc.assert(
			fc.property(near, near, fc.array(near, { minLength: 1, maxLength: 4 }), (a, b, inSight) => {
				fc.pre(Math.abs(a - b) > 0.01);
				const band = { low: Math.min(a, b), high: Math.max(a, b) };
				const [least, most] = stripSpan(band, inSight);
				for (const x of [...inSight, band.low, band.high]) {
					expect(x).toBeGreaterThan(least);
					expect(x).toBeLessThan(most);
				}
			})
		);
	});
	it('has a span with an open band, without a band, and around one value', () => {
		for (const [band, values] of [
			[{ low: null, high: 9 }, [8, 8.4]],
			[null, [7, 8]],
			[null, [8]],
			[null, [0]]
		] as const) {
			const [least, most] = stripSpan(band, values);
			expect(most).toBeGreaterThan(least);
		}
	});
	it('never draws beyond its ends', () => {
		const scale = linearScale(7, 9);
		expect([scale.percent(6), scale.percent(7), scale.percent(8), scale.percent(12)]).toEqual([
			0, 0, 50, 100
		]);
		expect(linearScale(5, 5).percent(5)).toBe(0);
	});
});
