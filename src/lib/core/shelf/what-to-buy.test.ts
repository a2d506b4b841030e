import { describe, expect, it } from 'vitest';
import { ALK_DROPS, ALK_SYRINGE, CA_SYRINGE, NO3_CARD, SHIPPED_METHODS } from '../method/index.ts';
import { readingWayOf, whatToGet, type Wanted } from './index.ts';

const wanted = (parameter: Wanted['parameter'], perYear: number, hasKit = false, weight = 5): Wanted => ({
	parameter,
	perYear,
	hasKit,
	weight
});
const paid = (m: { readonly pack: { readonly price: number | null } }) => m.pack.price;

describe('what to get first', () => {
	it('is what nothing is there for, the most pressing before the others', () => {
		const list = whatToGet(
			[wanted('alkalinity', 52, true, 8), wanted('nitrate', 12, false, 5), wanted('calcium', 26, false, 6)],
			SHIPPED_METHODS,
			'any',
			paid
		);
		expect(list.map((g) => g.parameter)).toEqual(['calcium', 'nitrate', 'alkalinity']);
	});
	it('costs by the tests of a year, and half with half the sample', () => {
		const [calcium] = whatToGet([wanted('calcium', 100)], [CA_SYRINGE], 'any', paid);
		const { tests, price, openedMonths } = CA_SYRINGE.pack;
		expect(openedMonths).toBe(12);
		expect(calcium!.kinds[0]).toMatchObject({
			full: (100 / tests!) * price!,
			half: (100 / (2 * tests!)) * price!
		});
	});
	it('costs a pack a year at the least where it goes off, however few tests are made', () => {
		const [calcium] = whatToGet([wanted('calcium', 4)], [CA_SYRINGE], 'any', paid);
		expect(calcium!.kinds[0]).toMatchObject({ packs: 1, full: CA_SYRINGE.pack.price });
	});
	it('keeps to the way of reading that is liked', () => {
		expect([ALK_SYRINGE, ALK_DROPS, NO3_CARD].map(readingWayOf)).toEqual(['syringe', 'drops', 'colour']);
		const [alkalinity] = whatToGet([wanted('alkalinity', 52)], SHIPPED_METHODS, 'drops', paid);
		expect(alkalinity!.kinds.map((k) => k.method.code)).toEqual(['alk-drops']);
	});
	it('says nothing of the cost of what has no price', () => {
		const [nitrate] = whatToGet([wanted('nitrate', 12)], [NO3_CARD], 'any', () => null);
		expect(nitrate!.kinds[0]).toMatchObject({ full: null, half: null });
	});
});
