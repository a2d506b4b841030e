import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALK_DROPS, ALK_SYRINGE, CA_MG_PAIR, NO3_CARD, PO4_CARD, SHIPPED_METHODS } from '../method/index.ts';
import { seededRandom } from '../numeric/index.ts';
import { learnedPriors, USUAL_PRIORS } from '../plausibility/index.ts';
import { deriveWith, pointOf, type RawReading } from '../reading/index.ts';
import { addDays, instant } from '../time/index.ts';
import { shareTold, type PractisingReader } from '../tank/index.ts';
import {
	answersOn,
	CLEAR_DAY,
	countExercise,
	knownReader,
	LINES,
	linesKnown,
	MISREADINGS,
	MOST_QUESTIONS,
	nextOdd,
	nextPair,
	ODD_QUESTIONS,
	oddOne,
	pairsKnown,
	saidScores,
	SCALES,
	scaleExercise,
	scaleOf,
	scoreOfScale,
	slipsInPractice,
	subjectKey,
	weakestLine,
	whatNext,
	type OddAnswer,
	type PairAnswer,
	type ReaderDecision,
	type Trial
} from './index.ts';

const now = instant(1_790_000_000_000);
const css = NO3_CARD.colourSteps.map((s) => s.colour.css);
const eyed = (colourNoise: number, vision: PractisingReader['vision'] = 'usual'): PractisingReader => ({
	bias: 0,
	spread: 1,
	lapses: 0,
	learns: 0,
	tires: 0,
	colourNoise,
	vision,
	severity: 1
});

describe('pairs of colour steps', () => {
	const asked = (reader: PractisingReader, seed: number, colours = css) => {
		const random = seededRandom(seed);
		const answers: PairAnswer[] = [];
		for (let pair = nextPair(colours, answers); pair !== null; pair = nextPair(colours, answers)) {
			answers.push({ pair, right: random() < shareTold(reader, colours[pair]!, colours[pair + 1]!) });
		}
		return answers;
	};
	it('are asked about until enough is known, and never more than forty times', () => {
		for (let seed = 0; seed < 8; seed++) {
			const answers = asked(eyed(seed < 4 ? 2 : 20), seed);
			expect(answers.length).toBeLessThanOrEqual(MOST_QUESTIONS);
			expect(new Set(answers.map((a) => a.pair)).size).toBe(css.length - 1);
		}
	});
	it('are told by an eye that sees, and mixed up by one that guesses', () => {
		const sees = pairsKnown(css, asked(eyed(2), 1));
		expect(sees.every((p) => p.verdict === 'told')).toBe(true);
		const guesses = pairsKnown(css, asked(eyed(400), 2));
		expect(guesses.filter((p) => p.verdict === 'mixed up').length).toBeGreaterThan(3);
	});
	it('settle sooner where all is plain', () => {
		expect(asked(eyed(1.5), 3).length).toBeLessThan(asked(eyed(9), 3).length);
	});
	it('say nothing of what was not asked', () => {
		expect(pairsKnown(css, []).every((p) => p.verdict === 'not yet known' && p.asked === 0)).toBe(true);
	});
});

describe('telling colours apart', () => {
	const answersOf = (weak: (typeof LINES)[number] | null, seed: number): OddAnswer[] => {
		const random = seededRandom(seed);
		const answers: OddAnswer[] = [];
		for (let next = nextOdd(answers); next !== null; next = nextOdd(answers)) {
			const threshold = next.line === weak ? 22 : 5;
			const seen = 1 - Math.exp(-((next.distance / threshold) ** 2));
			answers.push({ ...next, right: random() < 0.25 + 0.74 * seen });
		}
		return answers;
	};
	it('asks each line equally often, then ends', () => {
		const answers = answersOf(null, 1);
		expect(answers).toHaveLength(LINES.length * ODD_QUESTIONS);
		for (const line of LINES) expect(answers.filter((a) => a.line === line)).toHaveLength(ODD_QUESTIONS);
	});
	it('finds a line that is seen much less, and mostly none where all are alike', () => {
		for (const line of LINES) expect(weakestLine(answersOf(line, 5))).toBe(line);
		const accused = Array.from({ length: 30 }, (_, s) => weakestLine(answersOf(null, s))).filter(
			(w) => w !== null
		);
		expect(accused.length).toBeLessThan(6);
		expect(linesKnown(answersOf('middle', 2)).find((l) => l.line === 'middle')!.threshold).toBeGreaterThan(
			10
		);
	});
	it('shows four patches of which one lies off, light and dark telling nothing', () => {
		const { patches, odd } = oddOne(seededRandom(3), 'long', 20);
		expect(patches).toHaveLength(4);
		const greys = patches.map((css) => {
			const [r, g, b] = css.match(/\d+/g)!.map(Number);
			return Math.max(r!, g!, b!) - Math.min(r!, g!, b!) < 3;
		});
		expect(greys.map((grey, i) => grey === (i !== odd))).toEqual([true, true, true, true]);
		expect(odd).toBeGreaterThanOrEqual(0);
		expect(odd).toBeLessThan(4);
	});
});

describe('scales', () => {
	it.each(SCALES)('%s: the truth is on the scale, and read exactly it is no error', (kind) => {
		fc.assert(
			fc.property(fc.integer(), (seed) => {
				const exercise = scaleExercise(seededRandom(seed), kind);
				expect(exercise.truth).toBeGreaterThanOrEqual(exercise.from);
				expect(exercise.truth).toBeLessThanOrEqual(exercise.to);
				expect(scoreOfScale(exercise, exercise.truth)).toEqual({ error: 0, slip: null });
				expect(exercise.decoys.every((d) => MISREADINGS.includes(d.slip))).toBe(true);
			}),
			{ numRuns: 60 }
		);
	});
	it('name what led to an answer, where it has a name, and nothing where it has none', () => {
		const exercise = scaleExercise(seededRandom(12), 'syringe');
		const swapped = exercise.decoys.find((d) => d.slip === 'left-for-used')!;
		if (Math.abs(swapped.value - exercise.truth) > 0.04) {
			expect(scoreOfScale(exercise, swapped.value).slip).toBe('left-for-used');
		}
		expect(scoreOfScale({ truth: 0.5, graduation: 0.01, decoys: [] }, 0.9)).toEqual({
			error: 40,
			slip: null
		});
	});
	it('teach the slip finder a little: a drill counts for less than a reading', () => {
		const trial = (slip: 'upside-down' | null): Trial => ({
			kind: 'scale',
			scale: 'syringe',
			graduation: 0.01,
			truth: 0.38,
			answer: slip ? 0.42 : 0.38,
			slip
		});
		const { confirmed, readings } = slipsInPractice([
			trial('upside-down'),
			trial('upside-down'),
			trial(null)
		]);
		expect(readings).toBeLessThan(1);
		const priors = learnedPriors(confirmed, readings);
		expect(priors['upside-down']).toBeGreaterThan(USUAL_PRIORS['upside-down']);
		expect(priors['upside-down']).toBeLessThan(2 * USUAL_PRIORS['upside-down']);
	});
	it('belong to the methods that are read on them', () => {
		expect(scaleOf(ALK_SYRINGE)).toBe('syringe');
		expect(scaleOf(ALK_DROPS)).toBeNull();
		const kinds = SHIPPED_METHODS.map(scaleOf);
		expect(kinds).toContain('float');
		expect(kinds).toContain('line');
	});
});

describe('counting', () => {
	it('has as many drops as it says, poured ones among them', () => {
		fc.assert(
			fc.property(fc.integer(), fc.boolean(), (seed, disturbed) => {
				const { events, drops } = countExercise(seededRandom(seed), disturbed);
				const fell = events.reduce(
					(n, e) => n + (e.what === 'drop' ? 1 : e.what === 'pour' ? e.amount! : 0),
					0
				);
				expect(fell).toBe(drops);
				if (!disturbed) expect(events.every((e) => e.what === 'drop')).toBe(true);
			}),
			{ numRuns: 80 }
		);
	});
});

describe('what is used of a reader', () => {
	const eye = { bias: 1, uBias: 0.3, spread: 0.5 };
	const subject = { kind: 'end-point', methodCode: 'alk-syringe', titration: 0 } as const;
	const use = (from: number | null, bias = 1): ReaderDecision => ({
		subject,
		finding: { ...subject, eye: { ...eye, bias } },
		from: from === null ? null : addDays(now, from)
	});
	const biasOf = (decisions: readonly ReaderDecision[], day: number) =>
		knownReader(ALK_SYRINGE, decisions, addDays(now, day))?.endPoints.alkalinity?.bias;
	it('holds from its day on, and not before; for all where it says so; no more where it was taken back', () => {
		expect(biasOf([use(0)], -1)).toBeUndefined();
		expect(biasOf([use(0)], 1)).toBe(1);
		expect(biasOf([use(null)], -900)).toBe(1);
		expect(biasOf([use(0, 1), use(5, 2)], 3)).toBe(1);
		expect(biasOf([use(0, 1), use(5, 2)], 6)).toBe(2);
		expect(biasOf([use(null), { subject, finding: null, from: null }], 3)).toBeUndefined();
	});
	it('concerns its own kit alone', () => {
		expect(knownReader(ALK_DROPS, [use(null)], now)).toBeUndefined();
		expect(subjectKey(subject)).toBe('end-point/alk-syringe/0');
	});

	const reading: RawReading = {
		form: 'syringe',
		portion: 'full',
		readAs: 'used',
		fills: [{ startMl: 1, end: { lowerMl: 0.58, upperMl: 0.58 } }],
		sure: true
	};
	const by = (own: Partial<typeof eye> | null, r: RawReading = reading) => {
		const reader = own
			? { endPoints: { alkalinity: { ...eye, ...own } }, scale: null, mixedUp: [] }
			: undefined;
		const derived = deriveWith(ALK_SYRINGE, r, { droppers: {}, corrections: {}, reader });
		if (!derived.ok) throw new Error(derived.fault.code);
		return derived.value.outcomes[0];
	};
	const drop = 5 * 2.80385 * 0.015;
	it('takes the bias off, and narrows or widens as the eye is', () => {
		const plain = pointOf(by(null).result)!;
		const own = pointOf(by({}).result)!;
		expect(plain.value - own.value).toBeCloseTo(drop, 3);
		expect(own.uRandom).toBeLessThan(plain.uRandom);
		expect(own.uCommon).toBeGreaterThan(plain.uCommon);
		const shaky = pointOf(by({ spread: 2.5 }).result)!;
		expect(shaky.uRandom).toBeGreaterThan(plain.uRandom);
	});
	it('is told in arithmetic and budget, and the budget adds up to the result', () => {
		const outcome = by({});
		expect(outcome.arithmetic.find((l) => l.kind === 'own-eye')).toMatchObject({ meter: 'syringe' });
		const sources = outcome.components.map((c) => c.source);
		expect(sources).toContain('own-bias');
		const point = pointOf(outcome.result)!;
		const all = Math.hypot(...outcome.components.map((c) => c.u));
		expect(all).toBeCloseTo(Math.hypot(point.uRandom, point.uCommon), 9);
	});
	it('says nothing of somebody who stops by another rule', () => {
		const hinted = { ...reading, endPoint: 'first-hint' } as RawReading;
		expect(by({}, hinted).result).toEqual(by(null, hinted).result);
	});
	it('says nothing of an end that moved on when it was watched again, and all of one that stood', () => {
		const watched = (addedAfter: number) => ({ ...reading, addedAfter }) as RawReading;
		expect(by({}, watched(0.03)).result).toEqual(by(null).result);
		expect(by({}, watched(0)).result).toEqual(by({}).result);
		for (const impossible of [-0.01, 0.6, Number.NaN]) {
			const derived = deriveWith(ALK_SYRINGE, watched(impossible), null);
			expect(derived).toMatchObject({ ok: false, fault: { field: 'addedAfter' } });
		}
	});
	it('gives back to the second titration what the first took from it', () => {
		const pair: RawReading = {
			form: 'pair',
			portion: 'full',
			first: { readAs: 'used', fills: [{ startMl: 1, end: { lowerMl: 0.8, upperMl: 0.8 } }], sure: true },
			second: { readAs: 'used', fills: [{ startMl: 1, end: { lowerMl: 0.84, upperMl: 0.84 } }], sure: true }
		};
		const magnesium = (first: number) => {
			const endPoints = { calcium: { ...eye, bias: first }, magnesium: { ...eye, bias: 0 } };
			const reader = { endPoints, scale: null, mixedUp: [] };
			const derived = deriveWith(CA_MG_PAIR, pair, { droppers: {}, corrections: {}, reader });
			return pointOf((derived.ok ? derived.value.outcomes[1] : undefined)!.result)!.value;
		};
		expect(magnesium(2)).toBeGreaterThan(magnesium(0));
	});
	it('tells two steps as either of both where they are taken for each other', () => {
		const on = (index: number, mixedUp: readonly number[]) => {
			const r: RawReading = {
				form: 'step',
				portion: 'full',
				at: { kind: 'on', index },
				between: 'interpolate',
				blank: false
			};
			const reader = { endPoints: {}, scale: null, mixedUp };
			const derived = deriveWith(PO4_CARD, r, { droppers: {}, corrections: {}, reader });
			const result = derived.ok ? derived.value.outcomes[0].result : null;
			return result?.kind === 'interval' ? result : null;
		};
		const plain = on(1, [])!;
		const mixed = on(1, [1])!;
		expect(mixed.upper).toBeGreaterThan(plain.upper);
		expect(mixed.lower).toBe(plain.lower);
		expect(mixed.best).toBe(plain.best);
		expect(on(1, [3])).toEqual(plain);
	});
});

describe('answers', () => {
	const trial = (mode: 'slow' | 'plain', stoppedMl: number): Trial => ({
		kind: 'end-point',
		methodCode: 'alk-syringe',
		titration: 0,
		mode,
		changeMl: 0.5,
		stoppedMl,
		lastDropMl: 0.015,
		dropMl: 0.015,
		around: CLEAR_DAY,
		tookS: 30
	});
	const subject = { kind: 'end-point', methodCode: 'alk-syringe', titration: 0 } as const;
	it('count from the middle of the last drop; a lesson with the curve measures nobody', () => {
		const answers = answersOn(subject, [trial('slow', 0.6), trial('plain', 0.53)]);
		expect(answers).toHaveLength(1);
		expect(answers[0]!.error).toBeCloseTo(1.5, 9);
	});
});

describe('what is worth practising', () => {
	const of = (code: string, given: object) => ({
		subject: { kind: 'end-point', methodCode: code, titration: 0 } as const,
		readings: 10,
		share: 0.8,
		u: 1,
		bestU: 0.33,
		days: [],
		...given
	});
	const codes = (list: ReturnType<typeof whatNext>) =>
		list.map((w) => (w.subject.kind === 'end-point' ? w.subject.methodCode : ''));
	it('is what narrows most, of what is due; what was practised waits longer each time', () => {
		const all = [
			of('seldom', { readings: 1 }),
			of('often', {}),
			of('fresh', { readings: 50, days: [now] }),
			of('never-read', { readings: 0 })
		];
		expect(codes(whatNext(all, now))).toEqual(['often', 'seldom', 'fresh']);
		const waits = [1, 2, 3].map((n) => {
			const [one] = whatNext([of('x', { days: Array.from({ length: n }, () => now) })], now);
			return one!.dueAt - now;
		});
		expect(waits[1]!).toBeGreaterThan(waits[0]!);
		expect(waits[2]!).toBeGreaterThan(waits[1]!);
	});
	it('narrows nothing where the eye is as good as eyes are', () => {
		expect(whatNext([of('x', { u: 0.3 })], now)).toEqual([]);
	});
});

describe('what was said before', () => {
	it('is scored by whether it held, how much was given, and how far off it was', () => {
		const said = [
			{ expected: 8, give: 0.5, read: 8.2, estimate: { value: 8.1, sd: 0.2 } },
			{ expected: 8, give: 0.5, read: 9, estimate: null }
		];
		const { own, estimate } = saidScores(said);
		expect(own).toMatchObject({ times: 2, within: 0.5, give: 0.5 });
		expect(own!.off).toBeCloseTo(0.6, 9);
		// 2·0.5 of width each, and 20 times the half that lay outside of one of both.
		expect(own!.score).toBeCloseTo((1 + 1 + 20 * 0.5) / 2, 9);
		expect(estimate!.times).toBe(1);
		expect(saidScores([])).toEqual({ own: null, estimate: null });
	});
});
