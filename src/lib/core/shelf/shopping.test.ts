import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { portionsOf, SHIPPED_METHODS } from '../method/index.ts';
import { addDays, instant } from '../time/index.ts';
import { meritsOf, shoppingList, supplyOf, usePerTest, type KitOnShelf } from './index.ts';

const now = instant(Date.UTC(2026, 4, 20));
const PER_DAY = 0.5;
const kit = (id: string, tests: number | null, goodForDays: number | null): KitOnShelf => ({
	id,
	methodCode: 'ca-syringe',
	opened: true,
	retired: false,
	supply: supplyOf(
		tests === null ? null : { tests, endsFirst: 'C' },
		PER_DAY,
		goodForDays === null ? null : addDays(now, goodForDays),
		now
	)
});
const daysOf = (kits: readonly KitOnShelf[]) => {
	const [first] = shoppingList(kits, now);
	return first?.at === undefined || first.at === null ? null : Math.round((first.at - now) / 86_400_000);
};

describe('what to buy', () => {
	it('uses one lot after the other, the one that spoils first before the rest', () => {
		expect(daysOf([kit('a', 5, null)])).toBe(10);
		expect(daysOf([kit('a', 5, null), kit('b', 5, null)])).toBe(20);
		expect(shoppingList([kit('a', 5, null), kit('b', 20, null)], now)).toEqual([]);
		// Twenty tests that spoil in six days are three tests.
		expect(daysOf([kit('a', 20, 6), kit('b', 5, null)])).toBe(16);
		expect(shoppingList([kit('a', 20, 6)], now)).toMatchObject([{ why: 'date' }]);
	});
	it('goes by the date alone where nobody knows what is left', () => {
		expect(daysOf([kit('a', null, 9)])).toBe(9);
		expect(shoppingList([kit('a', null, null)], now)).toEqual([]);
		expect(shoppingList([kit('a', null, 90)], now)).toEqual([]);
	});
	it('never asks later because there is less, nor sooner because there is more', () => {
		const lots = fc.array(fc.tuple(fc.nat(30), fc.option(fc.integer({ min: 1, max: 60 }))), {
			minLength: 1,
			maxLength: 4
		});
		fc.assert(
			fc.property(lots, fc.nat(20), (all, more) => {
				const shelf = all.map(([tests, days], i) => kit(String(i), tests + 1, days));
				const before = daysOf(shelf) ?? Infinity;
				const after = daysOf([...shelf, kit('more', more + 1, null)]) ?? Infinity;
				expect(after).toBeGreaterThanOrEqual(before);
			})
		);
	});
});

describe('every shipped method', () => {
	const levels = {
		alkalinity: 8.2,
		calcium: 430,
		magnesium: 1330,
		potassium: 395,
		nitrate: 6,
		phosphate: 0.06,
		ammonia: 0.2,
		nitrite: 0.2,
		salinity: 35,
		ph: 8.1,
		temperature: 25,
		hardness: 8
	};
	it.each(SHIPPED_METHODS.filter((m) => m.kind !== 'stated').map((m) => [m.code, m] as const))(
		'%s can be laid beside others, and takes no more of a bottle with half the sample',
		(_code, method) => {
			const merits = meritsOf(method, 'full', levels);
			expect(merits.handsS).toBeGreaterThan(0);
			if (merits.halfInterval !== null) expect(merits.halfInterval).toBeGreaterThan(0);
			const habits = { putsBack: true, levels };
			const full = usePerTest(method, 'full', habits);
			for (const { reagent, amount } of portionsOf(method).includes('half')
				? usePerTest(method, 'half', habits)
				: []) {
				expect(amount).toBeLessThanOrEqual(full.find((f) => f.reagent === reagent)!.amount + 1e-9);
			}
		}
	);
});
