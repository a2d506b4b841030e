import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalDeviate, seededRandom } from '../../numeric/index.ts';
import { biasAt, stopOf, type PractisingReader } from '../../tank/index.ts';
import {
	eyeAtBench,
	eyeOf,
	NO_REAL_VIALS,
	priorOf,
	realVialsOf,
	SCREEN_BIAS_SD,
	worthOfStep,
	type Beside,
	type BlindReading
} from '../index.ts';
import { ALK_SYRINGE, K_FILTER } from '../../method/index.ts';

const reader: PractisingReader = {
	bias: 0.6,
	spread: 0.6,
	lapses: 0,
	learns: 0,
	tires: 0,
	colourNoise: 3,
	vision: 'usual',
	severity: 0
};
const answersOf = (n: number, seed: number, r = reader) => {
	const random = seededRandom(seed);
	return Array.from({ length: n }, (_, i) => ({ error: stopOf(random, r, i) }));
};

describe('an eye', () => {
	it('before it was tried is what is believed of anybody, and wide', () => {
		const { bias, spread, next } = eyeOf(priorOf(1), []);
		expect(bias.best).toBeCloseTo(0, 1);
		expect(bias.upper - bias.lower).toBeGreaterThan(8);
		expect(spread.best).toBeCloseTo(1, 0);
		expect(next.upper - next.lower).toBeGreaterThan(bias.upper - bias.lower);
	});
	it('is known better with every answer, by about the root of their number', () => {
		const widths = [4, 16, 64].map((n) => {
			const { bias } = eyeOf(priorOf(1), answersOf(n, 7));
			return bias.upper - bias.lower;
		});
		expect(widths[1]!).toBeLessThan(0.75 * widths[0]!);
		expect(widths[2]!).toBeLessThan(0.75 * widths[1]!);
	});
	it('is told as it is: bias and spread come out of forty answers', () => {
		const { bias, spread, u } = eyeOf(priorOf(1), answersOf(40, 3));
		expect(bias.best).toBeCloseTo(0.6, 0);
		expect(spread.best).toBeGreaterThan(0.4);
		expect(spread.best).toBeLessThan(0.85);
		expect(u).toBeGreaterThanOrEqual(spread.best);
	});
	it('is not thrown off by an answer that went astray', () => {
		const calm = answersOf(20, 5);
		const astray = [...calm.slice(0, 10), { error: 12 }, ...calm.slice(10)];
		const [a, b] = [eyeOf(priorOf(1), calm), eyeOf(priorOf(1), astray)];
		expect(Math.abs(a.bias.best - b.bias.best)).toBeLessThan(0.25);
		expect(b.lapses).toBeGreaterThan(a.lapses);
	});
	it('moves with its answers: all later by a step, the bias is later by a step', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 8, max: 20 }), (seed, n) => {
				const answers = answersOf(n, seed);
				const later = answers.map(({ error }) => ({ error: error + 1 }));
				const moved = eyeOf(priorOf(1), later).bias.best - eyeOf(priorOf(1), answers).bias.best;
				expect(moved).toBeGreaterThan(0.75);
				expect(moved).toBeLessThan(1.15);
			}),
			{ numRuns: 30 }
		);
	});
	it('at a new end point is believed to be like at related ones, and not quite', () => {
		const late = eyeOf(priorOf(1), answersOf(40, 2, { ...reader, bias: 2 }));
		const prior = priorOf(1, [late, late]);
		expect(prior.bias.mean).toBeGreaterThan(1.2);
		expect(prior.bias.mean).toBeLessThan(2.1);
		expect(prior.bias.sd).toBeGreaterThan(1);
		expect(prior.bias.sd).toBeLessThan(priorOf(1).bias.sd);
	});
	it('holds the truth in about 95 of a hundred, though stops are skewed and hands learn and tire', () => {
		const judged: PractisingReader = { ...reader, learns: 0.3, tires: 0.004, lapses: 0.03 };
		let bias = 0;
		let next = 0;
		const RUNS = 150;
		for (let seed = 0; seed < RUNS; seed++) {
			const random = seededRandom(seed);
			const answers = Array.from({ length: 20 }, (_, i) => ({ error: stopOf(random, judged, i) }));
			const eye = eyeOf(priorOf(1), answers);
			const truth = biasAt(judged, 20);
			bias += Number(truth >= eye.bias.lower && truth <= eye.bias.upper);
			const after = stopOf(random, judged, 20);
			next += Number(after >= eye.next.lower && after <= eye.next.upper);
		}
		for (const held of [bias, next]) expect(held / RUNS).toBeGreaterThan(0.88);
	});
});

describe('real vials', () => {
	const alone = (differences: readonly number[], uShared: number): Beside => ({
		differences,
		shared: 0,
		uShared,
		uEach: 0
	});
	const onScreen = eyeOf(priorOf(1), answersOf(40, 11));
	it('are not believed to be like the screen: what practice says is widened', () => {
		const { bias } = eyeAtBench(onScreen, NO_REAL_VIALS);
		expect(bias.sd).toBeGreaterThan(Math.hypot(onScreen.bias.sd, SCREEN_BIAS_SD) * 0.95);
		expect(bias.best).toBeCloseTo(onScreen.bias.best, 1);
	});
	it('weigh more the more of them there are, and practice less', () => {
		const random = seededRandom(1);
		const standards = (n: number) =>
			Array.from({ length: n }, () => alone([normalDeviate(random, -1, 0.6)], 0.3));
		const after = [1, 8, 30].map(
			(n) => eyeAtBench(onScreen, { ...NO_REAL_VIALS, standards: standards(n) }).bias.best
		);
		expect(after[0]!).toBeLessThan(onScreen.bias.best);
		expect(after[1]!).toBeLessThan(after[0]!);
		expect(after[2]!).toBeLessThan(after[1]!);
	});
	it('of one standard are never surer of the bias than the standard is; of as many standards they are', () => {
		const random = seededRandom(4);
		const errors = Array.from({ length: 40 }, () => normalDeviate(random, -1, 0.6));
		const wide = eyeOf(priorOf(1), []);
		const sd = (standards: readonly Beside[]) => eyeAtBench(wide, { ...NO_REAL_VIALS, standards }).bias.sd;
		expect(sd([alone(errors, 0.5)])).toBeGreaterThan(0.45);
		expect(sd(errors.map((e) => alone([e], 0.5)))).toBeLessThan(0.2);
	});
	it('that share nothing count as that many by themselves', () => {
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 1, maxLength: 9 }),
				(d) => {
					const of = (standards: readonly Beside[]) => eyeAtBench(onScreen, { ...NO_REAL_VIALS, standards });
					const [together, apart] = [of([alone(d, 0)]), of(d.map((x) => alone([x], 0)))];
					expect(together.bias.best).toBeCloseTo(apart.bias.best, 6);
					expect(together.u).toBeCloseTo(apart.u, 6);
				}
			),
			{ numRuns: 15 }
		);
	});
	it('that were watched again tell whoever stops early, and never more surely than a second look does', () => {
		const untried = eyeOf(priorOf(1), []);
		const after = (differences: readonly number[]) =>
			eyeAtBench(untried, { ...NO_REAL_VIALS, watched: { differences, shared: 0, uShared: 1, uEach: 1 } })
				.bias;
		const [once, often] = [after([-2]), after(Array.from({ length: 30 }, () => -2))];
		expect(once.best).toBeLessThan(-0.3);
		expect(often.best).toBeLessThan(once.best);
		expect(often.sd).toBeGreaterThan(0.8);
		expect(Math.abs(after([0, 0, 0, 0]).best)).toBeLessThan(0.1);
	});
	it('that repeat closely narrow the spread, and wide ones widen it', () => {
		const of = (d: number) =>
			eyeAtBench(onScreen, {
				...NO_REAL_VIALS,
				repeats: Array.from({ length: 8 }, (_, i) => (i % 2 ? d : -d))
			}).u;
		expect(of(0.2)).toBeLessThan(eyeAtBench(onScreen).u);
		expect(of(3)).toBeGreaterThan(eyeAtBench(onScreen).u);
	});

	const blind = (given: Partial<BlindReading>): BlindReading => ({
		sampleId: 's',
		readerId: 'me',
		madeWith: 'lot',
		value: 8,
		uCommon: 0.1,
		standard: null,
		addedAfter: null,
		...given
	});
	const other = () => ({ bias: 0, uBias: 1, spread: 1 });
	const stepWorth = worthOfStep(ALK_SYRINGE, ALK_SYRINGE.titration)!;
	it('are counted in drops, whatever the kit’s unit is', () => {
		expect(stepWorth).toBeCloseTo(5 * 2.80385 * 0.015, 3);
		const real = realVialsOf([blind({}), blind({ value: 8 + 2 * stepWorth })], 'me', stepWorth, other);
		expect(real.repeats[0]).toBeCloseTo(2, 6);
	});
	it('of a back-titration count the other way round: more titrant is less', () => {
		expect(worthOfStep(K_FILTER, K_FILTER.titration)!).toBeLessThan(0);
	});
	it('tell nothing of a reader by what others read, or by other lots', () => {
		const readings = [blind({ readerId: 'you' }), blind({ madeWith: 'other lot' }), blind({})];
		const real = realVialsOf(readings, 'me', stepWorth, other);
		expect(real.repeats).toEqual([]);
		expect(real.beside).toHaveLength(1);
		expect(realVialsOf([], 'me', stepWorth, other)).toEqual(NO_REAL_VIALS);
	});
	it('of one standard and lot, and of one other reader, go together', () => {
		const standard = { id: 'made', value: 8, u: 0.04 };
		const own = [1, 2, 3].map((n) => blind({ sampleId: `s${n}`, standard }));
		const theirs = [1, 2].map((n) => blind({ sampleId: `s${n}`, readerId: 'you' }));
		const real = realVialsOf(
			[...own, ...theirs, blind({ sampleId: 's4', madeWith: 'new', standard })],
			'me',
			stepWorth,
			other
		);
		expect(real.standards.map((g) => g.differences.length)).toEqual([3, 1]);
		expect(real.beside.map((g) => g.differences.length)).toEqual([2]);
		expect(real.watched).toBeNull();
	});
	it('that were watched again are told by what was added since', () => {
		const real = realVialsOf(
			[blind({ addedAfter: 2 }), blind({ sampleId: 't', addedAfter: 0 })],
			'me',
			stepWorth,
			other
		);
		expect(real.watched!.differences).toEqual([-2, -0]);
		// A standard is the better witness of the same stop, and of the first one.
		const standard = { id: 'made', value: 8, u: 0.04 };
		const known = realVialsOf([blind({ addedAfter: 2, standard })], 'me', stepWorth, other);
		expect(known.standards[0]!.differences[0]).toBeCloseTo(-2, 6);
		expect(known.watched).toBeNull();
	});
	it('of a standard tell by how much it is missed, and how well it is known', () => {
		const standard = { id: 'made', value: 8.1, u: 0.04 };
		const real = realVialsOf([blind({ value: 8.1 + stepWorth, standard })], 'me', stepWorth, other);
		expect(real.standards[0]!.differences[0]).toBeCloseTo(1, 6);
		expect(real.standards[0]!.uShared).toBeCloseTo(Math.hypot(0.04, 0.1) / stepWorth, 6);
	});
});
