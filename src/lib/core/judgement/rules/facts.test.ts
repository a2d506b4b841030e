import { describe, expect, it } from 'vitest';
import type { ParameterId, UnitId } from '../../quantity/index.ts';
import { PARAMETERS } from '../../quantity/index.ts';
import type { TestResult } from '../../reading/index.ts';
import { addDays, fromIso } from '../../time/index.ts';
import { factsOf, findingsOf, ReadingsInTime, RULES, type DatedReading, type FactsGiven } from './index.ts';
import { PROFILES } from '../profiles.ts';
import type { Band } from '../band.ts';

const now = fromIso('2026-11-23T18:20:00Z');
const reefBands = PROFILES['mixed-reef'].bands as Partial<Record<ParameterId, Band>>;
const value = (parameter: ParameterId, daysAgo: number, x: number, u: number): DatedReading => ({
	at: addDays(now, -daysAgo),
	result: {
		kind: 'value',
		parameter,
		unit: PARAMETERS[parameter].canonicalUnit,
		value: x,
		uRandom: u,
		uCommon: 0
	}
});
const step = (
	parameter: ParameterId,
	unit: UnitId,
	daysAgo: number,
	lower: number,
	upper: number,
	best: number
): DatedReading => ({
	at: addDays(now, -daysAgo),
	result: {
		kind: 'interval',
		parameter,
		unit,
		lower,
		upper,
		best,
		uRandom: (upper - lower) / 3.46,
		uCommon: 0
	}
});
const given = (readings: readonly DatedReading[], change: Partial<FactsGiven> = {}): FactsGiven => ({
	at: now,
	readingsOf: new ReadingsInTime([...readings].sort((a, b) => a.at - b.at)).until(now),
	bandOf: (p) => reefBands[p] ?? null,
	mediumRuns: false,
	changes: [],
	fresh: false,
	cycling: false,
	animals: true,
	newMix: false,
	litAt: null,
	departureZ: null,
	...change
});
const found = (g: FactsGiven) => findingsOf(RULES, factsOf(g), new Set()).map((f) => f.rule);

describe('facts of a water', () => {
	it('tell calcium that is low because salinity is from calcium that is low', () => {
		const thin = [value('salinity', 0.1, 32, 0.4), value('calcium', 0, 394, 6)];
		expect(found(given(thin))).toContain('calcium-below-by-salinity');
		const low = [value('salinity', 0.1, 35, 0.4), value('calcium', 0, 394, 6)];
		expect(found(given(low))).not.toContain('calcium-below-by-salinity');
		// A salinity of last week says nothing of today's calcium.
		const apart = [value('salinity', 6, 32, 0.4), value('calcium', 0, 394, 6)];
		expect(factsOf(given(apart))['calcium.s35.below']).toBeUndefined();
	});
	it('see nitrate fall beside nitrite, unless water was changed', () => {
		const readings = [
			step('nitrate', 'mg-per-l-no3', 1, 11, 21, 15),
			step('nitrite', 'mg-per-l-no2', 1, 1.7, 3.6, 2.5),
			step('nitrate', 'mg-per-l-no3', 0, 1.5, 3, 2.1)
		];
		expect(found(given(readings, { cycling: true }))).toContain('nitrate-fell-beside-nitrite');
		const changed = { cycling: true, changes: [addDays(now, -0.5)] };
		expect(found(given(readings, changed))).not.toContain('nitrate-fell-beside-nitrite');
	});
	it('count what was not found in a row', () => {
		const none = (daysAgo: number) => step('nitrate', 'mg-per-l-no3', daysAgo, 0, 0.07, 0);
		const some = step('nitrate', 'mg-per-l-no3', 20, 2, 3, 2.5);
		expect(factsOf(given([some, none(10), none(3)]))['nitrate.zeros']).toBe(2);
		expect(found(given([some, none(10), none(3)]))).toContain('nitrate-at-zero');
		expect(found(given([some, none(10), none(3)], { mediumRuns: true }))).toContain('medium-and-no-nitrate');
		const bound: TestResult = {
			kind: 'bound',
			parameter: 'nitrate',
			unit: 'mg-per-l-no3',
			sense: '<',
			limit: 0.2
		};
		expect(factsOf(given([none(3), { at: now, result: bound }]))['nitrate.zeros']).toBe(2);
	});
	it('know whether pH was read in the dark', () => {
		const ph = [value('ph', 1, 8.2, 0.1), value('ph', 2, 8.3, 0.1)];
		expect(found(given(ph, { litAt: () => true }))).toContain('ph-by-day-only');
		expect(found(given(ph, { litAt: (at) => at > addDays(now, -1.5) }))).not.toContain('ph-by-day-only');
		expect(found(given(ph))).not.toContain('ph-by-day-only');
	});
	it('weigh ammonia by what is known of pH', () => {
		const ammonia = value('ammonia', 1, 0.5, 0.05);
		expect(found(given([ammonia]))).toContain('ammonia-ph-unknown');
		expect(found(given([ammonia, value('ph', 1, 8.3, 0.1)]))).toContain('ammonia-at-high-ph');
		expect(found(given([ammonia, value('ph', 1, 7.9, 0.05)]))).not.toContain('ammonia-at-high-ph');
		// None found a month ago is no ammonia today.
		expect(found(given([value('ammonia', 40, 0.5, 0.05)]))).not.toContain('ammonia-ph-unknown');
	});
	it('judge a fresh mix by its own salinity, and by nothing else', () => {
		const mix = (magnesium: number, salinity: number) =>
			given([value('salinity', 0, salinity, 0.3), value('magnesium', 0, magnesium, 15)], { newMix: true });
		expect(found(mix(1180, 35))).toEqual(['thin-in-magnesium']);
		expect(found(mix(1180, 31))).toEqual([]);
		expect(found(mix(1300, 35))).toEqual([]);
		expect(found(given([step('phosphate', 'mg-per-l-po4', 0, 0.07, 0.17, 0.1)], { newMix: true }))).toEqual([
			'phosphate-in-fresh-mix'
		]);
	});
	it('leave salinity out of fresh water, and know when its buffer runs out', () => {
		const soft = PROFILES['soft-fresh'].bands as Partial<Record<ParameterId, Band>>;
		const g = given([value('alkalinity', 0, 0.5, 0.2)], { fresh: true, bandOf: (p) => soft[p] ?? null });
		expect(found(g)).toContain('buffer-runs-out');
		expect(factsOf(g).salinity).toBeUndefined();
	});
});

describe('readings in time', () => {
	it('stand at every time as if all were gone through', () => {
		const all = Array.from({ length: 60 }, (_, i) =>
			value(i % 3 === 0 ? 'calcium' : 'alkalinity', 60 - Math.floor(i / 2), i, 1)
		);
		const inTime = new ReadingsInTime(all);
		for (let daysAgo = 65; daysAgo >= -1; daysAgo -= 0.5) {
			const at = addDays(now, -daysAgo);
			const readingsOf = inTime.until(at);
			for (const parameter of ['calcium', 'alkalinity', 'nitrate'] as const) {
				const plain = all.filter((r) => r.at <= at && r.result.parameter === parameter);
				expect(readingsOf(parameter)).toEqual(plain);
			}
		}
	});
});
