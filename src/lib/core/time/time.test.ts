import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	addDays,
	civilDate,
	daysBetween,
	fromIso,
	inOrderByNow,
	instant,
	instantOfLocal,
	instantOnDay,
	isFuture,
	knowZone,
	offsetMinutes,
	steadySpans,
	toIso,
	type Instant
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
	it('is what a clock on the wall shows, anywhere and at any time, also where a day was left out', () => {
		const zones = [LISBON, 'Australia/Lord_Howe', 'Asia/Kolkata', 'Pacific/Apia', 'America/St_Johns', 'UTC'];
		const wall = (at: Instant, timeZone: string) =>
			new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'medium' }).format(at);
		const same = (at: Instant, timeZone: string) => {
			expect(civilDate(at, timeZone)).toBe(wall(at, timeZone).slice(0, 10));
			const local = Date.parse(`${wall(at, timeZone).replace(' ', 'T')}Z`);
			expect(offsetMinutes(at, timeZone)).toBe(Math.round((local - Math.floor(at / 1000) * 1000) / 60_000));
		};
		const [from, to] = [Date.parse('1962-01-01T00:00:00Z'), Date.parse('2060-01-01T00:00:00Z')];
		fc.assert(
			fc.property(fc.integer({ min: from, max: to }), fc.constantFrom(...zones), (ms, zone) =>
				same(instant(ms), zone)
			),
			{ numRuns: 400, seed: 7 }
		);
		for (const zone of zones) {
			for (const change of ['2026-03-29', '2026-04-05', '2026-10-25', '2011-12-30', '2011-12-31']) {
				for (let hour = -26; hour < 50; hour++) same(instant(Date.parse(change) + hour * 3_599_000), zone);
			}
		}
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

describe('a local time that somebody typed', () => {
	it.each([
		'1,5',
		'-1',
		'0',
		'30 February',
		'2026-02-30T10:00',
		'2026-13-01T00:00',
		'2026-11-23',
		'2026-11-23T24:00',
		'2026-11-23T12:60',
		''
	])('is refused where it is none: "%s"', (text) =>
		expect(() => instantOfLocal(text, LISBON)).toThrow(RangeError)
	);
	it('is the one that the wall clock shows, as of a day that is known', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 20_000 }), fc.integer({ min: 0, max: 1439 }), (days, minute) => {
				const day = civilDate(addDays(fromIso('1990-01-01T12:00:00Z'), days), LISBON);
				const time = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
				expect(instantOnDay(day, time, LISBON)).toBe(instantOfLocal(`${day}T${time}`, LISBON));
			})
		);
	});
});

describe('times of what happened', () => {
	const now = fromIso('2026-11-23T18:00:00Z');
	const times = (...minutes: number[]) =>
		minutes.map((m, i) => ({ field: `t${i}`, at: now + m * 60_000, name: `number ${i}` }));
	it('are in their order and have come', () => {
		expect(inOrderByNow(times(-10, -10, 0, 4), now).ok).toBe(true);
		expect(inOrderByNow([], now).ok).toBe(true);
		expect(inOrderByNow(times(-10, -12), now)).toMatchObject({
			fault: { code: 'out-of-order', field: 't1', details: { before: 'number 0' } }
		});
	});
	it('ahead of the server are told by how many minutes', () => {
		expect(inOrderByNow(times(-1, 10.2), now)).toMatchObject({
			fault: { code: 'in-the-future', field: 't1', details: { minutes: 11 } }
		});
	});
});

describe('a time that is still to come', () => {
	const start = instant(1_700_000_000_000);
	it('has five minutes of grace for a device whose clock is fast', () => {
		expect(isFuture(start + 4 * 60_000, start)).toBe(false);
		expect(isFuture(start + 6 * 60_000, start)).toBe(true);
	});
});

describe('what is told of a zone', () => {
	it('is what the platform says, for every moment, and leaves the days of a change to it', () => {
		const zone = 'America/Santiago';
		const from = instant(Date.parse('2025-01-01T00:00Z'));
		const to = instant(Date.parse('2026-12-31T00:00Z'));
		const spans = steadySpans(zone, from, to);
		// Four changes in two years part five spans.
		expect(spans).toHaveLength(5);
		const times = Array.from({ length: 4000 }, (_, i) =>
			instant(from + Math.floor((i / 4000) * (to - from)))
		);
		const before = times.map((at) => [civilDate(at, zone), offsetMinutes(at, zone)]);
		knowZone(zone, spans);
		expect(times.map((at) => [civilDate(at, zone), offsetMinutes(at, zone)])).toEqual(before);
		// It is really taken: a word that is wrong would be said on.
		knowZone(zone, [{ fromDay: 20_000, toDay: 20_001, offsetMs: 3_600_000 }]);
		expect(offsetMinutes(instant(20_000 * 86_400_000), zone)).toBe(60);
		knowZone(zone, []);
	});
});
