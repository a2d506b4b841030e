import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALK_SYRINGE, CA_SYRINGE, resultPerMl } from '../method/index.ts';
import {
	boundsOf,
	faultInSyringeReading,
	deriveSyringeResult,
	otherScale,
	standardUncertaintyOf,
	type SyringeReading
} from './index.ts';

const read = (readAs: 'left' | 'used', ml: number, change: Partial<SyringeReading> = {}): SyringeReading => ({
	portion: 'full',
	readAs,
	fills: [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }],
	sure: true,
	...change
});
const valueOf = (reading: SyringeReading, method = ALK_SYRINGE) => {
	const derived = deriveSyringeResult(method, reading);
	if (!derived.ok || derived.value.result.kind !== 'value') throw new Error(JSON.stringify(derived));
	return derived.value.result;
};
const marks = fc.integer({ min: 3, max: 97 }).map((n) => n / 100);

describe('a syringe reading becomes a result', () => {
	it('by arithmetic that can be followed', () => {
		const derived = deriveSyringeResult(ALK_SYRINGE, read('left', 0.42));
		if (!derived.ok) throw new Error();
		// (1.00 − 0.42 − 0.0075) mL × 5.00 meq/L per mL × 2.80385 dKH per meq/L
		expect(valueOf(read('left', 0.42)).value).toBeCloseTo(0.5725 * 5 * 2.80385, 10);
		expect(derived.value.usedMl).toBe(0.58);
		expect(derived.value.arithmetic.map((l) => l.kind)).toEqual(['fill', 'half-last-drop', 'worth']);
		expect(derived.value.components.map((c) => c.source)).not.toContain('factor');
	});
	it('the same from what is left and from what was used', () => {
		fc.assert(
			fc.property(marks, (ml) => {
				const other = otherScale(1, { lowerMl: ml, upperMl: ml });
				expect(valueOf(read('left', ml))).toEqual(
					valueOf(read('used', ml, { fills: [{ startMl: 1, end: other }] }))
				);
			})
		);
	});
	it('the same in one filling as in two', () => {
		const one = valueOf(read('used', 0.8));
		const two = valueOf(
			read('used', 0, {
				fills: [
					{ startMl: 0.5, end: { lowerMl: 0.5, upperMl: 0.5 } },
					{ startMl: 1, end: { lowerMl: 0.3, upperMl: 0.3 } }
				]
			})
		);
		expect(two.value).toBeCloseTo(one.value, 10);
		expect(two.uRandom).toBeGreaterThan(one.uRandom);
	});
	it('wider when between marks far apart, and when not sure', () => {
		const sure = standardUncertaintyOf(valueOf(read('left', 0.42)));
		expect(standardUncertaintyOf(valueOf(read('left', 0.42, { sure: false })))).toBeGreaterThan(sure);
		const range = read('left', 0, { fills: [{ startMl: 1, end: { lowerMl: 0.4, upperMl: 0.44 } }] });
		expect(valueOf(range).value).toBeCloseTo(valueOf(read('left', 0.42)).value, 10);
		expect(standardUncertaintyOf(valueOf(range))).toBeGreaterThan(sure);
	});
	it('coarser with half the sample', () => {
		const full = valueOf(read('used', 0.58));
		const half = valueOf(read('used', 0.29, { portion: 'half' }));
		expect(half.value / full.value).toBeCloseTo(((0.29 - 0.0075) / (0.58 - 0.0075)) * 2, 10);
		expect(half.uRandom).toBeGreaterThan(1.9 * full.uRandom);
	});
	it('rising with the volume used, by what a mark is worth', () => {
		fc.assert(
			fc.property(marks, (ml) => {
				fc.pre(ml < 0.97);
				const step =
					valueOf(read('used', Math.round(ml * 100 + 1) / 100), CA_SYRINGE).value -
					valueOf(read('used', ml), CA_SYRINGE).value;
				expect(step).toBeCloseTo(resultPerMl(CA_SYRINGE, 'full') / 100, 8);
			})
		);
	});
	it('as a bound when the colour had turned before anything was added', () => {
		const derived = deriveSyringeResult(ALK_SYRINGE, read('used', 0));
		expect(derived).toMatchObject({ ok: true, value: { result: { kind: 'bound', sense: '<' } } });
	});
	it('never below zero', () => {
		expect(valueOf(read('used', 0.005)).value).toBe(0);
		expect(boundsOf(valueOf(read('used', 0.01))).lower).toBe(0);
	});
});

describe('what no syringe can have shown is refused', () => {
	const fault = (reading: SyringeReading) => faultInSyringeReading(ALK_SYRINGE, reading)?.code ?? null;
	it.each([
		['beyond-syringe', read('left', 4.2)],
		['below-zero', read('left', -0.1)],
		['finer-than-scale', read('left', 0.4237)],
		['not-a-number', read('left', Number.NaN)],
		['not-a-number', read('left', '0.4' as never)],
		[
			'start-below-end',
			read('left', 0.8, { fills: [{ startMl: 0.5, end: { lowerMl: 0.8, upperMl: 0.8 } }] })
		],
		['range-reversed', read('left', 0, { fills: [{ startMl: 1, end: { lowerMl: 0.5, upperMl: 0.4 } }] })],
		['no-fill', read('left', 0, { fills: [] })],
		['portion-unknown', read('left', 0.4, { portion: 'double' as never })],
		[
			'too-many-fills',
			read('left', 0, {
				fills: Array.from({ length: 7 }, () => ({ startMl: 1, end: { lowerMl: 0, upperMl: 0 } }))
			})
		]
	])('%s', (code, reading) => expect(fault(reading)).toBe(code));
	it('but a mark, the middle between two, and the full syringe are taken', () => {
		for (const ml of [0, 0.41, 0.415, 1, 0.1 + 0.2]) expect(fault(read('left', ml))).toBeNull();
	});
});

describe('the stated interval', () => {
	it('holds the truth as often as it says, over simulated titrations', async () => {
		const { readBySyringe } = await import('../../core/tank/index.ts');
		const { seededRandom } = await import('../numeric/index.ts');
		const random = seededRandom(20_11);
		const runs = 3000;
		let held = 0;
		for (let i = 0; i < runs; i++) {
			const truth = 6 + 4 * random();
			const kitBias = (random() - 0.5) * 0.02 + (random() - 0.5) * 0.02;
			const reader = { endPointSdMl: 0.015, kitBias };
			const result = valueOf(readBySyringe(random, ALK_SYRINGE, 'full', truth, reader));
			const { lower, upper } = boundsOf(result);
			if (lower <= truth && truth <= upper!) held++;
		}
		// k = 2 claims 95.4 %; the binomial standard error over 3000 runs is 0.4 %.
		expect(held / runs).toBeGreaterThan(0.94);
		expect(held / runs).toBeLessThan(0.97);
	});
});
