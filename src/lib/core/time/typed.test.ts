import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typedDay, typedMoment, typedTime, type DateOrder } from './typed';
import type { CivilDate } from './zone';

const TODAY = '2026-11-23' as CivilDate;
const day = (text: string, order: DateOrder = 'day') => typedDay(text, order, TODAY);

describe('a day as it is typed', () => {
	it.each([
		['23/11/2026', 'day', '2026-11-23'],
		['23.11.2026', 'day', '2026-11-23'],
		['23-11-26', 'day', '2026-11-23'],
		['3/4/2026', 'day', '2026-04-03'],
		['3/4/2026', 'month', '2026-03-04'],
		['2026-03-04', 'month', '2026-03-04'],
		['2026/3/4', 'day', '2026-03-04'],
		['26/3/4', 'year', '2026-03-04'],
		['23 Nov', 'day', '2026-11-23'],
		['Nov 23', 'day', '2026-11-23'],
		['Mon 23 November 2025', 'day', '2025-11-23'],
		['November 3rd, 2025', 'day', '2025-11-03'],
		['3 sep 25', 'month', '2025-09-03'],
		['today', 'day', '2026-11-23'],
		['Yesterday', 'day', '2026-11-22']
	] as const)('%s, %s first, is %s', (text, order, expected) => {
		expect(day(text, order)).toBe(expected);
	});
	it.each([
		...[
			'',
			'23',
			'23/11',
			'31/04/2026',
			'13/13/2026',
			'29 Feb 2026',
			'23/11-2026',
			'23 Foo',
			'1,5',
			'-1',
			'0'
		],
		...['30 February', '23/11/202', '2026-11', 'x'.repeat(500), '23 24 25 Nov', '1e3/1/2026', '0/1/2026']
	])('"%s" is none', (text) => {
		expect(day(text)).toBeNull();
	});
	it('needs its year where nobody knows the day', () => {
		expect([typedDay('23 Nov', 'day', null), typedDay('today', 'day', null)]).toEqual([null, null]);
		expect(typedDay('23 Nov 2026', 'day', null)).toBe('2026-11-23');
	});
	it('29 February is one in a leap year', () => {
		expect(day('29/2/2028')).toBe('2028-02-29');
		expect(day('29/2/2026')).toBeNull();
	});
	it('comes back from every order of its figures', () => {
		fc.assert(
			fc.property(
				fc.date({ min: new Date('2000-01-01'), max: new Date('2099-12-31'), noInvalidDate: true }),
				(date) => {
					const iso = date.toISOString().slice(0, 10);
					const [y, m, d] = iso.split('-');
					expect(day(`${d}/${m}/${y}`, 'day')).toBe(iso);
					expect(day(`${m}/${d}/${y}`, 'month')).toBe(iso);
					expect(day(`${y}.${m}.${d}`, 'year')).toBe(iso);
				}
			)
		);
	});
});

describe('a time as it is typed', () => {
	it.each([
		['19:30', '19:30'],
		['7:30 pm', '19:30'],
		['7.30PM', '19:30'],
		['7pm', '19:00'],
		['12 am', '00:00'],
		['12:15 pm', '12:15'],
		['0:05', '00:05'],
		['18:20:30', '18:20']
	])('%s is %s', (text, expected) => {
		expect(typedTime(text)).toBe(expected);
	});
	it.each(['', '7', '24:00', '13 pm', '0 am', '7:60', '7:5', 'noon', '19:30 h'])('"%s" is none', (text) => {
		expect(typedTime(text)).toBeNull();
	});
});

describe('a day and a time in one field', () => {
	it.each([
		['2026-11-23T18:20', '2026-11-23T18:20'],
		['2026-11-23T18:20:07', '2026-11-23T18:20'],
		['23/11/2026 19:30', '2026-11-23T19:30'],
		['23/11/2026, 7:30 pm', '2026-11-23T19:30'],
		['23 Nov 7pm', '2026-11-23T19:00'],
		['today 6:05', '2026-11-23T06:05']
	])('%s is %s', (text, expected) => {
		expect(typedMoment(text, 'day', TODAY)).toBe(expected);
	});
	it.each(['', '23/11/2026', '19:30', '30/02/2026 12:00', '2026-11-23T25:00', '23/11/2026 noon', 'T18:20'])(
		'"%s" is none',
		(text) => {
			expect(typedMoment(text, 'day', TODAY)).toBeNull();
		}
	);
	it('never throws, and takes nothing that is no moment', () => {
		fc.assert(
			fc.property(fc.string(), fc.constantFrom<DateOrder>('day', 'month', 'year'), (text, order) => {
				expect(typedMoment(text, order, TODAY) ?? '2026-01-01T00:00').toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/);
			})
		);
	});
});
