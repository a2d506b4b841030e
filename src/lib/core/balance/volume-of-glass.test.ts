import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ROCKWORK_IDS, volumeOfGlass, type Glass } from './index.ts';

const glass: Glass = { longCm: 120, deepCm: 50, filledToCm: 48, rockwork: 'usual', sumpL: 0 };

describe('the water in a tank by its measures', () => {
	it('is the box less what stands in it', () => {
		const { value, u } = volumeOfGlass(glass);
		expect(value).toBeCloseTo(250.56, 2);
		expect(u).toBeCloseTo(17.7, 1);
	});

	it('of a bare box is the box, as sure as its sides are measured', () => {
		const { value, u } = volumeOfGlass({ ...glass, rockwork: 'none' });
		expect(value).toBeCloseTo(288, 9);
		expect(u / value).toBeCloseTo(Math.hypot(0.5 / 120, 0.5 / 50, 0.5 / 48), 9);
	});

	it('is less sure the more is guessed, and grows with its sump', () => {
		const sides = fc.double({ min: 10, max: 400, noNaN: true });
		fc.assert(
			fc.property(
				sides,
				sides,
				sides,
				fc.constantFrom(...ROCKWORK_IDS),
				fc.double({ min: 0, max: 500, noNaN: true }),
				(longCm, deepCm, filledToCm, rockwork, sumpL) => {
					const own = { longCm, deepCm, filledToCm, rockwork, sumpL };
					const { value, u } = volumeOfGlass(own);
					const bare = volumeOfGlass({ ...own, rockwork: 'none' });
					expect(value).toBeLessThanOrEqual(bare.value);
					expect(u).toBeGreaterThanOrEqual(0);
					expect(volumeOfGlass({ ...own, sumpL: sumpL + 10 }).value).toBeCloseTo(value + 10, 6);
					if (rockwork !== 'none') expect(u / value).toBeGreaterThan(bare.u / bare.value);
				}
			)
		);
	});

	it.each([{ longCm: 0 }, { deepCm: -3 }, { filledToCm: Number.NaN }, { sumpL: -1 }])(
		'of %o is refused',
		(wrong) => expect(() => volumeOfGlass({ ...glass, ...wrong })).toThrow(RangeError)
	);
});
