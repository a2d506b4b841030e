import { describe, expect, it } from 'vitest';
import type { DueTest } from '$lib/core/judgement';
import { addDays, fromIso } from '$lib/core/time';
import { calendarText } from './calendar.ts';

const now = fromIso('2026-11-23T18:20:00Z');
const ZONE = 'Europe/Lisbon';

describe('the tests as a calendar', () => {
	const due = (parameter: DueTest['parameter'], days: number): DueTest => ({
		parameter,
		dueAt: addDays(now, days),
		why: { kind: 'habit', days: 6, everyDays: 7 },
		weight: 1
	});
	const text = calendarText(
		[
			{
				id: 'w',
				name: 'Reef; one',
				steps: [],
				due: [due('alkalinity', -3), due('calcium', 0.1), due('magnesium', 2)]
			}
		],
		ZONE,
		now,
		'Quay library'
	);
	it('has one whole-day entry for each day, what is overdue on today', () => {
		const entries = text.split('BEGIN:VEVENT').slice(1);
		expect(entries).toHaveLength(2);
		expect(entries[0]).toContain('DTSTART;VALUE=DATE:20261123');
		expect(entries[0]).toContain('SUMMARY:Reef\\; one: test alkalinity\\, calcium');
		expect(entries[1]).toContain('DTSTART;VALUE=DATE:20261125');
	});
	it('is folded, ended and named as RFC 5545 has it', () => {
		expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/);
		expect(text.trimEnd()).toMatch(/END:VCALENDAR$/);
		for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
		const uids = [...text.matchAll(/UID:(.*)\r\n/g)].map((m) => m[1]);
		expect(new Set(uids).size).toBe(2);
		// Asked again it has the same entries, so that a calendar program replaces and does not add.
		expect(uids[0]).toBe('w-2026-11-23@tevrik');
	});
	it('is a calendar where nothing is due', () => {
		expect(calendarText([], ZONE, now, 'x')).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2\.0/);
	});
});
