import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, fromIso } from '../time/index.ts';
import {
	againstBand,
	againstReference,
	bandsIn,
	baselineOf,
	freeAmmonia,
	goingOf,
	judge,
	pressing,
	PROFILES,
	runOnOneSide,
	seaWaterFor,
	stageOf,
	STAGES,
	urgencyOf,
	worstOf
} from './index.ts';

const ALKALINITY = { low: 7.5, high: 9, aim: 8.2 };
const grade = (value: number, u: number, band = ALKALINITY) => judge(value, u, band, null).grade;

describe('grades', () => {
	it('go from inside over the edge to far outside', () => {
		expect(grade(8.2, 0.1)).toBe('inside');
		expect(grade(7.7, 0.2)).toBe('probably-inside');
		expect(grade(7.5, 0.2)).toBe('cannot-tell');
		expect(grade(7.3, 0.2)).toBe('probably-outside');
		expect(grade(7, 0.2)).toBe('outside');
		expect(grade(6, 0.2)).toBe('far-outside');
		// Of an open band far is as much again as its limit.
		expect(grade(0.15, 0.01, { low: null, high: 0.1, aim: null } as never)).toBe('outside');
		expect(grade(0.4, 0.05, { low: null, high: 0.1, aim: null } as never)).toBe('far-outside');
	});
	it('never get better when a value moves away from the band', () => {
		const order = ['inside', 'probably-inside', 'cannot-tell', 'probably-outside', 'outside', 'far-outside'];
		fc.assert(
			fc.property(
				fc.double({ min: 0.02, max: 0.3, noNaN: true }),
				fc.double({ min: 8.3, max: 11, noNaN: true }),
				fc.double({ min: 0, max: 2, noNaN: true }),
				(u, value, more) => {
					expect(order.indexOf(grade(value + more, u)!)).toBeGreaterThanOrEqual(
						order.indexOf(grade(value, u)!)
					);
				}
			)
		);
	});
	it('say when a kit cannot tell inside at all', () => {
		expect(againstBand(8.2, 0.2, ALKALINITY).resolves).toBe(true);
		expect(againstBand(8.2, 0.5, ALKALINITY).resolves).toBe(false);
	});
	it('ask to act early for what harms within days', () => {
		const even = { pBelow: 0, pAbove: 0.4 };
		expect(urgencyOf('ammonia', false, even)).toBe('act');
		expect(urgencyOf('salinity', false, even)).toBe('act');
		expect(urgencyOf('calcium', false, even)).toBe('watch');
		// Chloride keeps nitrite out in the sea; in fresh water nothing does.
		expect(urgencyOf('nitrite', false, even)).toBe('watch');
		expect(urgencyOf('nitrite', true, even)).toBe('act');
		expect(urgencyOf('calcium', false, { pBelow: 0.96, pAbove: 0 })).toBe('act');
		expect(urgencyOf('ammonia', false, { pBelow: 0, pAbove: 0.1 })).toBe('none');
	});
});

describe('several readings', () => {
	const row = (...values: number[]) => values.map((value) => ({ value, uRandom: 0.3 }));
	it('on one side are a run from four on, when they are further off than chance', () => {
		expect(runOnOneSide(row(34.8, 35.5, 35.6, 35.4, 35.7), 35)).toMatchObject({ side: 'high', count: 4 });
		expect(runOnOneSide(row(35.5, 35.6, 35.4), 35)).toBeNull();
		expect(runOnOneSide(row(35.1, 35.05, 35.1, 35.1), 35)).toBeNull();
		expect(runOnOneSide(row(34, 34, 34, 34, 35), 35)).toBeNull();
		expect(runOnOneSide([], 35)).toBeNull();
	});
	it('say whether it gets better', () => {
		const rate = (value: number, u = 0.001) => ({ value, u });
		expect(goingOf(7, rate(0.1), ALKALINITY)).toBe('better');
		expect(goingOf(7, rate(-0.1), ALKALINITY)).toBe('worse');
		expect(goingOf(9.5, rate(0.1), ALKALINITY)).toBe('worse');
		expect(goingOf(8.6, rate(0.1), ALKALINITY)).toBe('worse');
		expect(goingOf(8, rate(0.1), ALKALINITY)).toBe('better');
		expect(goingOf(8, rate(0.1, 0.06), ALKALINITY)).toBe('not-seen');
		expect(goingOf(10, rate(1), { low: null, high: 40, aim: null })).toBe('worse');
	});
});

describe('references', () => {
	it('are natural sea water of the same salinity', () => {
		const sea = seaWaterFor('calcium', 35)!;
		expect(sea.low).toBeLessThan(421.7);
		expect(sea.high).toBeGreaterThan(421.7);
		expect(againstReference(418, 4, sea).agreement).toBe('agree');
		expect(againstReference(450, 4, sea)).toMatchObject({ agreement: 'disagree' });
		// A third less salt, a third less calcium.
		expect(seaWaterFor('calcium', 23.33)!.high / sea.high).toBeCloseTo(0.66, 2);
		expect(seaWaterFor('nitrate', 35)).toMatchObject({ low: 0, high: 2.5 });
		expect(seaWaterFor('temperature', 35)).toBeNull();
		expect(seaWaterFor('calcium', 0)).toBeNull();
	});
	it('are the water’s own start, once it was read five times', () => {
		const first = [8.1, 8.2, 8, 8.3, 8.1].map((value) => ({ value, u: 0.15 }));
		expect(baselineOf(first.slice(1))).toBeNull();
		const base = baselineOf([...first, { value: 20, u: 0.1 }])!;
		expect(base).toMatchObject({ value: 8.1, readings: 5 });
		expect(againstReference(9.2, 0.15, base).agreement).toBe('disagree');
	});
});

describe('free ammonia', () => {
	const total = { lower: 0.3, upper: 0.5 };
	it('is judged by the worst that is plausible', () => {
		const known = freeAmmonia(total, { lower: 7.9, upper: 8.1 }, 35, { lower: 24.7, upper: 25.3 });
		const unknown = freeAmmonia(total, null, 35, null);
		expect(known.assumed).toEqual([]);
		expect(unknown.assumed).toEqual(['ph', 'temperature']);
		expect(unknown.most!).toBeGreaterThan(known.most!);
		expect(unknown.urgency).toBe('act');
		const unsalted = freeAmmonia(total, null, null, null);
		expect(unsalted.assumed).toEqual(['ph', 'temperature', 'salinity']);
		expect(unsalted.most!).toBeGreaterThanOrEqual(unknown.most!);
		expect(unsalted.least).toBeLessThanOrEqual(unknown.least);
		expect(freeAmmonia({ lower: 2.5, upper: null }, null, 35, null)).toMatchObject({
			most: null,
			urgency: 'act'
		});
		expect(freeAmmonia({ lower: 0, upper: 0.05 }, { lower: 7.9, upper: 8.1 }, 35, null).urgency).toBe('none');
	});
	it('rises with pH and with warmth', () => {
		const at = (ph: number, t: number) =>
			freeAmmonia(total, { lower: ph, upper: ph }, 35, { lower: t, upper: t }).most!;
		expect(at(8.4, 25)).toBeGreaterThan(2 * at(8, 25));
		expect(at(8.2, 28)).toBeGreaterThan(at(8.2, 24));
	});
	it('is hardly any in soft acidic water', () => {
		expect(
			freeAmmonia({ lower: 0.5, upper: 1 }, { lower: 6, upper: 6.4 }, 0, { lower: 24, upper: 25 }).most
		).toBeLessThan(0.005);
	});
});

describe('stages', () => {
	const now = fromIso('2026-11-23T18:20:00Z');
	const stage = (profile: Parameters<typeof stageOf>[0]['profile'], age: number, silent = 3) =>
		stageOf({
			profile,
			startedAt: addDays(now, -age),
			now,
			lastReadAt: silent < 0 ? null : addDays(now, -silent)
		});
	it('follow profile, age and testing', () => {
		expect(stage('cycling', 20)).toBe('cycling');
		expect(stage('mixed-reef', 200)).toBe('young');
		expect(stage('mixed-reef', 900)).toBe('settled');
		expect(stage('mixed-reef', 900, 200)).toBe('neglected');
		expect(stage('mixed-reef', 900, -1)).toBe('neglected');
		expect(stage('soft-fresh', 100)).toBe('soft-fresh');
		expect(stage('community-fresh', 900, 150)).toBe('neglected');
		expect(stage(null, 900)).toBeNull();
	});
	it('keep a young tank’s nitrate lower, and leave the rest', () => {
		expect(bandsIn('mixed-reef', 'young').nitrate).toEqual({ low: 2, high: 10, aim: 5 });
		expect(bandsIn('mixed-reef', 'young').calcium).toEqual(PROFILES['mixed-reef'].bands.calcium);
		expect(bandsIn('mixed-reef', 'settled')).toBe(PROFILES['mixed-reef'].bands);
		expect(bandsIn('stony-low-nutrient', 'young').nitrate!.high).toBe(6);
	});
	it('each have tests and advice', () => {
		for (const [id, { tests, advice }] of Object.entries(STAGES)) {
			expect(tests.length, id).toBeGreaterThan(2);
			expect(advice.length, id).toBeGreaterThan(1);
		}
		expect(STAGES.neglected.tests[0]).toBe('ammonia');
	});
});

describe('what is shown first', () => {
	const matter = (weight: number, danger = false) => ({ weight, danger });
	it('is at most three things, the worst first, and never fewer than all dangers', () => {
		fc.assert(
			fc.property(fc.array(fc.record({ weight: fc.nat(100), danger: fc.boolean() })), (matters) => {
				const { shown, folded } = pressing(matters);
				expect(shown.length + folded.length).toBe(matters.length);
				expect(folded.some((m) => m.danger)).toBe(false);
				const dangers = matters.filter((m) => m.danger).length;
				expect(shown.length).toBe(Math.max(dangers, Math.min(3, matters.length)));
			})
		);
		expect(pressing([matter(1), matter(9), matter(2, true)]).shown.map((m) => m.weight)).toEqual([2, 9, 1]);
	});
	it('puts the water with a danger before all others', () => {
		expect(worstOf([matter(90)])).toBeLessThan(worstOf([matter(1, true)]));
		expect(worstOf([])).toBe(0);
	});
});
