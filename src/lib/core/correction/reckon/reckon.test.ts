import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	reckonBlend,
	reckonChange,
	reckonDaily,
	type ChangeGiven,
	type DailyGiven,
	type DailyWish
} from '../index.ts';

const known = (value: number, u = 0.1) => ({ value, u });
const amount = (min: number, max: number) => fc.double({ min, max, noNaN: true });

const given: ChangeGiven = {
	volumeL: 500,
	tank: { nitrate: known(20), calcium: known(400, 5), salinity: known(35) },
	batches: [{ name: 'Batch 1', levels: { nitrate: 0, calcium: 440, salinity: 35 } }],
	limits: { calcium: { up: 20, down: 10 } },
	netPerDay: { nitrate: 0.1, calcium: -1 }
};

describe('a change of water', () => {
	it('ends between both waters, and the most at once keeps to what a day may change', () => {
		fc.assert(
			fc.property(amount(0.1, 500), fc.integer({ min: 1, max: 12 }), (litres, count) => {
				const { moves, largest, series } = reckonChange(given, {
					litres,
					count,
					everyDays: 7,
					batch: 'Batch 1',
					target: null
				});
				const calcium = moves.find((m) => m.parameter === 'calcium')!;
				expect(calcium.after).toBeGreaterThanOrEqual(400);
				expect(calcium.after).toBeLessThanOrEqual(440);
				expect(calcium.within).toBe(calcium.after - 400 <= 20 + 1e-9);
				expect(largest).toEqual({ litres: 250, by: 'calcium' });
				expect(series).toHaveLength(count);
				expect(series[0]!.levels.calcium).toBeCloseTo(calcium.after, 9);
			}),
			{ seed: 3 }
		);
	});
	it('says how a level is reached: at once, by several, drop by drop; or that it never is', () => {
		const wish = { litres: 50, count: 1, everyDays: 7, batch: 'Batch 1' };
		const to = (value: number) =>
			reckonChange(given, { ...wish, target: { parameter: 'nitrate', value } }).reach;
		// 20 to 10 with water that holds none: half of it, seven tenths, or ln 2 times its volume.
		expect(to(10)).toMatchObject({ possible: true, onceL: 250, count: 7 });
		expect((to(10) as { continuousL: number }).continuousL).toBeCloseTo(500 * Math.LN2, 6);
		expect(to(30)).toEqual({ possible: false, into: 0 });
		expect(
			reckonChange(given, { ...wish, target: { parameter: 'magnesium', value: 1300 } }).reach
		).toBeNull();
	});
});

describe('a daily dose', () => {
	const tank: DailyGiven = {
		use: { alkalinity: known(0.8, 0.05), calcium: known(5.7, 0.4) },
		volumeL: known(500, 10),
		levels: { alkalinity: known(8), calcium: null },
		salinity: null,
		brought: { alkalinity: 0.5, calcium: 0 },
		limits: { alkalinity: { up: 0.1, down: 0.1 }, calcium: { up: null, down: null } }
	};
	const product = (parameter: 'alkalinity' | 'calcium', risePer100L: number) =>
		({
			kind: 'product',
			unit: 'ml',
			strength: [{ parameter, risePer100L }],
			form: 'carbonate',
			from: 'label',
			relativeU: 0.05
		}) as const;
	const wish: DailyWish = {
		school: 'two-part',
		with: { alkalinity: product('alkalinity', 0.14), calcium: product('calcium', 1) },
		evaporatesL: 5,
		effluentDkh: 6,
		flowMlPerMinute: 20,
		changeShare: 0.1,
		everyDays: 7,
		freshDkh: 8
	};
	it('is set no further at once than a day may change, and its level follows what it brings', () => {
		const { doses, ahead, reactor, balance } = reckonDaily(tank, wish);
		const alkalinity = doses.find((d) => d.parameter === 'alkalinity')!;
		expect(alkalinity.step).toMatchObject({ how: 'part', risePerDay: 0.6 });
		expect(alkalinity.now.perDay).toBeCloseTo((0.6 / 0.14) * 5, 6);
		expect(alkalinity.asked.perDay).toBeCloseTo((0.8 / 0.14) * 5, 6);
		// What nobody read is not drawn.
		expect(ahead.map((a) => a.parameter)).toEqual(['alkalinity']);
		const day10 = ahead[0]!.days[10]!;
		expect(day10.asIs.value).toBeCloseTo(8 - 10 * 0.3, 9);
		expect(day10.then.value).toBeCloseTo(8 - 10 * 0.2, 9);
		expect(day10.then.u).toBeCloseTo(Math.hypot(0.1, 0.5), 9);
		// An effluent poorer than the water brings nothing.
		expect(reactor).toBeNull();
		expect(reckonDaily(tank, { ...wish, effluentDkh: 30 }).reactor!.needsMlPerMinute).toBeGreaterThan(0);
		expect(balance?.balance).toBe('calcium-short');
	});
});

describe('a blend', () => {
	it('holds what both waters bring, whatever is typed', () => {
		const some = fc.option(amount(0, 30));
		fc.assert(
			fc.property(some, some, some, some, (tapKh, tapGh, kh, litres) => {
				const { mixed, mixedGh } = reckonBlend({
					tapKh,
					tapGh,
					pureKh: 0,
					kh,
					gh: null,
					litres,
					nowKh: null,
					nowGh: null
				});
				if (mixed?.possible) {
					expect(mixed.firstL! + mixed.secondL!).toBeCloseTo(litres!, 6);
					expect((mixed.firstL! * tapKh!) / litres!).toBeCloseTo(kh!, 6);
					if (mixedGh !== null) expect(mixedGh).toBeLessThanOrEqual(tapGh! + 1e-9);
				}
			}),
			{ seed: 4 }
		);
	});
});
