import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SHIPPED_METHODS, titrationsOf } from '../../method/index.ts';
import {
	acidToReach,
	afterTime,
	bareShare,
	CLEAR_DAY,
	conditionalLogK,
	cssOf,
	EDTA_PKA,
	FIRST_SIGHT,
	freeIon,
	freshVial,
	FULL_CHANGE,
	lightThrough,
	absorbanceOf,
	mixedAbsorbance,
	phAfterAcid,
	restingShare,
	sightOf,
	titrantToShow,
	vialOf,
	withDrop
} from '../index.ts';

const method = (code: string) => SHIPPED_METHODS.find((m) => m.code === code)!;
const titrating = SHIPPED_METHODS.flatMap((m) => titrationsOf(m).map((t, i) => [m, t, i as 0 | 1] as const));

describe('a complex', () => {
	// Harris (2010), table 11-3.
	it.each([
		[6, 1.8e-5],
		[8, 4.2e-3],
		[9, 0.041],
		[10, 0.3],
		[11, 0.81],
		[12, 0.98]
	])('leaves EDTA bare at pH %s to a share of %s', (ph, share) => {
		expect(bareShare(EDTA_PKA, ph) / share).toBeCloseTo(1, 1);
	});
	it('has the conditional constants of calcium that are printed', () => {
		expect(10 ** conditionalLogK(10.65, EDTA_PKA, 10) / 1.34e10).toBeCloseTo(1, 1);
		expect(10 ** conditionalLogK(10.65, EDTA_PKA, 6) / 8.0e5).toBeCloseTo(1, 1);
	});
	it('meets the printed points of a titration: 50 mL of 0.0400 mol/L with 0.0800 mol/L at pH 10', () => {
		const pCa = (ml: number) =>
			-Math.log10(freeIon((50 * 0.04) / (50 + ml), (ml * 0.08) / (50 + ml), Math.log10(1.34e10)));
		expect(pCa(5)).toBeCloseTo(1.54, 1);
		expect(pCa(25)).toBeCloseTo(5.85, 1);
		expect(pCa(26)).toBeCloseTo(8.73, 1);
	});
	it('holds what it was made from', () => {
		const conc = fc.double({ min: 1e-6, max: 0.1, noNaN: true });
		fc.assert(
			fc.property(conc, conc, fc.double({ min: 2, max: 11, noNaN: true }), (ion, ligand, logK) => {
				const free = freeIon(ion, ligand, logK);
				const bound = ion - free;
				expect(free).toBeGreaterThan(0);
				expect(free).toBeLessThanOrEqual(ion * (1 + 1e-12));
				const k = bound / (free * (ligand - bound));
				if (bound > 1e-3 * ion && ligand - bound > 1e-3 * ligand && free > 1e-3 * ion) {
					expect(Math.log10(k)).toBeCloseTo(logK, 3);
				}
			})
		);
	});
});

describe('alkalinity with acid', () => {
	const sea = {
		salinity: 35,
		temperatureC: 25,
		sampleMl: 6,
		alkalinityMeqPerL: 2.4,
		carbonMmolPerL: 2.1,
		acidMolPerL: 0.03
	};
	it('comes to its end between pH 4.2 and 4.5, where all of it is used', () => {
		const used = (2.4 * 6) / 30;
		expect(phAfterAcid(sea, used)).toBeGreaterThan(4.2);
		expect(phAfterAcid(sea, used)).toBeLessThan(4.5);
		expect(acidToReach(sea, 4.35)).toBeCloseTo(used, 2);
	});
	it('falls all the way, and rises again where gas leaves', () => {
		const path = Array.from({ length: 60 }, (_, i) => phAfterAcid(sea, i / 100));
		expect(path.every((ph, i) => i === 0 || ph < path[i - 1]!)).toBe(true);
		expect(phAfterAcid(sea, 0)).toBeCloseTo(8.0, 0);
		expect(phAfterAcid(sea, 0.48, 0.9)).toBeGreaterThan(phAfterAcid(sea, 0.48) + 0.3);
	});
	it.each(['alk-syringe', 'alk-drops'])('of %s shows its full colour there', (code) => {
		const vial = vialOf(method(code), 0, code === 'alk-syringe' ? 0.58 : 0.8);
		const at = titrantToShow(vial, FULL_CHANGE);
		expect(Math.abs(at - vial.equivalentMl) / vial.dropMl).toBeLessThan(1);
	});
});

describe.each(titrating.map(([m, t, i]) => [`${m.code} ${i + 1}`, m, t, i] as const))(
	'the vial of %s',
	(_, m, t, i) => {
		const vial = vialOf(m, i, 0.55);
		it('passes from the start to the end of its swatches, the shade between lying within few drops', () => {
			expect(restingShare(vial, 0)).toBeLessThan(0.05);
			expect(restingShare(vial, 0.8)).toBeGreaterThan(0.97);
			const wide = (titrantToShow(vial, FULL_CHANGE) - titrantToShow(vial, FIRST_SIGHT)) / vial.dropMl;
			expect(wide).toBeGreaterThan(0.2);
			expect(wide).toBeLessThan(6);
		});
		it('turns within a drop or two of what is really there', () => {
			expect(Math.abs(titrantToShow(vial, FULL_CHANGE) - 0.55) / vial.dropMl).toBeLessThan(1.5);
		});
		it('shows the swatch of its end when all is over', () => {
			let state = withDrop(freshVial(vial), 0.9);
			for (let s = 0; s < 400; s++) state = afterTime(vial, state, 0.1, true);
			expect(state.streakMl).toBe(0);
			const plain = { ...vial, chemistry: { ...vial.chemistry, milky: false } };
			if (vial.chemistry.kind === 'complex') {
				const end = lightThrough(absorbanceOf(t.colours.end.css), CLEAR_DAY);
				sightOf(plain, state, CLEAR_DAY).body.forEach((b, k) => expect(b).toBeCloseTo(end[k]!, 1));
			}
		});
	}
);

describe('a drop', () => {
	const vial = vialOf(method('mg-syringe'), 0, 0.86);
	it('falls as a streak of the end colour that swirling takes away, long before the end', () => {
		const state = withDrop({ ...freshVial(vial), addedMl: 0.8 }, 0.015);
		expect(sightOf(vial, state, CLEAR_DAY).streak).not.toBeNull();
		let later = state;
		for (let s = 0; s < 50; s++) later = afterTime(vial, later, 0.1, true);
		expect(sightOf(vial, later, CLEAR_DAY).streak).toBeNull();
		expect(later.share).toBeLessThan(FULL_CHANGE);
	});
	it('of magnesium is seen late: dripping each second goes further than waiting for the colour', () => {
		const stopped = (pauseS: number) => {
			let state = { ...freshVial(vial), addedMl: 0.7 };
			while (state.share < FULL_CHANGE && state.addedMl < 1.3) {
				state = withDrop(state, vial.dropMl);
				for (let s = 0; s < pauseS * 10; s++) state = afterTime(vial, state, 0.1, true);
			}
			return state.addedMl;
		};
		expect(stopped(1) - stopped(12)).toBeGreaterThan(vial.dropMl);
	});
	it('of acid at the end of an open vial is the first turn: it fades back', () => {
		const open = vialOf(method('alk-drops'), 0, 0.8);
		let state = { ...freshVial(open), addedMl: titrantToShow(open, FULL_CHANGE) + 0.005 };
		const seen: number[] = [];
		for (let s = 0; s < 300; s++) {
			state = afterTime(open, state, 0.1, true);
			seen.push(state.share);
		}
		expect(Math.max(...seen)).toBeGreaterThan(0.75);
		expect(seen.at(-1)!).toBeLessThan(Math.max(...seen) - 0.15);
	});
});

describe('light', () => {
	it('through both forms is that of their absorbances: never brighter than the brighter of both', () => {
		const [green, red] = [absorbanceOf('#3f9a6a'), absorbanceOf('#a3264f')];
		fc.assert(
			fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
				const mixed = lightThrough(mixedAbsorbance(green, red, share), CLEAR_DAY);
				const [a, b] = [green, red].map((x) => lightThrough(x, CLEAR_DAY));
				mixed.forEach((m, k) => expect(m).toBeLessThanOrEqual(Math.max(a![k]!, b![k]!) + 1e-12));
			})
		);
	});
	it('comes back as the swatch it was taken from, and is dimmer, warmer, hazier as it is disturbed', () => {
		expect(cssOf(lightThrough(absorbanceOf('#3f9a6a'), CLEAR_DAY))).toBe('rgb(63 154 106)');
		const of = (change: object) => lightThrough(absorbanceOf('#3f9a6a'), { ...CLEAR_DAY, ...change });
		const clear = of({});
		expect(of({ lamp: 'weak' })[1]).toBeLessThan(clear[1] / 3);
		expect(of({ lamp: 'warm' })[2] / of({ lamp: 'warm' })[0]).toBeLessThan(clear[2] / clear[0]);
		expect(of({ tinted: true })[2]).toBeLessThan(clear[2]);
		expect(of({ table: 'coloured' })[2]).toBeLessThan(clear[2]);
		expect(of({ cloudy: true })[0]).toBeGreaterThan(clear[0]);
	});
});
