import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, civilDate, fromIso, weekdayOf, type Instant } from '../time/index.ts';
import { isMadeToday, nextTimeOf, orderWishes, setsOf, tomorrowInLight, type TestSet } from './index.ts';

const ZONE = 'Europe/Lisbon';
// A Monday.
const now = fromIso('2026-11-23T09:00:00Z');
const set = (change: Partial<TestSet>): TestSet => ({
	id: change.name ?? 'x',
	name: 'x',
	tests: [{ waterId: 'reef', methodCode: 'alk-syringe', portion: 'full', times: 1 }],
	weekdays: [],
	atMinute: null,
	inOrder: false,
	...change
});

describe('a set of tests', () => {
	it('comes on the next of its days, today included', () => {
		expect(weekdayOf(now, ZONE)).toBe(1);
		const day = (weekdays: number[], atMinute: number | null = null) =>
			civilDate(nextTimeOf({ weekdays, atMinute }, now, ZONE)!, ZONE);
		expect(day([1])).toBe('2026-11-23');
		expect(day([6, 7])).toBe('2026-11-28');
		expect(nextTimeOf({ weekdays: [6], atMinute: 630 }, now, ZONE)).toBe(fromIso('2026-11-28T10:30:00Z'));
		expect(nextTimeOf({ weekdays: [], atMinute: 600 }, now, ZONE)).toBeNull();
	});
	it('is not asked for again on a day on which all of it was read', () => {
		const next = (isMade: boolean) =>
			civilDate(nextTimeOf({ weekdays: [1], atMinute: 600 }, now, ZONE, isMade)!, ZONE);
		expect([next(false), next(true)]).toEqual(['2026-11-23', '2026-11-30']);
		const earlier = fromIso('2026-11-23T07:00:00Z');
		expect(isMadeToday([earlier, now], now, ZONE)).toBe(true);
		expect(isMadeToday([earlier, addDays(now, -1)], now, ZONE)).toBe(false);
		expect(isMadeToday([earlier, null], now, ZONE)).toBe(false);
		expect(isMadeToday([], now, ZONE)).toBe(false);
	});
	it('stands first where its time comes next, and only at its own water', () => {
		const sets = [
			set({ name: 'B' }),
			set({ name: 'A' }),
			set({ name: 'Sat', weekdays: [6] }),
			set({ name: 'Tue', weekdays: [2] })
		];
		expect(setsOf(sets, 'reef', now, ZONE).map((s) => s.name)).toEqual(['Tue', 'Sat', 'A', 'B']);
		expect(setsOf(sets, 'pond', now, ZONE)).toEqual([]);
	});
	it('keeps its order by a wish between each two of its tests', () => {
		expect(orderWishes(['a', 'b', 'c'])).toEqual([
			{ kind: 'first', test: 'a', before: 'b' },
			{ kind: 'first', test: 'b', before: 'c' }
		]);
		expect(orderWishes([])).toEqual([]);
	});
});

describe('what is left for tomorrow', () => {
	it('is always tomorrow, and with the light on where there is one', () => {
		const minute = fc.integer({ min: 0, max: 1439 });
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 365 * 1440 }), minute, minute, (after, onMinute, offMinute) => {
				const at = (now + after * 60_000) as Instant;
				const due = tomorrowInLight(at, { onMinute, offMinute }, 'UTC');
				expect(civilDate(due, 'UTC')).toBe(civilDate(addDays(at, 1), 'UTC'));
				if (onMinute === offMinute) return;
				const then = Math.floor(due / 60_000) % 1440;
				const lit = (then - onMinute + 1440) % 1440;
				// A light of less than half an hour is the only one that may be over by then.
				expect(lit).toBeLessThan(Math.max((offMinute - onMinute + 1440) % 1440, 31));
			})
		);
	});
	it('is at the same hour where the light is on then, else half an hour after it comes on', () => {
		const lights = { onMinute: 11 * 60, offMinute: 21 * 60 };
		expect(tomorrowInLight(now, lights, ZONE)).toBe(fromIso('2026-11-24T11:30:00Z'));
		expect(tomorrowInLight(fromIso('2026-11-23T18:10:00Z'), lights, ZONE)).toBe(
			fromIso('2026-11-24T18:10:00Z')
		);
		expect(tomorrowInLight(now, null, ZONE)).toBe(addDays(now, 1));
	});
});
