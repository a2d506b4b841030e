import { describe, expect, it } from 'vitest';
import { addDays, fromIso } from '../../time/index.ts';
import { isTakenForOutside, judge } from '../index.ts';
import { mattersOf, type JudgedWater } from './index.ts';

const now = fromIso('2026-11-23T18:20:00Z');

describe('what a water asks for', () => {
	const reef = { kind: 'tank', profile: 'mixed-reef', hasAnimals: true } as JudgedWater['water'];
	const row = (
		parameter: 'calcium' | 'salinity',
		value: number,
		[low, high]: [number, number],
		u: number,
		hasAnimals = true
	) => {
		const early = parameter === 'salinity';
		const urgency = early ? ('act' as const) : ('watch' as const);
		const single = judge(value, u, { low, high, aim: null }, null);
		return {
			...{ parameter, single, urgency, early },
			asOutside: isTakenForOutside(single, { early, urgency, hasAnimals }),
			band: { low, high, aim: null, source: '', fromAt: now },
			estimate: null,
			last: { at: now, result: {} as never },
			atS35: null,
			going: 'not-seen' as const,
			run: null,
			references: []
		};
	};
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
		const empty = {
			rows: [row('salinity', 38, [34, 36], 0.4, false)],
			water: { ...reef, hasAnimals: false }
		};
		expect(judged(empty)[0]!.danger).toBe(false);
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
