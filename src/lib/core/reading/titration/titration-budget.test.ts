import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NOTHING_OWN, TitrationBudget, type TitrationKit, type TitrationLooks } from '../index.ts';

const kit: TitrationKit = {
	perUnit: 14,
	atZero: 0,
	increment: 0.015,
	endPointU: 0.015,
	sampleMl: 6,
	sampleToleranceMl: 0.06,
	chartStep: 0,
	onTitrant: [{ source: 'titrant', relativeU: 0.006 }],
	onExcess: [],
	factor: 1,
	factorRelativeU: 0,
	midpoint: true,
	sampleShape: 'rect',
	graduationShape: 'rect'
};
const looks: TitrationLooks = {
	volume: 0.58,
	squaredWidths: 2e-4,
	rangeWidth: 0,
	bad: 0,
	doubtHalfWidth: 0,
	shift: 0,
	uShift: 0,
	...NOTHING_OWN
};
const budget = (k: Partial<TitrationKit> = {}, l: Partial<TitrationLooks> = {}) =>
	new TitrationBudget({ ...kit, ...k }, { ...looks, ...l });
const positive = (max: number) => fc.double({ min: max / 1000, max, noNaN: true });

describe('the budget of a titration', () => {
	it('adds up: random and common parts are the squares of their components', () => {
		fc.assert(
			fc.property(positive(1), positive(0.1), fc.integer({ min: 0, max: 5 }), (volume, uShift, bad) => {
				const b = budget(
					{ chartStep: 0.1, factorRelativeU: 0.01 },
					{ volume, uShift, bad, rangeWidth: 0.01 }
				);
				const sum = (repeats: 'random' | 'common') =>
					Math.hypot(...b.components.filter((c) => c.repeats === repeats).map((c) => c.u));
				expect(b.uRandom).toBeCloseTo(sum('random'), 10);
				expect(b.uCommon).toBeCloseTo(sum('common'), 10);
			})
		);
	});
	it('names nothing that is nothing', () => {
		expect(budget().components.map((c) => c.source)).toEqual([
			'graduation',
			'last-drop',
			'end-point',
			'sample-volume',
			'titrant'
		]);
	});
	it('never uses less than no titrant, whatever is taken off', () => {
		fc.assert(
			fc.property(positive(0.05), fc.integer({ min: 0, max: 20 }), (volume, bad) => {
				expect(budget({}, { volume, bad, shift: -0.015 }).volume).toBeGreaterThanOrEqual(0);
			})
		);
	});
	it('takes half the last drop off, or not, as the kit is reckoned', () => {
		expect(budget().value).toBeCloseTo(14 * (0.58 - 0.0075), 12);
		expect(budget({ midpoint: false }).value).toBeCloseTo(14 * 0.58, 12);
		expect(budget().lastDrop).toBeCloseTo((14 * 0.015) / Math.sqrt(12), 12);
	});
	it('of a back-titration widens by the excess as well as by what was titrated back', () => {
		const back = budget({
			atZero: 625,
			perUnit: -313,
			onExcess: [{ source: 'excess-reagent', relativeU: 0.008 }]
		});
		expect(back.value).toBeCloseTo(625 - 313 * (0.58 - 0.0075), 8);
		const of = (source: string) => back.components.find((c) => c.source === source)!.u;
		expect(of('excess-reagent')).toBeCloseTo(625 * 0.008, 8);
		expect(of('titrant')).toBeCloseTo(313 * (0.58 - 0.0075) * 0.006, 8);
		expect(of('sample-volume')).toBeCloseTo((back.value * 0.01) / Math.sqrt(3), 8);
	});
	it('scales with the kit’s factor, and its uncertainty comes along', () => {
		const corrected = budget({ factor: 1.05, factorRelativeU: 0.02 });
		expect(corrected.value / budget().value).toBeCloseTo(1.05, 12);
		expect(corrected.endPoint / budget().endPoint).toBeCloseTo(1.05, 12);
		expect(corrected.components.find((c) => c.source === 'factor')!.u).toBeCloseTo(
			0.02 * corrected.value,
			12
		);
	});
	it('is narrower by triangles than by rectangles', () => {
		expect(budget({ graduationShape: 'tri' }).graduation).toBeLessThan(budget().graduation);
		expect(budget({ sampleShape: 'tri' }).sampleVolume).toBeLessThan(budget().sampleVolume);
	});
	it('gives each bad drop the width of a whole one', () => {
		const one = budget({}, { bad: 1 }).badDrops;
		expect(one).toBeCloseTo((14 * 0.015) / Math.sqrt(12), 12);
		expect(budget({}, { bad: 4 }).badDrops).toBeCloseTo(2 * one, 12);
	});
});
