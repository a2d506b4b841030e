import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	afterChanges,
	afterContinuous,
	blend,
	changesFor,
	COMPOUND_IDS,
	COMPOUNDS,
	effectOfMass,
	evaporated,
	fractionFor,
	massForRise,
	overDays,
	saltFor,
	steadyChanges,
	stockForRise,
	thinned,
	turnoversFor,
	volumeByDose,
	type Compound
} from './index.ts';

const volume = fc.double({ min: 10, max: 5000, noNaN: true });
const level = (min = 0.1, max = 500) => fc.double({ min, max, noNaN: true });

describe('a dose', () => {
	it('weighed for a rise makes that rise, whatever the salt', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...COMPOUND_IDS),
				level(0.1, 100),
				volume,
				fc.double({ min: 0.5, max: 1, noNaN: true }),
				(id, rise, litres, purity) => {
					const compound: Compound = COMPOUNDS[id];
					for (const ion of Object.keys(compound.brings) as (keyof typeof compound.brings)[]) {
						const mass = massForRise(id, { raised: ion, by: rise, volumeL: litres }, purity);
						expect(effectOfMass(id, mass, litres, purity).ions[ion]).toBeCloseTo(rise, 8);
					}
					if (compound.alkalinity > 0) {
						const mass = massForRise(id, { raised: 'alkalinity', by: 1.5, volumeL: litres }, purity);
						expect(effectOfMass(id, mass, litres, purity).alkalinityDkh).toBeCloseTo(1.5, 8);
					}
				}
			)
		);
	});
	it('leaves no charge behind: what a salt brings is neutral', () => {
		const charge = { Ca: 2, Mg: 2, K: 1, Na: 1, Sr: 2, Cl: -1, SO4: -2, NO3: -1 } as const;
		for (const [id, { brings, alkalinity }] of Object.entries(COMPOUNDS) as [string, Compound][]) {
			if ('PO4' in brings) continue;
			const sum = Object.entries(brings).reduce(
				(total, [ion, moles]) => total + charge[ion as keyof typeof charge] * moles,
				0
			);
			// What is not balanced by an ion is the alkalinity that comes with it.
			expect(sum, id).toBe(alkalinity);
		}
	});
	it('refuses what makes no sense', () => {
		expect(() => massForRise('KCl', { raised: 'Ca', by: 10, volumeL: 100 })).toThrow(/brings no Ca/);
		expect(() => massForRise('KCl', { raised: 'K', by: 10, volumeL: 0 })).toThrow(RangeError);
		expect(() => massForRise('KCl', { raised: 'K', by: 10, volumeL: 100 }, 1.2)).toThrow(RangeError);
		expect(() => stockForRise('KCl', 0, { raised: 'K', by: 10, volumeL: 100 })).toThrow(RangeError);
		expect(massForRise('KCl', { raised: 'K', by: -5, volumeL: 100 })).toBe(0);
	});
	it('over days is never more than the limit, and never a day too many', () => {
		fc.assert(
			fc.property(fc.double({ min: -50, max: 50, noNaN: true }), level(0.01, 5), (change, limit) => {
				const { days, perDay } = overDays(change, limit);
				expect(days * perDay).toBeCloseTo(change, 9);
				expect(Math.abs(perDay)).toBeLessThanOrEqual(limit * (1 + 1e-8));
				if (days > 1) expect(Math.abs(change) / (days - 1)).toBeGreaterThan(limit * (1 - 1e-9));
			})
		);
		expect(overDays(0.3, 0.1).days).toBe(3);
		expect(() => overDays(1, 0)).toThrow(RangeError);
	});
});

describe('water changes', () => {
	const fraction = fc.double({ min: 0.02, max: 0.9, noNaN: true });
	it('lead ever nearer to the new water, and one half-way is two unequal ones', () => {
		fc.assert(
			fc.property(level(), level(), fraction, fc.integer({ min: 1, max: 20 }), (tank, fresh, f, n) => {
				const after = afterChanges(tank, { newWater: fresh, fraction: f, count: n });
				expect(Math.abs(after - fresh)).toBeLessThanOrEqual(Math.abs(tank - fresh) + 1e-9);
				expect(after).toBeCloseTo(fresh + (tank - fresh) * (1 - f) ** n, 7);
			})
		);
	});
	it('for ever lead to the steady level', () => {
		const { after, before } = steadyChanges(2, 0.1, 3);
		expect(afterChanges(80, { newWater: 2, fraction: 0.1, count: 400 }, 3)).toBeCloseTo(after, 9);
		expect(before - after).toBeCloseTo(0.1 * (before - 2), 9);
		expect(() => steadyChanges(2, 0, 3)).toThrow(RangeError);
	});
	it('are as many as a target needs, and no more', () => {
		fc.assert(
			fc.property(
				level(20, 100),
				fraction,
				fc.double({ min: 0.1, max: 0.9, noNaN: true }),
				(tank, f, part) => {
					const target = tank * part;
					const { count, level: reached } = changesFor(tank, target, 0, f);
					expect(reached).toBeLessThanOrEqual(target * (1 + 1e-7));
					if (count > 0)
						expect(afterChanges(tank, { newWater: 0, fraction: f, count: count - 1 })).toBeGreaterThan(
							target * (1 - 1e-7)
						);
					const turnovers = turnoversFor(tank, target, 0);
					expect(afterContinuous(tank, 0, turnovers).level).toBeCloseTo(target, 7);
				}
			)
		);
		expect(() => changesFor(10, 1, 5, 0.2)).toThrow(RangeError);
		expect(() => turnoversFor(10, 1, 5)).toThrow(RangeError);
		expect(fractionFor(10, 1, 5).possible).toBe(false);
		expect(() => fractionFor(10, 1, 10)).toThrow(RangeError);
	});
	it('tell a volume by what a dose did', () => {
		expect(volumeByDose(1000, { value: 10, u: 0.5 })).toEqual({ litres: 100, u: 5 });
		expect(() => volumeByDose(1000, { value: 0, u: 0.5 })).toThrow(RangeError);
	});
});

describe('salinity and blending', () => {
	it('blend back to the target, or say that they cannot', () => {
		fc.assert(
			fc.property(level(), level(), fc.double({ min: 0, max: 1, noNaN: true }), (a, b, part) => {
				fc.pre(Math.abs(a - b) > 1e-3);
				const target = b + part * (a - b);
				const { firstL, secondL, possible } = blend(a, b, target, 60);
				expect(possible).toBe(true);
				expect((firstL! * a + secondL! * b) / 60).toBeCloseTo(target, 6);
			})
		);
		expect(() => blend(5, 5, 5, 60)).toThrow(RangeError);
	});
	it('raise, lower and evaporate the right way round', () => {
		expect(saltFor({ salinity: 33, volumeL: 200, temperatureC: 25 }, 35, 1)).toBeGreaterThan(0.4);
		expect(saltFor({ salinity: 35, volumeL: 200, temperatureC: 25 }, 35, 1)).toBe(0);
		expect(() => saltFor({ salinity: 36, volumeL: 200, temperatureC: 25 }, 35, 1)).toThrow(RangeError);
		expect(thinned(36, 0, 36, 100).removeL).toBe(0);
		expect(() => thinned(35, 36, 34, 100)).toThrow(RangeError);
		// What evaporated brings salinity back when it is topped up.
		const litres = evaporated(200, 35, 36, 25);
		expect(litres).toBeGreaterThan(5);
		expect(() => evaporated(200, 36, 35, 25)).toThrow(RangeError);
	});
});
