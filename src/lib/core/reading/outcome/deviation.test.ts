import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALK_SYRINGE, methodByCode, NO3_CARD } from '../../method/index.ts';
import { standardUncertaintyOf } from '../../uncertainty/index.ts';
import { deriveWith, effectsOf, type derive, type Deviation, type RawReading } from '../index.ts';

const onStep = (index: number): RawReading => ({
	form: 'step',
	portion: 'full',
	at: { kind: 'on', index },
	between: 'interpolate',
	blank: false
});
const left = (ml: number): RawReading => ({
	form: 'syringe',
	portion: 'full',
	readAs: 'left',
	fills: [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }],
	sure: true
});
const step = (method: typeof NO3_CARD | typeof ALK_SYRINGE, kind: string) =>
	method.steps.find((s) => s.action.kind === kind)!.id;
const waited = (actual: number): Deviation => ({
	stepId: step(NO3_CARD, 'stand'),
	planned: 360,
	actual,
	what: 'seconds'
});
const first = (method: Parameters<typeof derive>[0], reading: RawReading, deviations: Deviation[]) => {
	const derived = deriveWith(method, reading, null, deviations);
	if (!derived.ok) throw new Error(derived.fault.code);
	return derived.value.outcomes[0];
};

describe('a test that was not done as written', () => {
	it('is the same result where nothing went otherwise, or by so little that it does no harm', () => {
		for (const deviations of [[], [waited(390)]]) {
			expect(first(NO3_CARD, onStep(2), deviations).result).toEqual(first(NO3_CARD, onStep(2), []).result);
		}
	});
	it('follows a wait by half its error, and asks for a repeat beyond half again', () => {
		const effect = (s: number) => effectsOf(NO3_CARD, [waited(s)])[0]!.effect;
		expect(effect(450)).toEqual({ relative: 0.125, repeat: false });
		expect(effect(180)).toEqual({ relative: 0.25, repeat: false });
		expect(effect(100).repeat).toBe(true);
		expect(effect(900)).toEqual({ relative: 0.5, repeat: true });
	});
	it('matters less where a titration was only prepared by it', () => {
		const swirled = { stepId: step(ALK_SYRINGE, 'swirl'), planned: 10, actual: 0, what: 'seconds' } as const;
		expect(effectsOf(ALK_SYRINGE, [swirled])[0]!.effect).toEqual({ relative: 0.05, repeat: false });
		const spilled = { stepId: step(ALK_SYRINGE, 'drops'), planned: 3, actual: 1, what: 'spilled' } as const;
		expect(effectsOf(ALK_SYRINGE, [spilled])[0]!.effect.repeat).toBe(true);
	});
	it('asks for a repeat where the count that was lost is the result', () => {
		const titrant = methodByCode('alk-drops')!;
		const lost = (kind: string): Deviation => ({
			stepId: titrant.steps.find((s) => s.action.kind === kind)!.id,
			planned: 0,
			actual: 0,
			what: 'lost-count'
		});
		expect(effectsOf(titrant, [lost('titrate')])[0]!.effect.repeat).toBe(true);
		expect(effectsOf(titrant, [lost('drops')])[0]!.effect.repeat).toBe(false);
		// A step of another method says nothing here.
		expect(effectsOf(titrant, [{ ...lost('drops'), stepId: 'moon' }])).toEqual([]);
	});
	it('is never more certain for it, keeps its value, and says so in its budget', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 2000 }), fc.integer({ min: 10, max: 95 }), (seconds, mark) => {
				const swirled: Deviation = {
					stepId: step(ALK_SYRINGE, 'swirl'),
					planned: 10,
					actual: seconds,
					what: 'seconds'
				};
				const plain = first(ALK_SYRINGE, left(mark / 100), []);
				const wide = first(ALK_SYRINGE, left(mark / 100), [swirled]);
				if (plain.result.kind !== 'value' || wide.result.kind !== 'value') throw new Error();
				expect(wide.result.value).toBe(plain.result.value);
				expect(wide.result.uCommon).toBeCloseTo(plain.result.uCommon, 12);
				expect(wide.result.uRandom).toBeGreaterThanOrEqual(plain.result.uRandom * (1 - 1e-12));
				const total = Math.hypot(...wide.components.map((c) => c.u));
				expect(total).toBeCloseTo(standardUncertaintyOf(wide.result), 9);
			})
		);
	});
	it('widens an interval at both ends and moves a bound away', () => {
		const late = [waited(540)];
		const plain = first(NO3_CARD, onStep(2), []).result;
		const wide = first(NO3_CARD, onStep(2), late).result;
		if (plain.kind !== 'interval' || wide.kind !== 'interval') throw new Error();
		expect(wide.lower).toBeCloseTo(0.75 * plain.lower, 9);
		expect(wide.upper).toBeCloseTo(1.25 * plain.upper, 9);
		const above: RawReading = {
			...(onStep(5) as Extract<RawReading, { form: 'step' }>),
			at: { kind: 'above' }
		};
		const bound = first(NO3_CARD, above, late);
		expect(bound.result).toMatchObject({ kind: 'bound', sense: '>', limit: 45 });
		expect(bound.components).toEqual([]);
	});
});
