import { describe, expect, it } from 'vitest';
import type { ConcentrationInput } from '../balance/index.ts';
import { normalDeviate, seededRandom } from '../numeric/index.ts';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../quantity/index.ts';
import type { TestResult } from '../reading/index.ts';
import { addDays, daysBetween, instant, type Instant } from '../time/index.ts';
import {
	estimateFrom,
	estimateOne,
	estimateWater,
	KeptPasses,
	learnWater,
	type History,
	type Observation,
	type WaterEstimate
} from './index.ts';

const start = instant(1_700_000_000_000);
const day = (n: number) => addDays(start, n);
const valueOf = (parameter: ParameterId, value: number, uRandom: number, uCommon = 0): TestResult => ({
	kind: 'value',
	parameter,
	unit: PARAMETERS[parameter].canonicalUnit,
	value,
	uRandom,
	uCommon
});
const read = (n: number, result: TestResult, kit = 'a kit'): Observation => ({
	id: `${n}/${kit}`,
	at: day(n),
	kit,
	result
});
const flow = (from: number, to: number, perDay: number): ConcentrationInput => ({
	kind: 'flow',
	from: day(from),
	to: day(to),
	perDay,
	relativeU: 0.1
});
const bound = (parameter: ParameterId, sense: '<' | '>', limit: number): TestResult => ({
	kind: 'bound',
	parameter,
	unit: PARAMETERS[parameter].canonicalUnit,
	sense,
	limit
});
/** Readings of a level that moves by a rate, with seeded noise. */
function series(
	parameter: ParameterId,
	days: readonly number[],
	level: (n: number) => number,
	u: number,
	seed = 1,
	kit = 'a kit',
	uCommon = 0
): Observation[] {
	const random = seededRandom(seed);
	return days.map((n) =>
		read(n, valueOf(parameter, level(n) + normalDeviate(random, 0, u), u, uCommon), kit)
	);
}
const every = (step: number, from: number, to: number) =>
	Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step);
const history = (
	parameter: ParameterId,
	observations: Observation[],
	inputs: ConcentrationInput[] = []
): History => ({ parameter, observations: observations.sort((a, b) => a.at - b.at), inputs });

describe('bounds and intervals', () => {
	it('say what they say, and not more: below the lowest step stays below it', () => {
		const lows = every(7, 0, 56).map((n) => read(n, bound('phosphate', '<', 0.04)));
		const estimate = estimateOne(history('phosphate', lows), day(56))!;
		const { value, uRandom } = estimate.at(day(56));
		expect(value).toBeGreaterThan(0);
		expect(value).toBeLessThan(0.04);
		expect(value + 2 * uRandom).toBeGreaterThan(0.03);
		expect(estimate.mostlyBounds).toBe(true);
	});
	it('above the highest step pulls the level up, however far the rest lies', () => {
		const highs = every(5, 0, 30).map((n) => read(n, bound('nitrate', '>', 60)));
		expect(estimateOne(history('nitrate', highs), day(30))!.at(day(30)).value).toBeGreaterThan(60);
	});
	it('never puts a level below nothing', () => {
		const falling = series('nitrate', every(4, 0, 40), (n) => Math.max(0, 3 - 0.2 * n), 0.3);
		const estimate = estimateOne(history('nitrate', falling), day(40))!;
		for (const n of [20, 40, 60, 90]) expect(estimate.at(day(n)).value).toBeGreaterThanOrEqual(0);
	});
});

describe('several kits', () => {
	const days = every(4, 0, 80);
	it('do not average away what each has in common to all its readings', () => {
		const one = (n: number) =>
			estimateOne(
				history(
					'calcium',
					series('calcium', every(80 / n, 0, 80), () => 430, 8, 3, 'a', 6)
				),
				day(80)
			)!;
		expect(one(8).at(day(80)).uCommon).toBeCloseTo(6, 9);
		expect(one(40).at(day(80)).uCommon).toBeCloseTo(6, 9);
		expect(one(40).at(day(80)).uRandom).toBeLessThan(one(8).at(day(80)).uRandom);
	});
	it('are held against each other, so that two that differ leave the truth between them', () => {
		const both = [
			...series('calcium', days, () => 440, 6, 4, 'high', 8),
			...series(
				'calcium',
				days.map((n) => n + 1),
				() => 420,
				6,
				5,
				'low',
				8
			)
		];
		const { value, uRandom, uCommon } = estimateOne(history('calcium', both), day(82))!.at(day(82));
		expect(value).toBeGreaterThan(424);
		expect(value).toBeLessThan(436);
		// Two kits know more of the level than one, and less than their many readings would have it.
		expect(uCommon).toBeGreaterThan(3);
		expect(uCommon).toBeLessThan(8);
		expect(uRandom).toBeLessThan(5);
	});
	it('give way to a laboratory that knows better', () => {
		const kit = series('calcium', days, () => 445, 6, 6, 'kit', 9);
		const laboratory = read(60, valueOf('calcium', 428, 2, 1), 'laboratory');
		const { value } = estimateOne(history('calcium', [...kit, laboratory]), day(80))!.at(day(80));
		expect(Math.abs(value - 428)).toBeLessThan(6);
	});
});

describe('a reading that does not fit', () => {
	const days = every(3, 0, 45);
	const plain = series('alkalinity', days, () => 8.2, 0.2, 7);
	const odd = read(48, valueOf('alkalinity', 5.5, 0.2));
	it('is set aside until it is repeated, and both explanations are told', () => {
		const estimate = estimateOne(history('alkalinity', [...plain, odd]), day(48))!;
		const [doubt] = estimate.doubts;
		expect(doubt).toMatchObject({ id: odd.id, settled: false });
		expect(doubt!.wrong).toBeGreaterThan(0.1);
		expect(doubt!.changed).toBeGreaterThan(0.03);
		const before = estimateOne(history('alkalinity', plain), day(48))!.at(day(48));
		const { value, uRandom } = estimate.at(day(48));
		expect(Math.abs(value - before.value)).toBeLessThan(2 * before.uRandom);
		expect(uRandom).toBeGreaterThan(0.9 * before.uRandom);
	});
	it('is named and hardly used once the next readings go on as before', () => {
		const after = series('alkalinity', [49, 52], () => 8.2, 0.2, 8);
		const estimate = estimateOne(history('alkalinity', [...plain, odd, ...after]), day(52))!;
		expect(estimate.doubts).toMatchObject([{ id: odd.id, settled: true }]);
		expect(estimate.doubts[0]!.wrong).toBeGreaterThan(0.9);
		expect(Math.abs(estimate.at(day(52)).value - 8.2)).toBeLessThan(0.3);
	});
	it('is believed once a repeat finds the same', () => {
		const after = series('alkalinity', [48.02, 51], () => 5.5, 0.2, 9);
		const estimate = estimateOne(history('alkalinity', [...plain, odd, ...after]), day(51))!;
		expect(estimate.doubts[0]!.changed).toBeGreaterThan(0.9);
		expect(Math.abs(estimate.at(day(51)).value - 5.5)).toBeLessThan(0.4);
	});
	it('is never weighed down where it warns: ammonia, pH, salinity, temperature', () => {
		const calm = series('ammonia', days, () => 0.05, 0.02, 10);
		const alarm = read(48, valueOf('ammonia', 1.2, 0.05));
		const { doubts, at } = (() => {
			const estimate = estimateOne(history('ammonia', [...calm, alarm]), day(48))!;
			return { doubts: estimate.doubts, at: estimate.at(day(48)) };
		})();
		expect(doubts.every((d) => d.wrong === 0)).toBe(true);
		expect(at.value).toBeGreaterThan(0.9);
		const salty = series('salinity', days, () => 35, 0.3, 11);
		const low = read(48, valueOf('salinity', 30, 0.3));
		expect(estimateOne(history('salinity', [...salty, low]), day(48))!.at(day(48)).value).toBeLessThan(31.5);
	});
});

describe('a step of the consumption', () => {
	const dosed = [flow(-1, 200, 1.2)];
	const level = (n: number) => (n < 100 ? 8 : 8 - 1.2 * (n - 100));
	it('is found, dated with an interval, and told with the rates before and after', () => {
		const days = every(3.5, 0, 110);
		const estimate = estimateOne(
			history('alkalinity', series('alkalinity', days, level, 0.2, 12), dosed),
			day(110)
		)!;
		expect(estimate.changes).toHaveLength(1);
		const [change] = estimate.changes;
		expect(Math.abs(daysBetween(day(100), change!.at))).toBeLessThan(5);
		expect(change!.earliest).toBeLessThanOrEqual(change!.at);
		expect(change!.latest).toBeGreaterThanOrEqual(change!.at);
		expect(change!.after.value / change!.before.value).toBeGreaterThan(1.5);
	});
	it('is not told of one odd reading, nor of steady use', () => {
		const days = every(3.5, 0, 110);
		const steady = series('alkalinity', days, () => 8, 0.2, 13);
		expect(estimateOne(history('alkalinity', steady, dosed), day(110))!.changes).toEqual([]);
		const odd = [...steady.slice(0, -1), read(108.5, valueOf('alkalinity', 4, 0.2))];
		expect(estimateOne(history('alkalinity', odd, dosed), day(110))!.changes).toEqual([]);
	});
});

describe('what is known of one helps the other', () => {
	const alkalinity = history(
		'alkalinity',
		series('alkalinity', every(2, 0, 60), (n) => 12 - 0.1 * n, 0.15, 14)
	);
	const sparse = (perDay: number) =>
		history(
			'calcium',
			series('calcium', every(15, 0, 60), (n) => 460 - perDay * n, 8, 15)
		);
	it('calcium’s use is told by alkalinity’s, through what calcification takes', () => {
		const calcium = sparse(0.7147);
		const alone = estimateOne(calcium, day(60))!.rateAt(day(60));
		const together = estimateWater([alkalinity, calcium], day(60)).of('calcium')!.rateAt(day(60));
		expect(together.u).toBeLessThan(alone.u);
		expect(Math.abs(together.value - 0.71)).toBeLessThan(0.3);
	});
	it('what departs from it is told with its uncertainty', () => {
		const even = estimateWater([alkalinity, sparse(0.7147)], day(60)).departure!;
		expect(Math.abs(even.z)).toBeLessThan(2);
		const falls = history(
			'alkalinity',
			series('alkalinity', every(2, 0, 60), (n) => 20 - 0.25 * n, 0.15, 16)
		);
		const steady = history(
			'calcium',
			series('calcium', every(5, 0, 60), () => 430, 5, 17)
		);
		const apart = estimateWater([falls, steady], day(60)).departure!;
		expect(apart.perDay.value).toBeGreaterThan(0.1);
		expect(apart.z).toBeGreaterThan(2);
		expect(estimateWater([alkalinity], day(60)).departure).toBeNull();
	});
	it('calcium that reads low because salinity is low has not been used', () => {
		const week = (n: number) => n >= 50 && n < 57;
		const salt = series('salinity', every(2, 0, 60), (n) => (week(n) ? 32.5 : 35), 0.15, 18);
		const calcium = series('calcium', every(4, 0, 60), (n) => (week(n) ? 430 * (32.5 / 35) : 430), 5, 19);
		const at = day(53);
		const known = estimateWater([history('salinity', salt), history('calcium', calcium)], day(60));
		expect(known.of('calcium')!.doubts).toEqual([]);
		expect(known.of('calcium')!.at(at).value).toBeLessThan(412);
		expect(known.of('calcium')!.at(day(60)).value).toBeGreaterThan(420);
	});
});

describe('consumption as the mean of the last days', () => {
	it('is what was dosed less what the level gained, as far as the doses are known', () => {
		const days = every(2, 0, 40);
		const estimate = estimateOne(
			history(
				'alkalinity',
				series('alkalinity', days, (n) => 8 - 0.05 * n, 0.05, 20),
				[flow(-1, 60, 0.8)]
			),
			day(40)
		)!;
		expect(estimate.consumptionPerDay.value).toBeCloseTo(0.85, 1);
		expect(estimate.consumptionPerDay.u).toBeGreaterThanOrEqual(0.08);
		expect(estimate.netChangePerDay.value).toBeCloseTo(-0.05, 1);
		expect(estimate.at(day(47)).value).toBeLessThan(estimate.at(day(40)).value);
	});
	it('knows nothing from after now', () => {
		const all = series('alkalinity', every(2, 0, 40), (n) => 8 - 0.05 * n, 0.05, 21);
		const then = estimateOne(history('alkalinity', all), day(20))!;
		const cut = estimateOne(
			history(
				'alkalinity',
				all.filter((o) => o.at <= day(20))
			),
			day(20)
		)!;
		expect(then.at(day(20))).toEqual(cut.at(day(20)));
		expect(then.basedOn).toBe(cut.basedOn);
	});
});

describe('a last reading that does not fit', () => {
	const before = series('alkalinity', every(4, 0, 56), () => 8.2, 0.2, 3);
	const at = (readings: readonly [day: number, value: number][]) => {
		const last = readings.at(-1)?.[0] ?? 56;
		const all = [...before, ...readings.map(([n, v]) => read(n, valueOf('alkalinity', v, 0.2)))];
		const estimate = estimateOne(history('alkalinity', all), day(last))!;
		return { estimate, level: estimate.at(day(last)) };
	};
	it.each([40, 25, 14, 12, 4, 0.5])(
		'of %d dKH where 8.2 was is set aside until another confirms it',
		(odd) => {
			const { estimate, level } = at([[60, odd]]);
			expect(level.value).toBeGreaterThan(7.8);
			expect(level.value).toBeLessThan(8.6);
			expect(level.uRandom).toBeLessThan(0.5);
			expect(estimate.changes).toEqual([]);
			expect(Math.abs(estimate.netChangePerDay.value)).toBeLessThan(0.1);
			expect(estimate.doubts.filter((d) => !d.settled)).toHaveLength(1);
		}
	);
	it('of phosphate a thousand times too high is set aside, though no bell curve reaches so far', () => {
		const all = [
			...series('phosphate', every(4, 0, 56), () => 0.05, 0.01, 3),
			read(60, valueOf('phosphate', 45, 0.01))
		];
		const estimate = estimateOne(history('phosphate', all), day(60))!;
		const level = estimate.at(day(60));
		expect(level.value).toBeGreaterThan(0.02);
		expect(level.value).toBeLessThan(0.08);
		expect(level.uRandom).toBeGreaterThan(Math.abs(level.value - 0.05) / 2);
		expect(estimate.changes).toEqual([]);
		expect(estimate.doubts.filter((d) => !d.settled)).toHaveLength(1);
	});
	it('is forgotten with one good repeat', () => {
		const { estimate, level } = at([
			[60, 25],
			[60.02, 8.1]
		]);
		expect(Math.abs(level.value - 8.15)).toBeLessThan(0.25);
		expect(level.uRandom).toBeLessThan(0.2);
		expect(estimate.changes).toEqual([]);
		expect(estimate.doubts.every((d) => d.settled)).toBe(true);
	});
	it('is believed with one that says the same', () => {
		const { level } = at([
			[60, 12],
			[60.02, 12.1]
		]);
		expect(Math.abs(level.value - 12.05)).toBeLessThan(0.4);
	});
	it('that kills is believed at once', () => {
		const none = every(2, 0, 20).map((n) => read(n, bound('ammonia', '<', 0.1)));
		const all = [...none, read(21, valueOf('ammonia', 2, 0.3))];
		expect(estimateOne(history('ammonia', all), day(21))!.at(day(21)).value).toBeGreaterThan(0.8);
	});
});

describe('what was learned before', () => {
	const tank = (seed: number): History[] => [
		history(
			'salinity',
			series('salinity', every(9, 0, 120), (n) => 35 + n / 200, 0.3, seed)
		),
		history(
			'alkalinity',
			series('alkalinity', every(3, 0, 120), (n) => 8.4 - (n > 70 ? (n - 70) * 0.02 : 0), 0.12, seed + 1),
			[flow(0, 200, 0.4)]
		),
		history(
			'calcium',
			series('calcium', every(7, 0, 120), (n) => 430 - n / 10, 6, seed + 2)
		),
		history(
			'nitrate',
			series('nitrate', every(7, 0, 120), () => 6, 0.7, seed + 3)
		)
	];
	/** The same with something new, and of which parameters it is told. */
	const changes: readonly [what: string, change: (all: History[]) => History[], anew: ParameterId[]][] = [
		['nothing', (all) => all, []],
		[
			'a reading at the end',
			(all) =>
				all.map((h) =>
					h.parameter === 'alkalinity'
						? history(
								'alkalinity',
								[...h.observations, read(121, valueOf('alkalinity', 7.1, 0.12))],
								[...h.inputs]
							)
						: h
				),
			['alkalinity']
		],
		[
			'a late reading of another kit',
			(all) =>
				all.map((h) =>
					h.parameter === 'nitrate'
						? history('nitrate', [...h.observations, read(40.5, valueOf('nitrate', 9, 1), 'cards')])
						: h
				),
			['nitrate']
		],
		[
			'a corrected reading',
			(all) =>
				all.map((h) =>
					h.parameter === 'calcium'
						? history(
								'calcium',
								h.observations.map((o, i) => (i === 5 ? { ...o, result: valueOf('calcium', 520, 6) } : o))
							)
						: h
				),
			['calcium']
		],
		[
			'a dose that was entered late',
			(all) =>
				all.map((h) =>
					h.parameter === 'calcium'
						? history('calcium', [...h.observations], [{ kind: 'step', at: day(60), amount: 8, u: 1 }])
						: h
				),
			['calcium']
		],
		[
			'the salinity, by which calcium is told',
			(all) =>
				all.map((h) =>
					h.parameter === 'salinity'
						? history('salinity', [...h.observations, read(119.5, valueOf('salinity', 36.4, 0.3))])
						: h
				),
			['salinity', 'calcium']
		]
	];
	it.each(changes)('saves work and changes nothing: %s', (_, change, anew) => {
		for (const seed of [10, 20, 30]) {
			const before = learnWater(tank(seed));
			const now = change(tank(seed));
			const continued = learnWater(now, undefined, before);
			expect(continued).toEqual(learnWater(now));
			const kept = continued.treated.filter((t) => before.treated.includes(t));
			expect(kept.map((t) => t.prepared.parameter)).toEqual(
				now.map((h) => h.parameter).filter((p) => !anew.includes(p))
			);
		}
	});
	it.each(changes)('is passed over once a day, and tells the same at any moment: %s', (_, change) => {
		const passes = new KeptPasses();
		const before = learnWater(tank(10));
		const after = learnWater(change(tank(10)), undefined, before);
		const told = (estimate: WaterEstimate, at: Instant) =>
			PARAMETER_IDS.flatMap((p) => {
				const own = estimate.of(p);
				return own ? [own.at(at), own.at(addDays(at, -30)), own.consumptionPerDay, own.netChangePerDay] : [];
			});
		for (const [learned, days] of [
			[before, 121.1],
			[before, 121.9],
			[after, 121.95],
			[after, 122.3],
			[before, 122.3]
		] as const) {
			const anew = estimateFrom(learned, day(days));
			const kept = estimateFrom(learned, day(days), undefined, passes);
			expect(told(kept, day(days)).length).toBeGreaterThan(0);
			expect(told(kept, day(days))).toEqual(told(anew, day(days)));
			expect(kept.departure).toEqual(anew.departure);
		}
		// The very same while nothing is new, and made once more with whatever is.
		const group = [after.treated.at(-1)!];
		const pass = passes.of(group, day(100));
		expect(passes.of([...group], day(100))).toBe(pass);
		expect(passes.of(group, day(101))).not.toBe(pass);
		expect(passes.of([{ ...group[0]! }], day(100))).not.toBe(pass);
	});
});
