import { describe, expect, it } from 'vitest';
import type { DueTest } from '$lib/core/judgement';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { addDays, fromIso } from '$lib/core/time';
import { SIMULATED_LABORATORY } from '../laboratory/simulated';
import { calendarText } from './calendar';
import { mattersOf } from './matters';
import type { JudgedWater } from './judge-water';
import { judge } from '$lib/core/judgement';

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

describe('the simulated laboratory', () => {
	const holds = { alkalinity: 8, calcium: 420, nitrate: 5 };
	const bottle = (id: string) => ({ id, parameters: PARAMETER_IDS });
	it('answers the same bottle alike, after three to six days, and only what it knows', () => {
		expect(SIMULATED_LABORATORY.report(bottle('a'), holds)).toEqual(
			SIMULATED_LABORATORY.report(bottle('a'), holds)
		);
		const days = Array.from({ length: 60 }, (_, i) => SIMULATED_LABORATORY.answersAfterDays(bottle(`${i}`)));
		expect(new Set(days)).toEqual(new Set([3, 4, 5, 6]));
		expect(SIMULATED_LABORATORY.report(bottle('a'), holds).map((r) => r.parameter)).toEqual([
			'alkalinity',
			'calcium',
			'nitrate'
		]);
	});
	it('states an uncertainty that its error keeps to', () => {
		let inside = 0;
		for (let i = 0; i < 500; i++) {
			const line = SIMULATED_LABORATORY.report(bottle(`b${i}`), { calcium: 420 })[0]!;
			if (Math.abs(line.value - 420) <= line.expandedU) inside++;
		}
		expect(inside / 500).toBeGreaterThan(0.92);
		expect(inside / 500).toBeLessThan(0.985);
	});
});

describe('what a water asks for', () => {
	const reef = { kind: 'tank', profile: 'mixed-reef', hasAnimals: true } as JudgedWater['water'];
	const row = (parameter: 'calcium' | 'salinity', value: number, band: [number, number], u: number) => ({
		parameter,
		band: { low: band[0], high: band[1], aim: null, source: '', fromAt: now },
		estimate: null,
		last: { at: now, result: {} as never },
		atS35: null,
		single: judge(value, u, { low: band[0], high: band[1], aim: null }, null),
		urgency: parameter === 'salinity' ? ('act' as const) : ('watch' as const),
		early: parameter === 'salinity',
		going: 'not-seen' as const,
		run: null,
		references: []
	});
	const judged = (change: Partial<Parameters<typeof mattersOf>[0]>) =>
		mattersOf(
			{
				events: [],
				water: reef,
				now,
				rows: [],
				findings: [],
				free: null,
				panels: [],
				cycle: null,
				estimates: { of: () => null, departure: null, leftOut: [] },
				...change
			},
			[],
			[]
		);
	it('is a danger where animals live in water that harms within days, and nowhere else', () => {
		const salty = row('salinity', 38, [34, 36], 0.4);
		expect(judged({ rows: [salty] })).toMatchObject([{ kind: 'verdict', danger: true }]);
		expect(judged({ rows: [salty], water: { ...reef, hasAnimals: false } })[0]!.danger).toBe(false);
		expect(judged({ rows: [row('calcium', 380, [410, 450], 5)] })[0]!.danger).toBe(false);
	});
	it('is a danger while it is only possible, unless the instrument can never tell', () => {
		const edge = (u: number) => judged({ rows: [row('salinity', 36, [34, 36], u)] })[0]!;
		expect(edge(0.3)).toMatchObject({ kind: 'verdict', danger: true, verdict: { grade: 'cannot-tell' } });
		expect(edge(0.7).danger).toBe(false);
		const old = {
			...row('salinity', 38, [34, 36], 0.4),
			last: { at: addDays(now, -90), result: {} as never }
		};
		expect(judged({ rows: [old] })).toMatchObject([{ danger: true }]);
	});
	it('says why a value is off instead of that it is', () => {
		const low = row('calcium', 390, [410, 450], 5);
		const finding = { rule: 'calcium-below-by-salinity', strength: 'strong', facts: {} } as const;
		const kinds = judged({ rows: [low], findings: [finding] }).map((m) => m.kind);
		expect(kinds).toEqual(['finding']);
	});
	it('never leaves a death or free ammonia out', () => {
		const matters = judged({
			free: { least: 0, most: 0.08, assumed: [], urgency: 'act' },
			panels: [{ happening: 'death', eventId: 'e', at: now, missing: ['ammonia'] }]
		});
		expect(matters.every((m) => m.danger)).toBe(true);
	});
	it('asks nothing of an old verdict', () => {
		const old = {
			...row('calcium', 380, [410, 450], 5),
			last: { at: addDays(now, -60), result: {} as never }
		};
		expect(judged({ rows: [old] })).toEqual([]);
	});
});
