import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalDeviate, seededRandom } from '../numeric/index.ts';
import { instant } from '../time/index.ts';
import {
	againstInterval,
	blandAltman,
	compareOnce,
	compareOverTime,
	comparePair,
	confounds,
	differenceThatMatters,
	likelierOff,
	nextStepFor,
	occasionsOf,
	pairsOf,
	type ComparableReading,
	type ComparisonState
} from './index.ts';

const read = (value: number, uRandom = 0.12, uCommon = 0.1) => ({ value, uRandom, uCommon });
const pairs = (n: number, apart: number, noise: (i: number) => number = () => 0) =>
	Array.from({ length: n }, (_, i) => ({
		first: read(8 + 0.1 * i + apart + noise(i)),
		second: read(8 + 0.1 * i)
	}));

describe('two values', () => {
	it('compare alike from either side', () => {
		const number = fc.double({ min: -50, max: 50, noNaN: true });
		const u = fc.double({ min: 0.01, max: 5, noNaN: true });
		fc.assert(
			fc.property(
				number,
				u,
				number,
				u,
				fc.double({ min: -0.9, max: 0.9, noNaN: true }),
				(x, ux, y, uy, r) => {
					const there = comparePair({ value: x, u: ux }, { value: y, u: uy }, r);
					const back = comparePair({ value: y, u: uy }, { value: x, u: ux }, r);
					expect(there.zeta).toBeCloseTo(-back.zeta, 9);
					expect(there.agreement).toBe(back.agreement);
					// A difference of two that err together is known better than that of two that do not.
					const apart = comparePair({ value: x, u: ux }, { value: y, u: uy });
					if (r > 0) expect(there.uDifference).toBeLessThanOrEqual(apart.uDifference + 1e-12);
				}
			)
		);
	});
	it('refuse what cannot be compared', () => {
		expect(() => comparePair({ value: 1, u: 0 }, { value: 2, u: 0 })).toThrow(RangeError);
		expect(() => comparePair({ value: 1, u: 1 }, { value: 2, u: 1 }, 1.5)).toThrow(RangeError);
		expect(() => againstInterval({ value: 1, u: 0 }, 0, 1)).toThrow(RangeError);
		expect(() => againstInterval({ value: 1, u: 1 }, 3, 1)).toThrow(RangeError);
	});
});

describe('pairs over time', () => {
	it('are as far apart whatever level they lie at, and the other way round', () => {
		const level = fc.array(fc.double({ min: 5, max: 12, noNaN: true }), { minLength: 3, maxLength: 20 });
		fc.assert(
			fc.property(level, fc.double({ min: -2, max: 2, noNaN: true }), (x, shift) => {
				const y = x.map((v, i) => v - shift + 0.1 * (i % 3));
				const there = blandAltman(x, y);
				const back = blandAltman(y, x);
				expect(there.bias).toBeCloseTo(-back.bias, 9);
				expect(there.low.value).toBeCloseTo(-back.high.value, 9);
				expect(there.biasLow).toBeLessThanOrEqual(there.bias);
				expect(there.low.from).toBeLessThanOrEqual(there.biasLow);
			})
		);
	});
	it('say nothing of a slope where every pair lies at one level', () => {
		expect(blandAltman([8, 9, 7], [8, 7, 9])).toMatchObject({ slope: 0, uSlope: null });
		expect(() => blandAltman([8, 9], [8, 7])).toThrow(/at least 3/);
		expect(() => blandAltman([8, 9, 9], [8, 7])).toThrow(/no pairs/);
	});
	it('are too few to tell below eight', () => {
		expect(compareOverTime(pairs(7, 1.5), 0.4)).toMatchObject({ grade: 'cannot-tell', tooFew: true });
		expect(compareOverTime(pairs(8, 1.5), 0.4)).toMatchObject({ grade: 'differ', tooFew: false });
		expect(() => compareOverTime([], 0.4)).toThrow(RangeError);
	});
	it('agree where no difference that matters fits, and differ where none explains them', () => {
		expect(compareOverTime(pairs(12, 0.02), 0.4)).toMatchObject({ grade: 'agree', small: true });
		const apart = compareOverTime(pairs(12, 0.9), 0.4);
		expect(apart).toMatchObject({ grade: 'differ', small: false, withinClaims: false });
		expect(apart.difference).toBeCloseTo(0.9, 9);
		// A difference that both kits admit of is one all the same.
		const admitted = compareOverTime(
			pairs(12, 0.45).map(({ first, second }) => ({
				first: { ...first, uCommon: 0.3 },
				second: { ...second, uCommon: 0.3 }
			})),
			0.4
		);
		expect(admitted).toMatchObject({ grade: 'differ', withinClaims: true });
	});
	it('are judged wrongly in at most one of twenty, and rightly where the bias is plain', () => {
		const random = seededRandom(4711);
		const share = (bias: number, hit: (grade: string) => boolean) => {
			let hits = 0;
			for (let run = 0; run < 400; run++) {
				const verdict = compareOverTime(
					pairs(10, bias, () => normalDeviate(random, 0, 0.17)),
					0.4
				);
				if (hit(verdict.grade)) hits++;
			}
			return hits / 400;
		};
		expect(share(0, (g) => g === 'differ')).toBeLessThanOrEqual(0.05);
		expect(share(0.4, (g) => g === 'agree')).toBeLessThanOrEqual(0.05);
		// Four standard uncertainties of the mean difference.
		expect(share((4 * 0.17) / Math.sqrt(10), (g) => g === 'differ')).toBeGreaterThanOrEqual(0.8);
	});
	it('of one sample count what is common to each kit as well', () => {
		expect(compareOnce([read(8.3)], [read(8)], 0.4).grade).toBe('cannot-tell');
		expect(compareOnce([read(9.3), read(9.4)], [read(8), read(8.1)], 0.4)).toMatchObject({
			grade: 'differ',
			withinClaims: false,
			n: 2
		});
		expect(() => compareOnce([], [read(8)], 0.4)).toThrow(RangeError);
		expect(differenceThatMatters('nitrate', 20)).toBe(5);
		expect(differenceThatMatters('calcium', 430)).toBe(15);
	});
});

describe('which is likelier off', () => {
	it('is the one of which less is known, and the one that a standard found off', () => {
		const apart = { value: 0.9, u: 0.08 };
		expect(likelierOff(apart, { bias: 0, u: 0.1 }, { bias: 0, u: 0.4 }).suspect).toBe('second');
		expect(likelierOff(apart, { bias: 0, u: 0.3 }, { bias: 0, u: 0.3 }).suspect).toBeNull();
		expect(likelierOff(apart, { bias: 0.85, u: 0.1 }, { bias: 0.02, u: 0.1 }).suspect).toBe('first');
		expect(() => likelierOff(apart, { bias: 0, u: 0 }, { bias: 0, u: 1 })).toThrow(RangeError);
	});
	it('is what drawing errors at random gives', () => {
		const random = seededRandom(99);
		const [a, b, d] = [
			{ bias: 0.1, u: 0.25 },
			{ bias: -0.1, u: 0.4 },
			{ value: 0.6, u: 0.1 }
		];
		let weight = 0;
		let first = 0;
		for (let i = 0; i < 60_000; i++) {
			const x = normalDeviate(random, a.bias, a.u);
			const y = normalDeviate(random, b.bias, b.u);
			const w = Math.exp(-0.5 * ((x - y - d.value) / d.u) ** 2);
			weight += w;
			if (Math.abs(x) > Math.abs(y)) first += w;
		}
		expect(likelierOff(d, a, b).first).toBeCloseTo(first / weight, 1);
	});
});

describe('pairing', () => {
	const at = (hours: number) => instant(hours * 3_600_000);
	const reading = (id: string, hours: number, rest: Partial<ComparableReading> = {}): ComparableReading => ({
		id,
		sampleId: id,
		drawnAt: at(hours),
		kit: 'k',
		reader: 'r',
		...read(8),
		...rest
	});
	it('takes the nearest, each once, and nothing that is hours apart', () => {
		const found = pairsOf(
			[reading('a', 0), reading('b', 1.5), reading('c', 30)],
			[reading('x', 1.4), reading('y', 0.2), reading('z', 40)]
		);
		expect(found.map((p) => p.first.id + p.second.id)).toEqual(['ay', 'bx']);
	});
	it('knows one sample however late it was read', () => {
		const found = pairsOf(
			[reading('a', 0, { sampleId: 's' })],
			[reading('x', 9, { sampleId: 's' }), reading('y', 0.1)]
		);
		expect(found.map((p) => p.second.id)).toEqual(['x']);
	});
	it('counts repeats of one sample as one occasion', () => {
		const repeats = pairsOf(
			[reading('a', 0, { sampleId: 's', value: 8.2 }), reading('b', 0.1, { sampleId: 's', value: 8.4 })],
			[
				reading('x', 0.2, { sampleId: 's', value: 8 }),
				reading('y', 0.3, { sampleId: 's', value: 8.2 }),
				reading('z', 40)
			]
		);
		const [occasion, ...others] = occasionsOf(repeats);
		expect(others).toEqual([]);
		expect(occasion!.first.value).toBeCloseTo(8.3, 9);
		// Chance is averaged down, what is common to the kit is not.
		expect(occasion!.first.uRandom).toBeCloseTo(0.12 / Math.SQRT2, 9);
		expect(occasion!.first.uCommon).toBeCloseTo(0.1, 9);
	});
	it('tells what changes together', () => {
		const both = pairsOf(
			[reading('a', 0, { reader: 'Keeper', kit: 'syringe' })],
			[reading('x', 1, { reader: 'Helper', kit: 'display' })]
		);
		expect(confounds(both, 'kit')).toEqual(['reader', 'sample']);
		expect(confounds(both, 'reader')).toEqual(['kit', 'sample']);
		expect(confounds([], 'kit')).toEqual([]);
		const clean = pairsOf([reading('a', 0)], [reading('x', 0.1, { kit: 'display' })]);
		expect(confounds(clean, 'kit')).toEqual([]);
	});
});

describe('what to do next', () => {
	const apart: ComparisonState = {
		verdict: { grade: 'differ', tooFew: false, withinClaims: false, small: false, n: 12 },
		confounds: [],
		repeated: false,
		checked: 0,
		referee: false,
		suspect: false
	};
	it('goes from the same sample over repeats and a standard to a laboratory', () => {
		expect(nextStepFor({ ...apart, confounds: ['sample'] })).toBe('same-sample');
		expect(nextStepFor(apart)).toBe('repeat-both');
		expect(nextStepFor({ ...apart, repeated: true })).toBe('run-standard');
		expect(nextStepFor({ ...apart, repeated: true, checked: 2 })).toBe('send-to-laboratory');
		expect(nextStepFor({ ...apart, repeated: true, checked: 1, suspect: true })).toBe('correct-or-retire');
		expect(nextStepFor({ ...apart, repeated: true, referee: true })).toBe('correct-or-retire');
	});
	it('lets be what agrees or hardly matters, and asks for more where nobody can tell', () => {
		const with_ = (verdict: Partial<ComparisonState['verdict']>) =>
			nextStepFor({ ...apart, verdict: { ...apart.verdict, ...verdict } });
		expect(with_({ grade: 'agree' })).toBe('go-on');
		expect(with_({ small: true })).toBe('go-on');
		expect(with_({ grade: 'cannot-tell', n: 1 })).toBe('repeat-both');
		expect(with_({ grade: 'cannot-tell', n: 5 })).toBe('more-pairs');
	});
});
