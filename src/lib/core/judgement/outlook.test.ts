import { describe, expect, it } from 'vitest';
import { addDays, daysBetween, fromIso, type Instant } from '../time/index.ts';
import {
	acceptedChance,
	byHabit,
	byOutlook,
	dueTests,
	outlookOf,
	type CadenceInput,
	type Outlook
} from './index.ts';

const last = fromIso('2026-11-01T19:00:00Z');
const band = { low: 7.5, high: 9, aim: 8.2 };
const limits = { chance: 0.1, shortestDays: 2, longestDays: 14 };
/** A level that drifts, known the less the longer it was not read. */
const ahead =
	(value: number, perDay = 0, u = 0.12, grows = 0.02) =>
	(at: Instant) => {
		const days = daysBetween(last, at);
		return { value: value + perDay * days, uRandom: Math.hypot(u, grows * days), uCommon: 0.05 };
	};
const days = (o: Outlook) => daysBetween(last, o.at);

describe('when the next test is worth making', () => {
	it('is the longest pause for a steady water in the middle of its band', () => {
		const steady = outlookOf(ahead(8.2), band, last, limits);
		expect(steady.kind).toBe('steady');
		expect(days(steady)).toBe(14);
	});
	it('is sooner the faster it drifts, and never before the shortest pause', () => {
		const slow = outlookOf(ahead(8.2, -0.05), band, last, limits);
		const fast = outlookOf(ahead(8.2, -0.15), band, last, limits);
		expect(slow.kind).toBe('outside');
		expect(fast.kind).toBe('outside');
		expect(days(fast)).toBeLessThan(days(slow));
		expect(days(outlookOf(ahead(8.2, -2), band, last, limits))).toBe(2);
	});
	it('is later where more is accepted', () => {
		const at = (chance: number) => days(outlookOf(ahead(8.2, -0.06), band, last, { ...limits, chance }));
		expect(at(0.05)).toBeLessThanOrEqual(at(0.1));
		expect(at(0.1)).toBeLessThan(at(0.3));
	});
	it('does not ask at once again for what stands at the edge: only what may have changed is worth a test', () => {
		const edge = outlookOf(ahead(7.5, 0), band, last, limits);
		// Half of the usual pause at most.
		expect(days(edge)).toBe(7);
		// It moves back into the band by itself.
		expect(days(outlookOf(ahead(7.5, 0.05), band, last, limits))).toBe(7);
		expect(outlookOf(ahead(7.5, -0.05), band, last, limits).kind).toBe('edge');
	});
	it('comes when nobody knows any more', () => {
		const lost = outlookOf(ahead(8.25, 0, 0.1, 0.15), band, last, { ...limits, chance: 0.6 });
		expect(lost.kind).toBe('unknown');
		if (lost.kind === 'unknown') expect(lost.plusMinus).toBeGreaterThan(1);
	});
	it('asks more often for what is cheap and quick', () => {
		const cheap = acceptedChance(0.2, { handsMinutes: 1, price: 0.1 });
		const usual = acceptedChance(0.2, { handsMinutes: 6, price: 0.5 });
		const dear = acceptedChance(0.2, { handsMinutes: 12, price: 3 });
		expect(usual).toBeCloseTo(0.2, 9);
		expect(cheap).toBeLessThan(usual);
		expect(dear).toBeGreaterThan(usual);
		expect(acceptedChance(0.2, { handsMinutes: 500, price: null })).toBe(0.4);
	});
});

describe('the tests of a water', () => {
	const now = addDays(last, 6);
	const input: CadenceInput = {
		now,
		profile: 'mixed-reef',
		usual: ['alkalinity', 'calcium', 'magnesium'],
		lastAt: { alkalinity: last, calcium: last, magnesium: last },
		firstAt: addDays(now, -400),
		mediumRuns: false,
		doubtful: [],
		unconfirmed: [],
		asked: [],
		outlooks: { alkalinity: { kind: 'outside', at: addDays(last, 5), chance: 0.13 } },
		habit: { kind: 'reckoned', chance: 0.2 }
	};
	const of = (tests: ReturnType<typeof dueTests>, parameter: string) =>
		tests.find((t) => t.parameter === parameter)!;
	it('come within the shortest pause until what is outside is confirmed', () => {
		const tests = dueTests({ ...input, unconfirmed: ['calcium', 'alkalinity'] });
		expect(of(tests, 'calcium')).toMatchObject({
			dueAt: addDays(last, 4),
			why: { kind: 'confirm', days: 6 }
		});
		expect(of(tests, 'alkalinity').dueAt).toBe(addDays(last, 2));
		expect(of(tests, 'magnesium').why.kind).not.toBe('confirm');
	});
	it('come when something asks for them, and never later than they would', () => {
		const ask = (days: number) =>
			of(
				dueTests({
					...input,
					asked: [
						{ parameter: 'calcium', at: addDays(last, days), why: { kind: 'plan' } },
						{ parameter: 'calcium', at: addDays(last, 90), why: { kind: 'dose-set' } }
					]
				}),
				'calcium'
			);
		expect(ask(7)).toMatchObject({ dueAt: addDays(last, 7), why: { kind: 'plan' } });
		expect(ask(80).dueAt).toBe(addDays(last, 28));
		const fixed = { ...input, habit: { kind: 'fixed', everyDays: 14 } } as const;
		const asked = [{ parameter: 'calcium', at: addDays(last, 3), why: { kind: 'strange' } }] as const;
		expect(of(dueTests({ ...fixed, asked }), 'calcium').dueAt).toBe(addDays(last, 3));
	});
	it('come when the outlook says so, and by the longest interval where there is none', () => {
		const tests = dueTests(input);
		expect(of(tests, 'alkalinity')).toMatchObject({
			dueAt: addDays(last, 5),
			why: { kind: 'outside', chance: 0.13 }
		});
		expect(of(tests, 'calcium').why.kind).toBe('interval');
	});
	it('come by the week for who likes a fixed day, slower ones every so many weeks', () => {
		const tests = dueTests({ ...input, habit: { kind: 'fixed', everyDays: 7 } });
		expect(of(tests, 'alkalinity')).toMatchObject({ dueAt: addDays(last, 7), why: { kind: 'habit' } });
		expect(of(tests, 'magnesium').dueAt).toBe(addDays(last, 56));
		expect(byHabit(14)(input).find((t) => t.parameter === 'calcium')!.dueAt).toBe(addDays(last, 14));
	});
	it('come at once in doubt, daily in a cycle, weekly behind a medium, whatever the outlook', () => {
		expect(of(dueTests({ ...input, doubtful: ['calcium'] }), 'calcium').why.kind).toBe('doubt');
		const steady = { kind: 'steady', at: addDays(last, 30), chance: 0.01 } as const;
		const medium = byOutlook({
			...input,
			usual: ['nitrate'],
			lastAt: { nitrate: last },
			mediumRuns: true,
			outlooks: { nitrate: steady }
		});
		expect(medium[0]).toMatchObject({ dueAt: addDays(last, 7), why: { medium: true } });
		const cycling = byOutlook({
			...input,
			profile: 'cycling',
			usual: ['nitrite'],
			lastAt: { nitrite: last },
			outlooks: { nitrite: steady }
		});
		expect(cycling[0]!.dueAt).toBe(addDays(last, 1));
	});
});
