import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	balanceOf,
	bestMix,
	CHANGE_STEPS,
	doseByTable,
	findingsOfBatch,
	freshSaltFor,
	hardnessWay,
	heldByChanges,
	largestChange,
	limewaterDose,
	movesOfChange,
	raisedBy,
	reactorDose,
	reactorFlow,
	recipeFor,
	salinityDays,
	saltCreep,
	saltForBatch,
	seriesOf,
	steadyChanges,
	STOCK,
	strengthByTrial,
	tunedDose,
	type CompoundId,
	type Supplement,
	type WaterNow
} from '../index.ts';

const limitOf = (parameter: string) =>
	parameter === 'alkalinity' ? 0.5 : parameter === 'nitrate' ? 2 : null;
const tank = { alkalinity: 6.5, nitrate: 40, salinity: 35, ph: 8.1 };
const fresh = { alkalinity: 8, nitrate: 0, salinity: 35, ph: 8.2 };

describe('a series of changes', () => {
	it('moves all that is known of both waters, and says what passes a day', () => {
		const moves = movesOfChange(tank, fresh, 0.2, limitOf);
		expect(moves.map((m) => m.parameter)).toEqual(['alkalinity', 'nitrate', 'salinity']);
		expect(moves.find((m) => m.parameter === 'nitrate')).toMatchObject({ after: 32, within: false });
		expect(moves.find((m) => m.parameter === 'alkalinity')).toMatchObject({
			after: expect.closeTo(6.8, 9),
			within: true
		});
	});
	it('is as large as the tightest limit lets it be', () => {
		const { fraction, by } = largestChange(tank, fresh, limitOf);
		expect(by).toBe('nitrate');
		expect(fraction).toBeCloseTo(0.05, 9);
		expect(movesOfChange(tank, fresh, fraction, limitOf).every((m) => m.within)).toBe(true);
		expect(largestChange(tank, { salinity: 33 }, limitOf)).toEqual({ fraction: 1, by: null });
	});
	it('leads where equal changes lead in the long run', () => {
		const last = seriesOf(tank, fresh, { fraction: 0.15, count: 200 }, (p) => (p === 'nitrate' ? 3 : 0)).at(
			-1
		)!;
		expect(last.levels.nitrate).toBeCloseTo(steadyChanges(0, 0.15, 3).after, 6);
		expect(last.levels.alkalinity).toBeCloseTo(8, 6);
	});
	it('is done with what heats and pumps off, and checked at the end', () => {
		expect(CHANGE_STEPS.indexOf('heater-off')).toBeLessThan(CHANGE_STEPS.indexOf('siphon'));
		expect(CHANGE_STEPS.indexOf('heater-on')).toBeGreaterThan(CHANGE_STEPS.indexOf('refill'));
		expect(CHANGE_STEPS.at(-1)).toBe('checked');
	});
});

describe('salinity over days', () => {
	it('stays within a day and arrives', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 28, max: 40, noNaN: true }),
				fc.double({ min: 28, max: 40, noNaN: true }),
				(from, aim) => {
					const days = salinityDays({ from, aim, volumeL: 200, temperatureC: 25, limitPerDay: 0.5 });
					for (const d of days) {
						expect(Math.abs(d.to - d.from)).toBeLessThanOrEqual(0.5 + 1e-9);
						expect(d.saltKg > 0).toBe(aim > from);
						expect(d.exchangeL > 0).toBe(aim < from);
					}
					if (days.length > 0) expect(days.at(-1)!.to).toBeCloseTo(aim, 9);
				}
			)
		);
		expect(
			salinityDays({ from: 33, aim: 35, volumeL: 200, temperatureC: 25, limitPerDay: null })
		).toHaveLength(1);
	});
});

describe('a batch', () => {
	it('needs so much salt, and what is left is water', () => {
		const { saltKg, waterL } = saltForBatch(120, 35, 25, 1);
		expect(saltKg).toBeCloseTo(4.318, 2);
		expect(waterL).toBeGreaterThan(115);
		expect(waterL).toBeLessThan(120);
		expect(() => saltForBatch(0, 35, 25)).toThrow(RangeError);
	});
	it('is told thin or unclean only where the kit can tell', () => {
		expect(
			findingsOfBatch({ magnesium: { value: 1180, u: 20 }, salinity: { value: 35, u: 0.3 } }, 35)
		).toEqual([expect.objectContaining({ kind: 'thin-magnesium' })]);
		expect(
			findingsOfBatch({ magnesium: { value: 1310, u: 20 }, salinity: { value: 35, u: 0.3 } }, 35)
		).toEqual([]);
		// Thin for a salinity that is low as well: then it is not the salt.
		expect(
			findingsOfBatch({ magnesium: { value: 1215, u: 15 }, salinity: { value: 32.5, u: 0.2 } }, 35).map(
				(f) => f.kind
			)
		).toEqual(['salinity-off']);
		expect(findingsOfBatch({ nitrate: { value: 3, u: 0.6 } }, 35)).toEqual([
			{ kind: 'holds-nutrient', parameter: 'nitrate', value: 3 }
		]);
		expect(findingsOfBatch({ nitrate: { value: 0.6, u: 0.6 } }, 35)).toEqual([]);
		expect(findingsOfBatch({}, 35)).toEqual([{ kind: 'not-tested' }]);
	});
});

describe('the daily dose', () => {
	const soda: Supplement = {
		kind: 'solution',
		parts: [{ compound: 'Na2CO3', gramsPerL: 100, purity: 1 }]
	};
	const use = { alkalinity: { value: 0.6, u: 0.05 }, calcium: { value: 4.3, u: 0.6 } };
	it('makes up for what is used, with its interval', () => {
		const { perDay, low, high } = tunedDose(soda, 'alkalinity', use.alkalinity, { value: 200, u: 8 });
		expect(perDay).toBeCloseTo(22.68, 1);
		expect(low).toBeLessThan(perDay);
		expect(high - perDay).toBeCloseTo(perDay - low, 9);
		expect(tunedDose(soda, 'alkalinity', { value: -1, u: 0.1 }, { value: 200, u: 8 }).perDay).toBe(0);
	});
	it('of limewater is capped by what evaporates', () => {
		const { enough, shortDkh, litresPerDay, most } = limewaterDose(use, 200, 1);
		expect(most.alkalinityDkh).toBeCloseTo(0.568, 2);
		expect(enough).toBe(false);
		expect(litresPerDay).toBe(1);
		expect(shortDkh).toBeCloseTo(0.032, 2);
		expect(limewaterDose(use, 200, 4)).toMatchObject({ enough: true, shortDkh: 0 });
	});
	it('of a reactor is what its effluent holds more', () => {
		const flow = reactorFlow(0.6, 25, 8, 200);
		expect(reactorDose(25, 8, flow, 200).alkalinityDkh).toBeCloseTo(0.6, 9);
		expect(reactorDose(25, 8, flow, 200).calciumMgPerL).toBeCloseTo(0.6 * 7.146959, 3);
		expect(() => reactorFlow(0.6, 8, 8, 200)).toThrow(RangeError);
	});
	it('is balanced in the proportion of the skeleton', () => {
		expect(balanceOf(0.6, 0.6 * 7.147).balance).toBe('balanced');
		expect(balanceOf(0.6, 1).balance).toBe('calcium-short');
		expect(balanceOf(0.6, 8)).toEqual({
			balance: 'alkalinity-short',
			calciumPerMonth: expect.closeTo(111.4, 0)
		});
	});
	it('leaves salt behind: 7.4 in S for a degree a day in a year', () => {
		expect(
			12.1667 * saltCreep(1, { volumeL: 200, salinity: 35, temperatureC: 25, aim: 35 }).perMonth
		).toBeCloseTo(7.4, 1);
		expect(
			saltCreep(1, { volumeL: 200, salinity: 35, temperatureC: 25, aim: 35 }).exchangeLPerMonth
		).toBeGreaterThan(3);
	});
	it('can be water changes alone, where little is used', () => {
		expect(heldByChanges(0.05, 8.5, 0.1, 7).before).toBeCloseTo(5, 9);
		expect(heldByChanges(0.01, 8.5, 0.1, 7).after).toBeCloseTo(8.5 - 0.63, 9);
	});
});

describe('solutions and products', () => {
	it('are mixed below saturation, and never from what falls out together', () => {
		for (const compound of Object.keys(STOCK) as CompoundId[]) {
			expect(recipeFor([{ compound, gramsPerL: STOCK[compound].mostGPerL }], 0.5).kind).toBe('recipe');
			expect(recipeFor([{ compound, gramsPerL: 1.5 * STOCK[compound].mostGPerL }], 1)).toMatchObject({
				kind: 'too-strong',
				most: { compound, mostGPerL: expect.closeTo(STOCK[compound].mostGPerL, 6) }
			});
		}
		expect(
			recipeFor(
				[
					{ compound: 'CaCl2.2H2O', gramsPerL: 50 },
					{ compound: 'NaHCO3', gramsPerL: 10 }
				],
				1
			).kind
		).toBe('falls-out');
		expect(
			recipeFor(
				[
					{ compound: 'MgCl2.6H2O', gramsPerL: 250 },
					{ compound: 'MgSO4.7H2O', gramsPerL: 30 }
				],
				2
			)
		).toMatchObject({ kind: 'recipe', recipe: { masses: [{ grams: 500 }, { grams: 60 }] } });
		expect(() => recipeFor([], 0)).toThrow(RangeError);
	});
	it('are as strong as a trial shows, and no trial shows what could not be told', () => {
		const { risePer100L, relativeU } = strengthByTrial(50, { value: 20, u: 0.2 }, { value: 2.5, u: 0.2 });
		expect(risePer100L).toBeCloseTo(0.01, 9);
		expect(relativeU).toBeCloseTo(0.0806, 3);
		expect(() => strengthByTrial(50, { value: 20, u: 0.2 }, { value: 0.3, u: 0.2 })).toThrow(RangeError);
	});
	it('by their own table: between its rows, never beyond', () => {
		const rows = [
			{ reading: 2, amountPer100L: 1 },
			{ reading: 10, amountPer100L: 3 },
			{ reading: 50, amountPer100L: 5 }
		];
		expect(doseByTable(rows, 6, 200)).toBeCloseTo(4, 9);
		expect(doseByTable(rows, 0, 100)).toBe(1);
		expect(doseByTable(rows, 400, 100)).toBe(5);
		expect(() => doseByTable([rows[1]!, rows[0]!], 6, 100)).toThrow(RangeError);
		expect(() => doseByTable([], 6, 100)).toThrow(RangeError);
	});
});

describe('fresh water', () => {
	it('takes 3 g of bicarbonate to a degree in a hundred litres', () => {
		expect(freshSaltFor('sodium-bicarbonate', 1, 100)).toBeCloseTo(2.996, 2);
		expect(freshSaltFor('calcium-chloride', 1, 100)).toBeCloseTo(2.6215, 3);
		expect(() => freshSaltFor('magnesium-sulphate', 1, 0)).toThrow(RangeError);
	});
	it('is raised by salts of one hardness alone, and lowered by thinner water only', () => {
		expect(hardnessWay({ kh: 2, gh: 6 }, { kh: 4, gh: 6 }, 60)).toMatchObject({ gh: [], lower: [] });
		const way = hardnessWay({ kh: 12, gh: 16 }, { kh: 4, gh: 8 }, 60);
		expect(way.lower).toEqual(['kh', 'gh']);
		expect(way.purifiedShare).toBeCloseTo(2 / 3, 9);
		// Thinned to a third, general hardness is short and comes back as salts.
		expect(way.gh.map((g) => g.salt)).toEqual(['calcium-chloride', 'magnesium-sulphate']);
		expect(way.kh).toBeNull();
	});
});

describe('the best mix of what is at hand', () => {
	const water: WaterNow = {
		volumeL: { value: 200, u: 8 },
		fresh: false,
		animals: true,
		levels: {
			alkalinity: { value: 7, u: 0.1 },
			calcium: { value: 400, u: 4 },
			magnesium: { value: 1250, u: 15 },
			potassium: { value: 380, u: 6 },
			nitrate: { value: 30, u: 2 },
			phosphate: { value: 0.05, u: 0.01 },
			salinity: { value: 35, u: 0.2 }
		}
	};
	const scale = { alkalinity: 0.5, calcium: 20, magnesium: 50, potassium: 10, nitrate: 5, phosphate: 0.03 };
	const salt = (compound: CompoundId) =>
		({ id: compound, supplement: { kind: 'salt', compound, purity: 1 } }) as const;
	it('reaches every rise that a salt at hand brings, and says what none does', () => {
		const mix = bestMix({
			water,
			scale,
			rises: { alkalinity: 1.2, calcium: 30, magnesium: 60, potassium: 15 },
			atHand: [salt('NaHCO3'), salt('CaCl2.2H2O'), salt('MgCl2.6H2O')]
		});
		expect(mix.reached.alkalinity).toBeCloseTo(8.2, 6);
		expect(mix.reached.calcium).toBeCloseTo(430, 6);
		expect(mix.reached.magnesium).toBeCloseTo(1310, 6);
		expect(mix.short).toEqual([{ parameter: 'potassium', by: 15 }]);
		expect(mix.salinityRise).toBeGreaterThan(0);
	});
	it('takes potassium nitrate only where nitrate is wanted too', () => {
		const mix = bestMix({ water, scale, rises: { potassium: 10 }, atHand: [salt('KNO3'), salt('KCl')] });
		expect(mix.amounts.map((a) => a.id)).toEqual(['KCl']);
	});
	it('lets a change do what it can, within its size', () => {
		const mix = bestMix({
			water,
			scale,
			rises: { nitrate: -15, calcium: 20, alkalinity: 0.5 },
			atHand: [salt('CaCl2.2H2O'), salt('NaHCO3')],
			change: {
				most: 0.3,
				newWater: { nitrate: 0, calcium: 430, alkalinity: 8, magnesium: 1320, potassium: 400 }
			}
		});
		expect(mix.changeShare).toBeCloseTo(0.3, 6);
		expect(mix.short).toEqual([{ parameter: 'nitrate', by: expect.closeTo(-6, 6) }]);
		expect(raisedBy(salt('NaHCO3').supplement)).toEqual(['alkalinity']);
	});
});
