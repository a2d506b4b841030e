import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	acidityScales,
	afterAddition,
	carbonateConstants,
	carbonateFromAir,
	carbonateFromDic,
	carbonateFromPh,
	totalFromNbs
} from './index.ts';

const water = { salinity: 35, temperatureC: 25, calciumMgPerL: 420 };
const alkalinity = fc.double({ min: 1500, max: 4000, noNaN: true });
const ph = fc.double({ min: 7.4, max: 8.8, noNaN: true });

describe('the carbonate system', () => {
	it('is one system, from whichever two things it is told', () => {
		fc.assert(
			fc.property(alkalinity, ph, (ta, p) => {
				const told = carbonateFromPh(water, ta, p);
				expect(carbonateFromDic(water, ta, told.dic).phTotal).toBeCloseTo(p, 7);
				expect(carbonateFromAir(water, ta, told.pco2Uatm).phTotal).toBeCloseTo(p, 7);
				expect(told.dic).toBeCloseTo(told.co2 + told.bicarbonate + told.carbonate, 6);
			})
		);
	});
	it('is more over-saturated the higher pH, alkalinity and calcium are', () => {
		fc.assert(
			fc.property(alkalinity, ph, (ta, p) => {
				const omega = carbonateFromPh(water, ta, p).omegaAragonite;
				expect(carbonateFromPh(water, ta, p + 0.1).omegaAragonite).toBeGreaterThan(omega);
				expect(carbonateFromPh(water, ta * 1.1, p).omegaAragonite).toBeGreaterThan(omega);
				const richer = { ...water, calciumMgPerL: 462 };
				expect(carbonateFromPh(richer, ta, p).omegaAragonite / omega).toBeCloseTo(1.1, 9);
			})
		);
	});
	it('comes down to fresh water: pure water’s constants at S = 0, and no step on the way', () => {
		// Harned & Davis (1943), Harned & Scholes (1941) at 25 °C.
		expect(carbonateConstants(0, 25).pK1).toBeCloseTo(6.352, 2);
		expect(carbonateConstants(0, 25).pK2).toBeCloseTo(10.329, 2);
		const [below, above] = [carbonateConstants(4.999, 25), carbonateConstants(5.001, 25)];
		expect(Math.abs(below.pK1 - above.pK1)).toBeLessThan(0.06);
		expect(Math.abs(below.pK2 - above.pK2)).toBeLessThan(0.15);
		// 1 meq/L in air of 400 µatm: [HCO₃⁻] = K1·K0·pCO₂/[H⁺] gives pH 8.19.
		const soft = { salinity: 0, temperatureC: 25, calciumMgPerL: 20 };
		expect(carbonateFromAir(soft, 1000, 400).phTotal).toBeCloseTo(8.17, 1);
	});
	it('refuses water in which no constant holds', () => {
		expect(() => carbonateConstants(-1, 25)).toThrow(RangeError);
		expect(() => carbonateConstants(35, 60)).toThrow(RangeError);
	});
	it('tells pH on every scale, there and back', () => {
		const { nbs, seawater, free } = acidityScales(8.1, 35, 25);
		expect(totalFromNbs(nbs, 35, 25)).toBeCloseTo(8.1, 12);
		expect(seawater).toBeLessThan(8.1);
		expect(free).toBeGreaterThan(8.1);
	});
});

describe('an addition', () => {
	it('of bicarbonate lowers pH a little, of carbonate raises it, of hydroxide most', () => {
		const after = (what: Parameters<typeof afterAddition>[2], amount: number) =>
			afterAddition(water, { alkalinityDkh: 8, phTotal: 8.05 }, what, amount).after.phTotal;
		// The same 1.4 dKH by each.
		expect(after('bicarbonate', 0.5)).toBeCloseTo(7.99, 2);
		expect(after('carbonate', 0.25)).toBeCloseTo(8.28, 2);
		expect(after('hydroxide', 0.5)).toBeCloseTo(8.51, 2);
		expect(after('carbon-dioxide', 0.2)).toBeLessThan(8.05);
	});
	it('and its loss again leave the water as it was', () => {
		fc.assert(
			fc.property(fc.double({ min: 0.01, max: 0.3, noNaN: true }), (mmol) => {
				const lost = afterAddition(
					water,
					{ alkalinityDkh: 8, phTotal: 8.05 },
					'calcium-carbonate-loss',
					mmol
				);
				const back = afterAddition(
					{ ...water, calciumMgPerL: lost.calciumMgPerL },
					{ alkalinityDkh: lost.alkalinityDkh, phTotal: lost.after.phTotal },
					'calcium-carbonate-loss',
					-mmol
				);
				expect(back.after.phTotal).toBeCloseTo(8.05, 6);
				expect(back.calciumMgPerL).toBeCloseTo(420, 9);
				expect(back.alkalinityDkh).toBeCloseTo(8, 9);
			})
		);
	});
	it('of nothing changes nothing', () => {
		const { before, after } = afterAddition(water, { alkalinityDkh: 8, phTotal: 8.05 }, 'limewater', 0);
		expect(after.phTotal).toBeCloseTo(before.phTotal, 7);
		expect(after.omegaAragonite).toBeCloseTo(before.omegaAragonite, 5);
	});
});
