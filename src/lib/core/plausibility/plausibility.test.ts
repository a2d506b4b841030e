import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_METER,
	ALK_SYRINGE,
	CA_DROPS,
	CA_MG_PAIR,
	CA_SYRINGE,
	K_FILTER,
	NO3_LADDER,
	statedMethodFor,
	type Method
} from '../method/index.ts';
import { seededRandom } from '../numeric/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import { derive, pointOf, type RawReading, type SyringeReading } from '../reading/index.ts';
import { readBy } from '../tank/index.ts';
import { learnedPriors, SLIP_KINDS, USUAL_PRIORS, weighReading, type SlipKind } from './index.ts';

const read = (readAs: 'left' | 'used', ml: number): SyringeReading => ({
	form: 'syringe',
	portion: 'full',
	readAs,
	fills: [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }],
	sure: true
});
const around = (value: number, uRandom: number) => ({ value, uRandom, uCommon: uRandom / 2 });
const expectAlkalinity = (p: ParameterId) => (p === 'alkalinity' ? around(8.2, 0.15) : null);
const weigh = (reading: RawReading, method: Method = ALK_SYRINGE) =>
	weighReading(method, reading, expectAlkalinity)!;

describe('a reading is weighed against the usual slips', () => {
	it('asks about left entered as used, with the value that fits', () => {
		const slips = weigh(read('used', 0.41));
		expect(slips.ask[0]).toMatchObject({ kind: 'left-for-used', reading: { readAs: 'left' } });
		expect(pointOf(slips.ask[0]!.result)!.value).toBeCloseTo(8.17, 2);
		expect(slips.z).toBeLessThan(-3);
	});
	it('asks about a point in the wrong place', () => {
		const [slip] = weigh(read('used', 0.06)).ask;
		expect(slip).toMatchObject({ kind: 'decimal-point' });
		expect((slip!.reading as SyringeReading).fills[0]!.end.lowerMl).toBeCloseTo(0.6, 10);
	});
	it('asks nothing of a reading that fits, nor of one that no slip explains', () => {
		expect(weigh(read('left', 0.41)).ask).toEqual([]);
		const high = weighReading(
			ALK_SYRINGE,
			read('used', 0.78),
			(p) => expectAlkalinity(p) && around(9.4, 0.5)
		)!;
		expect(high.ask).toEqual([]);
	});
	it('has nothing to weigh where nothing was expected, or nothing can be derived', () => {
		expect(weighReading(ALK_SYRINGE, read('used', 0.4), () => null)).toBeNull();
		expect(weighReading(ALK_SYRINGE, read('used', 4), expectAlkalinity)).toBeNull();
	});
	it('shares out all probability, and never more', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 1, max: 99 }),
				fc.constantFrom('left' as const, 'used' as const),
				(mark, readAs) => {
					const assessment = weighReading(ALK_SYRINGE, read(readAs, mark / 100), expectAlkalinity);
					const all = assessment?.candidates.map((c) => c.probability) ?? [];
					expect(all.every((p) => p >= 0 && p <= 1)).toBe(true);
					expect(all.reduce((s, p) => s + p, 0)).toBeLessThanOrEqual(1 + 1e-9);
					expect(all).toEqual([...all].sort((a, b) => b - a));
				}
			),
			{ seed: 3 }
		);
	});
});

describe('every kind of slip is found in its own form of reading', () => {
	const stated = (value: number): RawReading => ({
		form: 'stated',
		portion: 'full',
		unit: 'dkh',
		says: { kind: 'value', value, expandedU: 0.1, k: 2 },
		source: 'a laboratory'
	});
	const pair: RawReading = {
		form: 'pair',
		portion: 'full',
		first: { readAs: 'used', fills: [{ startMl: 1, end: { lowerMl: 0.17, upperMl: 0.17 } }], sure: true },
		second: { readAs: 'used', fills: [{ startMl: 1, end: { lowerMl: 0.85, upperMl: 0.85 } }], sure: true }
	};
	const ladder = (index: number): RawReading => ({
		form: 'step',
		portion: 'full',
		at: { kind: 'on', index },
		between: 'interpolate',
		blank: true
	});
	const cases: readonly (readonly [
		SlipKind,
		Method,
		RawReading,
		Partial<Record<ParameterId, [number, number]>>
	])[] = [
		[
			'decimal-point',
			ALK_DROPS,
			{ form: 'drops', portion: 'full', least: 2, most: 2, bad: 0 },
			{ alkalinity: [7.8, 0.1] }
		],
		[
			'decimal-point',
			ALK_METER,
			{ form: 'display', portion: 'full', shown: 14, temperatureC: null },
			{ alkalinity: [8, 0.2] }
		],
		[
			'unit',
			ALK_METER,
			{ form: 'display', portion: 'full', shown: 8, temperatureC: null },
			{ alkalinity: [8, 0.2] }
		],
		['unit', statedMethodFor('alkalinity'), stated(2.93), { alkalinity: [8.2, 0.2] }],
		['left-for-used', CA_MG_PAIR, pair, { calcium: [427, 8], magnesium: [1330, 20] }],
		['portion', CA_SYRINGE, { ...read('used', 0.4), portion: 'full' }, { calcium: [427, 8] }],
		['dilution', NO3_LADDER, ladder(2), { nitrate: [2.1, 0.25] }],
		['liquid-line', ALK_SYRINGE, read('used', 0.65), { alkalinity: [8.2, 0.08] }],
		['left-for-used', K_FILTER, read('left', 0.73), { potassium: [397, 6] }]
	];
	it.each(cases)('%s in %o', (kind, method, reading, water) => {
		const assessment = weighReading(method, reading, (p) => {
			const known = water[p];
			return known ? around(...known) : null;
		});
		const likeliest = assessment!.candidates.slice(0, 2).map((c) => c.kind);
		expect(likeliest).toContain(kind);
	});
	it('another kit’s table, where the site has one', () => {
		const reading: RawReading = { form: 'drops', portion: 'full', least: 42, most: 42, bad: 0 };
		const tables: Method = {
			...CA_DROPS,
			code: 'other',
			titration: { ...CA_DROPS.titration, worth: { by: 'line', unit: 'mg-per-l', perUnit: 20, atZero: 0 } }
		};
		const found = weighReading(tables, reading, (p) => (p === 'calcium' ? around(420, 6) : null), {
			others: [tables, CA_DROPS]
		})!;
		expect(found.ask[0]).toMatchObject({ kind: 'table', method: { code: 'ca-drops' } });
	});
});

describe('what is asked how readily', () => {
	it('learns from what was confirmed here', () => {
		const learned = learnedPriors({ portion: 12 }, 300);
		expect(learned.portion).toBeGreaterThan(3 * USUAL_PRIORS.portion);
		expect(learned['left-for-used']).toBeLessThan(USUAL_PRIORS['left-for-used']);
		expect(learnedPriors({}, 0)).toEqual(USUAL_PRIORS);
		const sum = SLIP_KINDS.reduce((s, k) => s + learned[k], 0);
		expect(sum).toBeLessThan(0.1);
	});
	it('seldom gets in the way of someone who is right, and finds most swaps that matter', () => {
		const random = seededRandom(99);
		let asked = 0;
		let found = 0;
		const runs = 800;
		for (let i = 0; i < runs; i++) {
			const truth = 400 + 60 * random();
			const reader = { endPointSdDrops: 1, kitBias: 0, colourSdSteps: 0 };
			const right = readBy(random, CA_SYRINGE, { calcium: truth }, reader) as SyringeReading;
			const expected = () => around(truth, 6);
			expect(derive(CA_SYRINGE, right).ok).toBe(true);
			if (weighReading(CA_SYRINGE, right, expected)!.ask.length > 0) asked++;
			const swapped: SyringeReading = { ...right, readAs: 'left' };
			if (weighReading(CA_SYRINGE, swapped, expected)!.ask.some((c) => c.kind === 'left-for-used')) found++;
		}
		expect(asked / runs).toBeLessThan(0.01);
		expect(found / runs).toBeGreaterThan(0.95);
	});
});
