import { describe, expect, it } from 'vitest';
import { pasted } from './paste';

describe('what is pasted from a spreadsheet', () => {
	it('is read by its heading, whatever the order of its columns', () => {
		expect(pasted('Date\tKH (dKH)\tCa\tNO₃ [mg/L]\n12/09/2026\t8,1\t430\t5\n19/09/2026\t7.9\t\t8\n')).toEqual(
			{
				heading: ['date', 'alkalinity', 'calcium', 'nitrate'],
				rows: [
					['12/09/2026', '8,1', '430', '5'],
					['19/09/2026', '7.9', '', '8']
				]
			}
		);
	});

	it('goes cell by cell where it has none', () => {
		expect(pasted('8.1;430\n7.9;425')).toEqual({
			heading: null,
			rows: [
				['8.1', '430'],
				['7.9', '425']
			]
		});
		expect(pasted('8.1')).toEqual({ heading: null, rows: [['8.1']] });
		expect(pasted('')).toEqual({ heading: null, rows: [] });
	});

	it('leaves columns that nobody knows where they are', () => {
		expect(pasted('when\tKH\tmood\r\n1 Sep\t8\tgood').heading).toEqual(['date', 'alkalinity', null]);
	});
});
