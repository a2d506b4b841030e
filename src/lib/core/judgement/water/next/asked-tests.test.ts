import { describe, expect, it } from 'vitest';
import { PARAMETERS, type ParameterId } from '../../../quantity/index.ts';
import type { TestResult } from '../../../reading/index.ts';
import type { DatedResult, StoredEvent } from '../../../record/index.ts';
import { addDays, fromIso, type Instant } from '../../../time/index.ts';
import { estimateWater } from '../../../trend/index.ts';
import { judgeResult } from '../../index.ts';
import type { PlannedTest } from '../record.ts';
import { askedTests, isUnconfirmed } from './asked-tests.ts';

const now = fromIso('2026-11-23T18:20:00Z');
const read = (parameter: ParameterId, at: Instant, value: number): DatedResult => ({
	runId: `${parameter}/${at}`,
	readingId: `${parameter}/${at}`,
	at,
	methodCode: 'a-kit',
	result: {
		kind: 'value',
		parameter,
		unit: PARAMETERS[parameter].canonicalUnit,
		value,
		uRandom: 0.1,
		uCommon: 0
	} satisfies TestResult
});
const set = (daysAgo: number, amountMlPerDay: number): StoredEvent =>
	({
		id: `set/${daysAgo}`,
		kind: 'recurring-dose',
		happenedAt: addDays(now, -daysAgo),
		note: '',
		details: {
			supplement: 'Part one',
			amountMlPerDay,
			unit: 'ml',
			strength: [{ parameter: 'alkalinity', risePerMlIn100L: 0.14 }]
		}
	}) as unknown as StoredEvent;
const asked = (
	events: readonly StoredEvent[],
	results: readonly DatedResult[],
	planned: readonly PlannedTest[] = [],
	rows: Parameters<typeof askedTests>[0]['rows'] = []
) =>
	askedTests({
		planned,
		events,
		results,
		now,
		timeZone: 'UTC',
		water: { netVolumeL: 540, volumes: [{ fromAt: addDays(now, -400), litres: 540 }] },
		estimates: estimateWater([], now),
		plans: [],
		rows
	});

describe('what may harm within days', () => {
	const last = { at: addDays(now, -3), result: {} as never };
	const salinity = { parameter: 'salinity', last } as const;
	it('is asked for at once, and not again in the same hours', () => {
		const [test] = asked([], [], [], [{ ...salinity, asOutside: true }]);
		expect(test).toEqual({ parameter: 'salinity', at: addDays(last.at, 0.5), why: { kind: 'danger' } });
		expect(asked([], [], [], [{ ...salinity, asOutside: false }])).toEqual([]);
	});
});

describe('a daily dose that was set anew', () => {
	it('asks for a test within two days, until one is made', () => {
		expect(asked([set(60, 20), set(1, 26)], [])).toEqual([
			{ parameter: 'alkalinity', at: addDays(now, 1), why: { kind: 'dose-set' } }
		]);
		expect(asked([set(60, 20), set(1, 26)], [read('alkalinity', now, 8)])).toEqual([]);
		expect(asked([set(60, 20), set(1, 26)], [read('alkalinity', addDays(now, -0.9), 8)])).toHaveLength(1);
	});
	it('to what it was, or long ago, asks for none', () => {
		expect(asked([set(60, 20), set(1, 20.1)], [])).toEqual([]);
		expect(asked([set(60, 20), set(30, 26)], [])).toEqual([]);
	});
});

describe('what is outside', () => {
	const band = { low: 7.5, high: 9, aim: 8.2 };
	const unconfirmed = (...values: number[]) => {
		const own = values.map((v, i) => read('alkalinity', addDays(now, i - values.length), v));
		return isUnconfirmed(judgeResult(own.at(-1)!.result, band), own, band);
	};
	it('is read again until a second reading says the same, or it is mended', () => {
		expect(unconfirmed(6)).toBe(true);
		expect(unconfirmed(8.2, 6)).toBe(true);
		expect(unconfirmed(10, 6)).toBe(true);
		expect(unconfirmed(6.1, 6)).toBe(false);
		expect(unconfirmed(6, 8.2)).toBe(false);
	});
});

describe('a session that somebody planned', () => {
	const planned = [{ parameter: 'calcium', at: addDays(now, 0.04) }] as const;
	it('is due on its day, and stays so until it is read on that day or later', () => {
		const due = [{ ...planned[0], why: { kind: 'session' } }];
		expect(asked([], [], planned)).toEqual(due);
		expect(asked([], [read('calcium', addDays(now, -1), 420)], planned)).toEqual(due);
		expect(asked([], [read('calcium', addDays(now, -0.1), 420)], planned)).toEqual([]);
		expect(asked([], [read('alkalinity', now, 8)], planned)).toEqual(due);
	});
});
