import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	addDays,
	civilDate,
	daysBetween,
	fromIso,
	instant,
	instantOfLocal,
	offsetMinutes,
	toIso
} from './index.ts';

const LISBON = 'Europe/Lisbon';

describe('instants', () => {
	it('go to ISO text and back, and refuse what is no time', () => {
		const at = fromIso('2026-03-01T12:34:56.789Z');
		expect(fromIso(toIso(at))).toBe(at);
		expect(daysBetween(at, addDays(at, 2.5))).toBe(2.5);
		expect(() => instant(Number.NaN)).toThrow(RangeError);
		expect(() => fromIso('yesterday')).toThrow(RangeError);
	});
});

describe('the calendar of a place', () => {
	it('knows summer time', () => {
		expect(offsetMinutes(fromIso('2026-01-15T12:00:00Z'), LISBON)).toBe(0);
		expect(offsetMinutes(fromIso('2026-07-15T12:00:00Z'), LISBON)).toBe(60);
		expect(civilDate(fromIso('2026-07-15T23:30:00Z'), LISBON)).toBe('2026-07-16');
	});
	it('reads a local time as the wall clock shows it', () => {
		expect(toIso(instantOfLocal('2026-07-15T20:00', LISBON))).toBe('2026-07-15T19:00:00.000Z');
	});
	it('takes the earlier of a repeated hour and moves a skipped one on', () => {
		// 25 October 2026: 02:00 summer time becomes 01:00. 29 March 2026: 01:00 becomes 02:00.
		expect(toIso(instantOfLocal('2026-10-25T01:30', LISBON))).toBe('2026-10-25T00:30:00.000Z');
		expect(toIso(instantOfLocal('2026-03-29T01:30', LISBON))).toBe('2026-03-29T01:30:00.000Z');
	});
	it('comes back to the same instant from its own local time, away from the changes', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 3000 }), (days) => {
				const at = addDays(fromIso('2020-01-01T12:00:00Z'), days);
				const hour = (12 + offsetMinutes(at, LISBON) / 60).toString().padStart(2, '0');
				expect(instantOfLocal(`${civilDate(at, LISBON)}T${hour}:00`, LISBON)).toBe(at);
			})
		);
	});
	it('refuses a text that is no local time', () => {
		expect(() => instantOfLocal('soon', LISBON)).toThrow(RangeError);
	});
});
