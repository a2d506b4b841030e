import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	NO2_CARD,
	NO3_CARD,
	NO3_LADDER,
	PH_CARD,
	PH_CARD_LOW,
	PO4_CARD,
	stepInterval,
	type ColourMethod,
	type StepStatement
} from '../../method/index.ts';
import { convert, PARAMETERS, POSSIBLE_IN_WATER } from '../../quantity/index.ts';
import { boundsOf, derive, pointOf, type StepReading } from '../index.ts';

const CARDS: readonly ColourMethod[] = [NO3_CARD, NO3_LADDER, PO4_CARD, NO2_CARD, PH_CARD];
const looked = (at: StepStatement, change: Partial<StepReading> = {}): StepReading => ({
	form: 'step',
	portion: 'full',
	at,
	between: 'interpolate',
	blank: false,
	...change
});
function outcomeOf(method: ColourMethod, reading: StepReading) {
	const derived = derive(method, reading);
	if (!derived.ok) throw new Error(JSON.stringify(derived.fault));
	return derived.value.outcomes[0];
}
const intervalOf = (method: ColourMethod, reading: StepReading) => {
	const { result } = outcomeOf(method, reading);
	if (result.kind !== 'interval') throw new Error(JSON.stringify(result));
	return result;
};
const faultOf = (method: ColourMethod, reading: StepReading) => {
	const derived = derive(method, reading);
	return derived.ok ? null : derived.fault.code;
};
const card = fc.constantFrom(...CARDS);
const gap = fc.nat(30);
const place = fc.constantFrom('between', 'nearer_lower', 'nearer_upper');
/** A place between two steps that the card has. */
const inGap = (method: ColourMethod, kind: 'between' | 'nearer_lower' | 'nearer_upper', n: number) =>
	({ kind, index: n % (method.colourSteps.length - 1) }) as const;

describe('a colour against steps', () => {
	it('is an interval with the step it matched', () => {
		const { result } = outcomeOf(NO3_CARD, looked({ kind: 'on', index: 2 }));
		expect(result).toMatchObject({ kind: 'interval', best: 8 });
		expect(boundsOf(result).lower).toBeCloseTo(Math.sqrt(24) * (1 - 0.02 / Math.sqrt(3)), 6);
	});
	it('has no sample volume in it for pH', () => {
		expect(outcomeOf(PH_CARD, looked({ kind: 'between', index: 3 })).result).toMatchObject({
			lower: 8,
			upper: 8.2,
			uCommon: 0
		});
	});
	it('is rounded, or left as an interval, by the school that the keeper follows', () => {
		const at = { kind: 'nearer_upper', index: 2 } as const;
		const best = (between: StepReading['between']) => {
			const { result } = outcomeOf(NO3_CARD, looked(at, { between }));
			return result.kind === 'interval' ? result.best : undefined;
		};
		expect(best('nearer-step')).toBe(15);
		expect(best('interval')).toBeNull();
		expect(best('interpolate')).toBeCloseTo(Math.sqrt(Math.sqrt(120) * 15), 6);
	});
	it('is a bound beyond the ends, also thinned', () => {
		expect(outcomeOf(NO3_CARD, looked({ kind: 'above' })).result).toMatchObject({ kind: 'bound', limit: 60 });
		const dilution = { sampleMl: 1.2, diluentMl: 4.8, diluentHolds: 0 };
		expect(outcomeOf(NO2_CARD, looked({ kind: 'above' }, { dilution })).result).toMatchObject({
			kind: 'bound',
			sense: '>',
			limit: 12.5
		});
		expect(faultOf(NO3_CARD, looked({ kind: 'below' }))).toBe('no-such-step');
		expect(outcomeOf(PH_CARD_LOW, looked({ kind: 'below' })).result).toMatchObject({
			sense: '<',
			limit: 5.2
		});
	});
	it('thinned tenfold is ten times as much and at least as unsure', () => {
		const at = { kind: 'on', index: 4 } as const;
		const dilution = { sampleMl: 0.9, diluentMl: 8.1, diluentHolds: 0 };
		const plain = outcomeOf(NO3_LADDER, looked(at));
		const thinned = outcomeOf(NO3_LADDER, looked(at, { dilution }));
		expect(pointOf(thinned.result)!.value).toBeCloseTo(10 * pointOf(plain.result)!.value, 9);
		expect(thinned.components.map((c) => c.source)).toContain('dilution');
		expect(faultOf(NO3_LADDER, looked(at, { dilution: { ...dilution, sampleMl: 0 } }))).toBe('beyond-scale');
		expect(faultOf(NO3_LADDER, looked(at, { dilution: { ...dilution, diluentMl: -1 } }))).toBe('below-zero');
	});
});

describe('a place among colour steps', () => {
	it('holds the value of the step that it was matched to', () => {
		for (const method of CARDS) {
			method.colourSteps.forEach(({ value }, index) => {
				const { lower, upper, best } = intervalOf(method, looked({ kind: 'on', index }));
				const exact = convert(value, method.unit, PARAMETERS[method.parameter].canonicalUnit);
				expect(best, method.code).toBeCloseTo(exact, 10);
				expect(lower).toBeLessThanOrEqual(exact);
				expect(upper).toBeGreaterThan(exact);
			});
		}
	});
	it('nearer to one of two is that half of the gap; both halves together are the gap', () => {
		fc.assert(
			fc.property(card, gap, (method, n) => {
				const whole = intervalOf(method, looked(inGap(method, 'between', n)));
				const low = intervalOf(method, looked(inGap(method, 'nearer_lower', n)));
				const high = intervalOf(method, looked(inGap(method, 'nearer_upper', n)));
				expect(low.lower).toBeCloseTo(whole.lower, 10);
				expect(high.upper).toBeCloseTo(whole.upper, 10);
				expect(low.uRandom).toBeLessThan(whole.uRandom);
				expect(high.uRandom).toBeLessThan(whole.uRandom);
				expect(low.best!).toBeLessThan(whole.best!);
				expect(high.best!).toBeGreaterThan(whole.best!);
			})
		);
	});
	it('rises step by step, whatever the card', () => {
		for (const method of CARDS) {
			let before = -1;
			for (let index = 0; index + 1 < method.colourSteps.length; index++) {
				for (const kind of ['on', 'nearer_lower', 'between', 'nearer_upper'] as const) {
					if (kind === 'between') continue;
					const { best } = intervalOf(method, looked({ kind, index }));
					expect(best!, `${method.code} ${kind} ${index}`).toBeGreaterThan(before);
					before = best!;
				}
			}
		}
	});
	it('has a best value inside its ends, in every school that names one', () => {
		const schools = fc.constantFrom('interpolate', 'nearer-step', 'interval');
		fc.assert(
			fc.property(card, place, gap, schools, (method, kind, n, between) => {
				const result = intervalOf(method, looked(inGap(method, kind, n), { between }));
				const { best, lower, upper } = result;
				expect(upper).toBeGreaterThan(lower);
				if (between === 'interval') expect(best).toBeNull();
				if (best !== null) {
					expect(best).toBeGreaterThanOrEqual(lower);
					expect(best).toBeLessThanOrEqual(upper);
				}
				// The school is what the keeper says of it; what the kit leaves open stays.
				const other = intervalOf(method, looked(inGap(method, kind, n)));
				expect([lower, upper, result.uRandom]).toEqual([other.lower, other.upper, other.uRandom]);
			})
		);
	});
	it('that the card does not have is refused', () => {
		for (const method of CARDS) {
			const count = method.colourSteps.length;
			for (const at of [
				{ kind: 'on', index: count },
				{ kind: 'on', index: -1 },
				{ kind: 'on', index: 0.5 },
				{ kind: 'between', index: count - 1 }
			] as const) {
				expect(derive(method, looked(at))).toMatchObject({ ok: false, fault: { code: 'no-such-step' } });
				expect(derive(method, looked({ kind: 'on', index: 1 }, { second: at }))).toMatchObject({
					ok: false,
					fault: { field: 'second' }
				});
			}
		}
		// No water holds less nitrate than none, but a pH may lie below the card.
		expect(derive(NO3_LADDER, looked({ kind: 'below' })).ok).toBe(false);
		expect(outcomeOf(PH_CARD, looked({ kind: 'below' })).result).toMatchObject({
			kind: 'bound',
			sense: '<',
			limit: 7.4
		});
	});
});

describe('two people at one vial', () => {
	it('are told by what both leave open, whoever looked first', () => {
		fc.assert(
			fc.property(card, place, gap, place, gap, (method, a, i, b, j) => {
				const [at, second] = [inGap(method, a, i), inGap(method, b, j)];
				const one = intervalOf(method, looked(at, { second }));
				const other = intervalOf(method, looked(second, { second: at }));
				expect([other.lower, other.upper, other.uRandom]).toEqual([one.lower, one.upper, one.uRandom]);
				for (const alone of [looked(at), looked(second)]) {
					const { lower, upper } = intervalOf(method, alone);
					expect(one.lower).toBeLessThanOrEqual(lower);
					expect(one.upper).toBeGreaterThanOrEqual(upper);
				}
			})
		);
	});
	it('of one mind are as one', () => {
		const at = { kind: 'nearer_lower', index: 2 } as const;
		expect(intervalOf(NO3_CARD, looked(at, { second: at }))).toEqual(intervalOf(NO3_CARD, looked(at)));
	});
	it('of whom one is beyond the highest step give a bound from the lower reading', () => {
		const { result } = outcomeOf(NO3_CARD, looked({ kind: 'on', index: 4 }, { second: { kind: 'above' } }));
		expect(result).toMatchObject({ kind: 'bound', sense: '>' });
		const { lower } = intervalOf(NO3_CARD, looked({ kind: 'on', index: 4 }));
		expect(pointOf(result)).toBeNull();
		const limit = result.kind === 'bound' ? result.limit : 0;
		expect(limit).toBeLessThanOrEqual(NO3_CARD.colourSteps[4]!.value);
		expect(limit).toBeGreaterThanOrEqual(lower);
	});
});

describe('a thinned sample', () => {
	const factors = fc.constantFrom(2, 5, 10, 20);
	const dilutionOf = (factor: number, diluentHolds = 0) => ({
		sampleMl: 1,
		diluentMl: factor - 1,
		diluentHolds
	});
	it('has every end raised by the dilution, and no narrower an interval', () => {
		fc.assert(
			fc.property(place, gap, factors, (kind, n, factor) => {
				const at = inGap(NO3_CARD, kind, n);
				const plain = intervalOf(NO3_CARD, looked(at));
				// Beyond what any water holds there is no result to compare.
				fc.pre(plain.upper * factor < POSSIBLE_IN_WATER.nitrate.most);
				const thin = intervalOf(NO3_CARD, looked(at, { dilution: dilutionOf(factor) }));
				expect(thin.lower).toBeCloseTo(plain.lower * factor, 8);
				expect(thin.upper).toBeCloseTo(plain.upper * factor, 8);
				expect(thin.best).toBeCloseTo(plain.best! * factor, 8);
				expect(thin.uRandom).toBeGreaterThan(plain.uRandom * factor);
			})
		);
	});
	it('has taken off what the water for thinning held, down to nothing and no further', () => {
		const at = { kind: 'on', index: 2 } as const;
		const { best } = intervalOf(NO3_CARD, looked(at, { dilution: dilutionOf(5, 1) }));
		expect(best).toBeCloseTo(5 * 8 - 4 * 1, 10);
		const { lower } = boundsOf(outcomeOf(NO3_CARD, looked(at, { dilution: dilutionOf(5, 9.5) })).result);
		expect(lower).toBe(0);
	});
	it('by water that would hold more than the thinned sample showed is refused', () => {
		const reading = looked({ kind: 'on', index: 2 }, { dilution: dilutionOf(5, 30) });
		expect(derive(NO3_CARD, reading)).toMatchObject({
			ok: false,
			fault: { code: 'diluent-holds-more', field: 'dilution.diluentHolds' }
		});
	});
	it('beyond the highest step is a higher bound', () => {
		const { result } = outcomeOf(NO3_CARD, looked({ kind: 'above' }, { dilution: dilutionOf(10) }));
		expect(result).toMatchObject({ kind: 'bound', sense: '>', limit: 600 });
	});
	it.each([
		['none of the sample', { sampleMl: 0, diluentMl: 1, diluentHolds: 0 }],
		['less than no water', { sampleMl: 1, diluentMl: -1, diluentHolds: 0 }],
		['water that holds less than nothing', { sampleMl: 1, diluentMl: 1, diluentHolds: -1 }],
		['thinner than can be measured out', { sampleMl: 1, diluentMl: 500, diluentHolds: 0 }],
		['no number', { sampleMl: Number.NaN, diluentMl: 1, diluentHolds: 0 }]
	])('of %s is refused', (_what, dilution) => {
		const derived = derive(NO3_CARD, looked({ kind: 'on', index: 2 }, { dilution }));
		expect(derived.ok).toBe(false);
		if (!derived.ok) expect(derived.fault.field).toMatch(/^dilution/);
	});
});

describe('the row of steps itself', () => {
	it('must rise', () => {
		for (const steps of [[3], [3, 3], [8, 3], [-1, 3]]) {
			expect(() => stepInterval(steps, 'linear', { kind: 'on', index: 0 })).toThrow(RangeError);
		}
	});
});
