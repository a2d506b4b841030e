import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	ALK_DROPS,
	ALK_METER,
	ALK_SYRINGE,
	CA_MG_PAIR,
	NO3_CARD,
	PH_CARD,
	withDropper,
	type KitCorrection,
	type Method
} from '../../method/index.ts';
import { propagate, simulate, standardUncertaintyOf } from '../../uncertainty/index.ts';
import { derive, pointOf, type Corrections, type RawReading } from '../index.ts';

const syringe = (ml: number): RawReading => ({
	form: 'syringe',
	portion: 'full',
	readAs: 'left',
	fills: [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }],
	sure: true
});
const drops = (n: number): RawReading => ({ form: 'drops', portion: 'full', least: n, most: n, bad: 0 });
const shown = (value: number): RawReading => ({
	form: 'display',
	portion: 'full',
	shown: value,
	temperatureC: null
});
const step = (index: number): RawReading => ({
	form: 'step',
	portion: 'full',
	at: { kind: 'between', index },
	between: 'interpolate',
	blank: false
});
function outcomesOf(method: Method, reading: RawReading, corrections?: Corrections) {
	const derived = derive(method, reading, corrections);
	if (!derived.ok) throw new Error(derived.fault.code);
	return derived.value.outcomes;
}
const FACTOR: KitCorrection = { kind: 'factor', factor: 0.93, relativeU: 0.012 };
const correction = fc.oneof(
	fc.record({
		kind: fc.constant('factor' as const),
		factor: fc.double({ min: 0.8, max: 1.25, noNaN: true }),
		relativeU: fc.double({ min: 0.001, max: 0.1, noNaN: true })
	}),
	fc.record({
		kind: fc.constant('offset' as const),
		offset: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
		u: fc.double({ min: 0.01, max: 0.3, noNaN: true })
	})
);
const reading = fc.oneof(
	fc.integer({ min: 5, max: 95 }).map((n) => [ALK_SYRINGE, syringe(n / 100)] as const),
	fc.integer({ min: 5, max: 40 }).map((n) => [ALK_DROPS, drops(n)] as const),
	fc.integer({ min: 40, max: 250 }).map((n) => [ALK_METER, shown(n)] as const),
	fc.nat(4).map((n) => [NO3_CARD, step(n)] as const)
);

describe('a correction of a kit', () => {
	it('followed by its reversal gives every result back to the last bit', () => {
		fc.assert(
			fc.property(reading, correction, ([method, raw], found) => {
				const before = outcomesOf(method, raw).map((o) => o.result);
				outcomesOf(method, raw, { [method.parameter]: found });
				expect(outcomesOf(method, raw).map((o) => o.result)).toStrictEqual(before);
				expect(outcomesOf(method, raw, {}).map((o) => o.result)).toStrictEqual(before);
			})
		);
	});
	it('has the same uncertainty by its parts, by its result and by its model', () => {
		fc.assert(
			fc.property(reading, correction, ([method, raw], found) => {
				const [outcome] = outcomesOf(method, raw, { [method.parameter]: found });
				if (outcome.result.kind !== 'value' || outcome.result.value < 1) return;
				const whole = standardUncertaintyOf(outcome.result);
				expect(Math.hypot(...outcome.components.map((c) => c.u))).toBeCloseTo(whole, 9);
				const model = propagate(outcome.model!);
				expect(model.value).toBeCloseTo(outcome.result.value, 6);
				expect(Math.hypot(model.uRandom, model.uCommon) / whole).toBeCloseTo(1, 2);
			})
		);
	});
	it('covers the truth as the simulation of its model does', () => {
		const [outcome] = outcomesOf(ALK_SYRINGE, syringe(0.43), { alkalinity: FACTOR });
		const found = simulate(outcome.model!, 3, 20_000);
		const { value, uRandom, uCommon } = pointOf(outcome.result)!;
		expect(found.mean).toBeCloseTo(value, 1);
		expect(found.sd / Math.hypot(uRandom, uCommon)).toBeCloseTo(1, 1);
	});
	it('takes the place of what the kit claims of its titrant, and leaves the sample syringe', () => {
		const sources = outcomesOf(ALK_SYRINGE, syringe(0.43), { alkalinity: FACTOR })[0].components.map(
			(c) => c.source
		);
		expect(sources).toContain('factor');
		expect(sources).toContain('sample-volume');
		expect(sources).not.toContain('titrant');
	});
	it('touches only what it is about in a kit of two titrations', () => {
		const marks = {
			readAs: 'used',
			fills: [{ startMl: 1, end: { lowerMl: 0.8, upperMl: 0.8 } }],
			sure: true
		} as const;
		const pair: RawReading = { form: 'pair', portion: 'full', first: marks, second: marks };
		const plain = outcomesOf(CA_MG_PAIR, pair);
		const corrected = outcomesOf(CA_MG_PAIR, pair, { magnesium: FACTOR });
		expect(corrected[0].result).toStrictEqual(plain[0].result);
		expect(pointOf(corrected[1]!.result)!.value).toBeCloseTo(0.93 * pointOf(plain[1]!.result)!.value, 9);
	});
	it('moves both ends of an interval, and a bound', () => {
		const offset: KitCorrection = { kind: 'offset', offset: -0.1, u: 0.05 };
		const plain = outcomesOf(PH_CARD, step(2))[0].result;
		const moved = outcomesOf(PH_CARD, step(2), { ph: offset })[0].result;
		if (plain.kind !== 'interval' || moved.kind !== 'interval') throw new Error('no interval');
		expect(moved.lower).toBeCloseTo(plain.lower - 0.1, 9);
		expect(moved.uCommon).toBeCloseTo(0.05, 9);
		const above: RawReading = {
			form: 'step',
			portion: 'full',
			at: { kind: 'above' },
			between: 'interpolate',
			blank: false
		};
		expect(outcomesOf(NO3_CARD, above, { nitrate: FACTOR })[0].result).toMatchObject({
			kind: 'bound',
			limit: 0.93 * 60
		});
	});
	it('acts on what was read in the vial, before a dilution is reckoned back', () => {
		const diluted: RawReading = {
			...step(3),
			dilution: { sampleMl: 1, diluentMl: 4, diluentHolds: 0 }
		};
		const once = pointOf(
			outcomesOf(NO3_CARD, step(3), { nitrate: { kind: 'offset', offset: 1, u: 0.1 } })[0].result
		)!;
		const five = pointOf(
			outcomesOf(NO3_CARD, diluted, { nitrate: { kind: 'offset', offset: 1, u: 0.1 } })[0].result
		)!;
		expect(five.value).toBeCloseTo(5 * once.value, 9);
	});
});

describe('a dropper that is known', () => {
	const nominal = pointOf(outcomesOf(ALK_DROPS, drops(20))[0].result)!;
	it('counts its own drops', () => {
		const own = withDropper(ALK_DROPS, { B: { state: 'even', calibrated: { dropMl: 0.044, u: 0.0004 } } });
		const found = pointOf(outcomesOf(own, drops(20))[0].result)!;
		expect(found.value / nominal.value).toBeCloseTo(1.1, 9);
		expect(found.uCommon).toBeLessThan(1.1 * nominal.uCommon);
	});
	it('that leaks widens what is read with it, and another bottle nothing', () => {
		const leaky = withDropper(ALK_DROPS, { B: { state: 'leaky', calibrated: null } });
		expect(pointOf(outcomesOf(leaky, drops(20))[0].result)!.uCommon).toBeGreaterThan(3 * nominal.uCommon);
		const other = withDropper(ALK_DROPS, { A: { state: 'leaky', calibrated: null } });
		expect(outcomesOf(other, drops(20))[0].result).toStrictEqual(outcomesOf(ALK_DROPS, drops(20))[0].result);
		expect(withDropper(NO3_CARD, { A: { state: 'leaky', calibrated: null } })).toBe(NO3_CARD);
	});
});
