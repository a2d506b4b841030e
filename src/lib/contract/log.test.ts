import { describe, expect, it } from 'vitest';
import { SHIPPED_METHODS } from '../core/method';
import { fromJson, toJson } from './json';
import { packed, unpacked } from './log';

const [first, second] = SHIPPED_METHODS;
const reading = (id: number, method: typeof first) => ({ type: 'reading' as const, id, method: method! });
const entries = [
	reading(1, first),
	{ type: 'event' as const, id: 2, details: { note: 'a method of the trade' } },
	reading(3, second),
	reading(4, first)
];

describe('the log on its way', () => {
	it('takes each method along once and gives back every entry in its place', () => {
		const sent = toJson(packed(entries));
		expect(fromJson(sent).methods.map((m) => m.code)).toEqual([first!.code, second!.code]);
		expect(unpacked(fromJson(sent))).toEqual(entries);
		expect(sent.length).toBeLessThan(toJson(entries).length);
	});

	it('leaves what is not shown behind', () => {
		const kept = [{ ...reading(1, first), derivedBy: { method: second!, siteMethodId: 'x' } }];
		expect(unpacked(fromJson(toJson(packed(kept))))).toEqual([reading(1, first)]);
	});
});
