import { describe, expect, it } from 'vitest';
import { ALK_DROPS, ALK_SYRINGE, CA_MG_PAIR, NO3_CARD } from '../../method/index.ts';
import { derive, pointOf, printedTables } from '../index.ts';

describe('the printed table', () => {
	it('says what the screen says, at every mark', () => {
		for (const portion of ['full', 'half'] as const) {
			const [table] = printedTables(ALK_SYRINGE, portion);
			expect(table!.entries).toHaveLength(101);
			for (const { read, value } of table!.entries) {
				const derived = derive(ALK_SYRINGE, {
					form: 'syringe',
					portion,
					readAs: 'left',
					fills: [{ startMl: 1, end: { lowerMl: read, upperMl: read } }],
					sure: true
				});
				expect(value).toBe(derived.ok ? (pointOf(derived.value.outcomes[0].result)?.value ?? null) : null);
			}
		}
	});
	it('counts drops, has two where two are titrated, and none for a colour', () => {
		const [drops] = printedTables(ALK_DROPS, 'full');
		expect(drops).toMatchObject({ readAs: 'drops' });
		expect(drops!.entries[19]!.value).toBeCloseTo(19.5 * 0.4, 1);
		expect(printedTables(CA_MG_PAIR, 'full')).toHaveLength(2);
		expect(printedTables(NO3_CARD, 'full')).toEqual([]);
		expect(printedTables(ALK_DROPS, 'half')).toEqual([]);
	});
});
