import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { colourDifference } from '../colour/index.ts';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	CA_MG_PAIR,
	HARDNESS_DROPS,
	K_FILTER,
	NO3_CARD,
	PO4_METER,
	SHIPPED_METHODS
} from '../method/index.ts';
import { addDays, instant } from '../time/index.ts';
import {
	checkDue,
	costPerTest,
	goodUntil,
	meritsOf,
	paceOf,
	shoppingList,
	stockOf,
	supplyOf,
	testsLeft,
	usePerTest,
	type KitOnShelf
} from './index.ts';

const now = instant(Date.UTC(2026, 4, 20));
const levels = {
	alkalinity: 8.2,
	calcium: 430,
	magnesium: 1330,
	potassium: 395,
	nitrate: 6,
	phosphate: 0.06
};
const habits = { putsBack: true, levels };
const amount = (list: ReturnType<typeof usePerTest>, reagent: string) =>
	list.find((a) => a.reagent === reagent)?.amount;

describe('what a test takes', () => {
	it('is drops of indicator and the titrant that the level needs', () => {
		const taken = usePerTest(ALK_SYRINGE, 'full', habits);
		expect(amount(taken, 'A')).toBeCloseTo(0.12, 9);
		// 8.2 dKH are 2.925 meq/L, at 5.00 meq/L to the millilitre.
		expect(amount(taken, 'B')).toBeCloseTo(2.9246 / 5, 3);
	});
	it('is a whole filling where nothing is put back, two where one does not do', () => {
		expect(amount(usePerTest(ALK_SYRINGE, 'full', { ...habits, putsBack: false }), 'B')).toBe(1);
		const high = { putsBack: false, levels: { alkalinity: 16 } };
		expect(amount(usePerTest(ALK_SYRINGE, 'full', high), 'B')).toBe(2);
	});
	it('is what calcium takes as well where it is taken off afterwards, and the usual where nothing is said', () => {
		// 1330 + 0.6064 · 430 mg/L as magnesium, at 60.8 to the drop of 0.04 mL.
		expect(amount(usePerTest(HARDNESS_DROPS, 'full', habits), 'C')).toBeCloseTo((0.04 * 1590.8) / 60.8, 2);
		expect(amount(usePerTest(ALK_DROPS, 'full', { ...habits, levels: {} }), 'B')).toBeCloseTo(0.04 * 20, 2);
	});
	it('is half the titrant with half the sample', () => {
		const full = amount(usePerTest(ALK_SYRINGE, 'full', habits), 'B')!;
		expect(amount(usePerTest(ALK_SYRINGE, 'half', habits), 'B')).toBeCloseTo(full / 2, 9);
	});
	it('is known of every shipped kit without a number that is none', () => {
		for (const method of SHIPPED_METHODS) {
			for (const { amount: taken } of usePerTest(method, 'full', habits)) {
				expect(taken, method.code).toBeGreaterThan(0);
				expect(taken, method.code).toBeLessThan(40);
			}
		}
		expect(amount(usePerTest(K_FILTER, 'full', habits), 'C')).toBeGreaterThan(0);
		expect(usePerTest(CA_MG_PAIR, 'full', habits).length).toBeGreaterThan(2);
	});
});

const entry = fc.record({
	kind: fc.constantFrom('used' as const, 'counted' as const),
	at: fc.integer({ min: 0, max: 1000 }).map((n) => addDays(now, n)),
	amount: fc.double({ min: 0, max: 20, noNaN: true })
});

describe('stock', () => {
	it('never goes below zero silently: what was used beyond it is told', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0, max: 50, noNaN: true }),
				fc.array(entry, { maxLength: 30 }),
				(full, entries) => {
					const { left, short } = stockOf(full, entries);
					expect(left).toBeGreaterThanOrEqual(0);
					expect(short).toBeGreaterThanOrEqual(0);
					const used = entries.filter((e) => e.kind === 'used');
					if (used.length === entries.length) {
						const total = used.reduce((sum, e) => sum + e.amount, 0);
						expect(left - short).toBeCloseTo(full - total, 6);
					}
				}
			)
		);
	});
	it('believes the last look over all reckoning, in whatever order it is noted', () => {
		const entries = [
			{ kind: 'used', at: addDays(now, 3), amount: 1 },
			{ kind: 'counted', at: addDays(now, 2), amount: 6 },
			{ kind: 'used', at: addDays(now, 1), amount: 9 }
		] as const;
		expect(stockOf(10, entries)).toEqual({ left: 5, short: 0, countedAt: addDays(now, 2) });
		expect(() => stockOf(-1, [])).toThrow(RangeError);
		expect(() => stockOf(1, [{ kind: 'used', at: now, amount: -1 }])).toThrow(RangeError);
	});
	it('names the bottle that ends first', () => {
		const bottles = [
			{ reagent: 'A', left: 9, perTest: 0.12 },
			{ reagent: 'B', left: 20, perTest: 0.6 }
		];
		expect(testsLeft(bottles)).toEqual({ tests: 33, endsFirst: 'B' });
		expect(testsLeft([{ reagent: 'A', left: 60 * 0.12, perTest: 0.12 }])?.tests).toBe(60);
		expect(testsLeft([])).toBeNull();
		expect(costPerTest(14, bottles, null)).toBeCloseTo(14 / 33, 9);
		expect(costPerTest(14, [], 60)).toBeCloseTo(14 / 60, 9);
		expect(costPerTest(null, bottles, 60)).toBeNull();
	});
});

describe('how long a kit will do', () => {
	it('goes by the last eight weeks, or since it was opened', () => {
		const tests = Array.from({ length: 40 }, (_, i) => addDays(now, -4 * i));
		expect(paceOf(tests, null, now)).toBeCloseTo(0.25, 9);
		expect(paceOf(tests, addDays(now, -20), now)).toBeCloseTo(0.25, 9);
		expect(paceOf([], null, now)).toBe(0);
	});
	it('ends by whichever comes first', () => {
		const until = goodUntil(addDays(now, 200), addDays(now, -300), 12);
		expect(Math.round((until! - now) / 86_400_000)).toBe(65);
		expect(supplyOf({ tests: 10, endsFirst: 'B' }, 0.25, until, now).ends).toMatchObject({ by: 'used-up' });
		expect(supplyOf({ tests: 40, endsFirst: 'B' }, 0.25, until, now).ends).toMatchObject({ by: 'date' });
		expect(supplyOf(null, 0, null, now).ends).toBeNull();
		expect(goodUntil(null, null, 12)).toBeNull();
	});
	it('says what to buy before it is missing, and not where another stands ready', () => {
		const kit = (id: string, tests: number, change: Partial<KitOnShelf> = {}): KitOnShelf => ({
			id,
			methodCode: 'alk-syringe',
			opened: true,
			retired: false,
			supply: supplyOf({ tests, endsFirst: 'B' }, 0.3, null, now),
			...change
		});
		expect(shoppingList([kit('a', 5)], now)).toMatchObject([{ methodCode: 'alk-syringe', why: 'used-up' }]);
		expect(shoppingList([kit('a', 5), kit('b', 60, { opened: false })], now)).toEqual([]);
		expect(shoppingList([kit('a', 5), kit('b', 60, { retired: true })], now)).toHaveLength(1);
		const past = { supply: supplyOf({ tests: 60, endsFirst: 'B' }, 0.3, addDays(now, -1), now) };
		expect(shoppingList([kit('a', 0, past)], now)).toMatchObject([{ why: 'none-left', at: null }]);
		const unused = { supply: supplyOf({ tests: 0, endsFirst: 'B' }, 0, null, now) };
		expect(shoppingList([kit('a', 0, unused)], now)).toEqual([]);
	});
});

describe('a check', () => {
	const history = { openedAt: addDays(now, -200), checkedAt: null, doubtedAt: null, goodUntil: null };
	it('is due when a kit is new, old, past its date or doubted', () => {
		expect(checkDue(history, 'standards', now)).toBe('new');
		expect(checkDue({ ...history, checkedAt: addDays(now, -10) }, 'standards', now)).toBeNull();
		expect(checkDue({ ...history, checkedAt: addDays(now, -150) }, 'standards', now)).toBe('old');
		expect(checkDue({ ...history, goodUntil: addDays(now, -1) }, 'standards', now)).toBe('past-date');
		const doubted = { ...history, checkedAt: addDays(now, -10), doubtedAt: addDays(now, -1) };
		expect(checkDue(doubted, 'habit', now)).toBe('doubted');
		expect(checkDue({ ...history, openedAt: null }, 'standards', now)).toBeNull();
	});
	it('is not asked of those who trust by habit until there is reason', () => {
		expect(checkDue(history, 'habit', now)).toBeNull();
		expect(checkDue({ ...history, goodUntil: addDays(now, -1) }, 'habit', now)).toBe('past-date');
	});
});

describe('kits side by side', () => {
	it('differ by interval, minutes and colours', () => {
		const [syringe, byDrops] = [ALK_SYRINGE, ALK_DROPS].map((m) => meritsOf(m, 'full', levels));
		expect(syringe!.halfInterval).toBeGreaterThan(0.1);
		expect(byDrops!.halfInterval).toBeGreaterThan(0.1);
		expect(syringe!.totalS).toBeGreaterThanOrEqual(syringe!.handsS);
		expect(syringe!.colours).toBeGreaterThan(20);
		expect(meritsOf(NO3_CARD, 'full', levels).colours!).toBeLessThan(syringe!.colours!);
		expect(meritsOf(PO4_METER, 'full', levels).colours).toBeNull();
		// Half the sample, twice the drop.
		expect(meritsOf(ALK_SYRINGE, 'half', levels).halfInterval!).toBeGreaterThan(syringe!.halfInterval!);
	});
	it('have colours as far apart as the eye says', () => {
		expect(colourDifference('#000000', '#ffffff')).toBeCloseTo(100, 6);
		expect(colourDifference('#3f9a6a', '#3f9a6a')).toBe(0);
		expect(() => colourDifference('#3f9a6a', 'sludge')).toThrow(RangeError);
	});
});
