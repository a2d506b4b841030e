import { describe, expect, it } from 'vitest';
import { addDays, fromIso } from '../time/index.ts';
import { byLongestInterval, fittingInto, HAPPENINGS, isDue, panelFor, type CadenceInput } from './index.ts';

const now = fromIso('2026-11-23T18:20:00Z');
const input = (change: Partial<CadenceInput> = {}): CadenceInput => ({
	now,
	profile: 'mixed-reef',
	usual: ['alkalinity', 'calcium', 'magnesium', 'nitrate', 'phosphate', 'ammonia', 'salinity'],
	lastAt: {
		alkalinity: addDays(now, -8),
		calcium: addDays(now, -8),
		nitrate: addDays(now, -8),
		salinity: addDays(now, -1)
	},
	firstAt: addDays(now, -500),
	mediumRuns: false,
	doubtful: [],
	unconfirmed: [],
	asked: [],
	outlooks: {},
	habit: { kind: 'reckoned', chance: 0.2 },
	...change
});
const due = (i: CadenceInput) =>
	byLongestInterval(i)
		.filter((t) => isDue(t, now))
		.map((t) => t.parameter);

describe('what is to be tested now', () => {
	it('follows the longest interval of the phase', () => {
		// Settled: alkalinity may wait a fortnight; what was never read is asked for.
		expect(due(input())).toEqual(['phosphate', 'magnesium']);
		// A tank that is being learned is tested weekly.
		expect(due(input({ firstAt: addDays(now, -30) }))).toEqual(['alkalinity', 'phosphate', 'magnesium']);
	});
	it('asks weekly for nutrients where a phosphate medium runs', () => {
		expect(due(input({ mediumRuns: true }))).toContain('nitrate');
		expect(
			byLongestInterval(input({ mediumRuns: true })).find((t) => t.parameter === 'nitrate')!.why
		).toMatchObject({
			everyDays: 7,
			medium: true
		});
	});
	it('tests ammonia and nitrite daily while a tank cycles, and not by the calendar afterwards', () => {
		const cycling = input({
			profile: 'cycling',
			usual: ['ammonia', 'nitrite', 'nitrate'],
			lastAt: { ammonia: addDays(now, -1), nitrite: addDays(now, -0.5), nitrate: addDays(now, -1) }
		});
		expect(due(cycling)).toEqual(['ammonia']);
		expect(due(input({ lastAt: {} }))).not.toContain('ammonia');
	});
	it('asks for what somebody planned, also where no calendar does', () => {
		const at = addDays(now, 2);
		const asked = [
			{ parameter: 'ammonia', at: addDays(now, 5), why: { kind: 'session' } },
			{ parameter: 'ammonia', at, why: { kind: 'session' } },
			{ parameter: 'potassium', at, why: { kind: 'session' } }
		] as const;
		const planned = byLongestInterval(input({ asked })).filter((t) => t.why.kind === 'session');
		// Potassium was never asked for in this water; ammonia is asked for by what happens alone.
		expect(planned.map((t) => [t.parameter, t.dueAt])).toEqual([
			['ammonia', at],
			['potassium', at]
		]);
		// What is outside by one reading alone is read again, also where no calendar asks for it.
		const lastAt = { ammonia: addDays(now, -0.5) };
		const again = byLongestInterval(input({ lastAt, unconfirmed: ['ammonia'] }));
		expect(again.find((t) => t.parameter === 'ammonia')).toMatchObject({
			why: { kind: 'confirm' },
			dueAt: addDays(now, 0.5)
		});
		// What is due sooner by itself stays so.
		const late = [{ parameter: 'magnesium', at, why: { kind: 'session' } }] as const;
		expect(due(input({ asked: late }))).toContain('magnesium');
	});
	it('puts a doubt first', () => {
		const [first] = byLongestInterval(input({ doubtful: ['calcium'] }));
		expect(first).toMatchObject({ parameter: 'calcium', why: { kind: 'doubt' } });
	});
	it('puts alkalinity before the others where there is time for one', () => {
		const all = input({ lastAt: {} });
		expect(fittingInto(due(all), 1, (chosen) => chosen.length)).toEqual(['alkalinity']);
		// One that does not fit is passed over for a shorter one.
		const minutes = { alkalinity: 4, salinity: 9, calcium: 5 } as Record<string, number>;
		const length = (chosen: readonly string[]) => chosen.reduce((sum, p) => sum + (minutes[p] ?? 20), 0);
		expect(fittingInto(due(all), 10, length)).toEqual(['alkalinity', 'calcium']);
	});
	it('has a panel for everything that can have happened', () => {
		for (const what of HAPPENINGS) {
			const panel = panelFor(what, input(), input().usual);
			expect(panel.length, what).toBeGreaterThan(0);
			expect(panel.every((t) => t.why.kind === 'happening' && isDue(t, now))).toBe(true);
		}
		expect(panelFor('death', input(), input().usual)[0]!.parameter).toBe('ammonia');
		// A doubtful result means the last one read, unless readings in doubt are known.
		expect(panelFor('doubtful', input(), []).map((t) => t.parameter)).toEqual(['salinity']);
		expect(panelFor('doubtful', input({ doubtful: ['nitrate'] }), []).map((t) => t.parameter)).toEqual([
			'nitrate'
		]);
		// Fresh water has no calcium test in its panel.
		expect(panelFor('before-change', input(), ['alkalinity', 'nitrate']).map((t) => t.parameter)).toEqual([
			'alkalinity',
			'nitrate'
		]);
	});
});
