import { describe, expect, it } from 'vitest';
import { ALK_SYRINGE, CA_SYRINGE } from '../method/index.ts';
import { seededRandom } from '../numeric/index.ts';
import type { SyringeReading } from '../reading/index.ts';
import { readBy } from '../tank/index.ts';
import { weighSyringeReading } from './index.ts';

const read = (readAs: 'left' | 'used', ml: number): SyringeReading => ({
	form: 'syringe',
	portion: 'full',
	readAs,
	fills: [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }],
	sure: true
});
const expected = { value: 8.2, uRandom: 0.15, uCommon: 0.1 };

describe('a reading is weighed against the usual slips', () => {
	it('asks about left entered as used, with the value that fits', () => {
		const slips = weighSyringeReading(ALK_SYRINGE, read('used', 0.41), expected)!;
		expect(slips.ask).toMatchObject({ kind: 'left-for-used', reading: { readAs: 'left' } });
		expect(slips.ask!.value).toBeCloseTo(8.17, 2);
		expect(slips.z).toBeLessThan(-3);
	});
	it('asks about a point in the wrong place', () => {
		const slips = weighSyringeReading(ALK_SYRINGE, read('used', 0.06), expected)!;
		expect(slips.ask).toMatchObject({ kind: 'decimal-point' });
		expect(slips.ask!.reading.fills[0]!.end.lowerMl).toBeCloseTo(0.6, 10);
	});
	it('asks nothing of a reading that fits, nor of one that no slip explains', () => {
		expect(weighSyringeReading(ALK_SYRINGE, read('left', 0.41), expected)!.ask).toBeNull();
		expect(weighSyringeReading(ALK_SYRINGE, read('used', 0.78), expected)!.ask).toBeNull();
	});
	it('cannot tell the two apart at the middle of the syringe, and does not pretend to', () => {
		expect(weighSyringeReading(ALK_SYRINGE, read('used', 0.5), { ...expected, value: 7 })!.ask).toBeNull();
	});
	it('has nothing to weigh where there is no value', () => {
		expect(weighSyringeReading(ALK_SYRINGE, read('used', 0), expected)).toBeNull();
		expect(weighSyringeReading(ALK_SYRINGE, read('used', 4), expected)).toBeNull();
	});
	it('shares out all probability', () => {
		const { candidates } = weighSyringeReading(ALK_SYRINGE, read('used', 0.41), expected)!;
		const sum = candidates.reduce((s, c) => s + c.probability, 0);
		expect(sum).toBeGreaterThan(0.5);
		expect(sum).toBeLessThanOrEqual(1);
	});
	it('seldom gets in the way of someone who is right, and finds most swaps that matter', () => {
		const random = seededRandom(99);
		let asked = 0;
		let found = 0;
		const runs = 1500;
		for (let i = 0; i < runs; i++) {
			const truth = 400 + 60 * random();
			const reader = { endPointSdDrops: 1, kitBias: 0, colourSdSteps: 0 };
			const right = readBy(random, CA_SYRINGE, { calcium: truth }, reader) as SyringeReading;
			const prediction = { value: truth, uRandom: 6, uCommon: 4 };
			if (weighSyringeReading(CA_SYRINGE, right, prediction)!.ask) asked++;
			const swapped: SyringeReading = { ...right, readAs: 'left' };
			if (weighSyringeReading(CA_SYRINGE, swapped, prediction)!.ask?.kind === 'left-for-used') found++;
		}
		expect(asked / runs).toBeLessThan(0.01);
		expect(found / runs).toBeGreaterThan(0.95);
	});
});
