import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inputsOf, type WaterEvent } from '../../balance/index.ts';
import { addDays, instant } from '../../time/index.ts';
import {
	addedBy,
	amountFor,
	carbonateCourse,
	COMPOUND_IDS,
	COMPOUNDS,
	effectOf,
	highestPh,
	largestPortion,
	MOST_OMEGA,
	MOST_PH_TOTAL,
	planDoses,
	raisedBy,
	riseIn,
	SATURATED_LIMEWATER,
	strengthOf,
	unitOf,
	type Goal,
	type PlanGiven,
	type RaisedParameter,
	type Supplement,
	type WaterNow
} from '../index.ts';

const reef: WaterNow = {
	volumeL: { value: 540, u: 20 },
	fresh: false,
	animals: true,
	levels: {
		alkalinity: { value: 6.9, u: 0.1 },
		calcium: { value: 401, u: 4 },
		magnesium: { value: 1290, u: 15 },
		potassium: { value: 380, u: 6 },
		nitrate: { value: 5, u: 1 },
		phosphate: { value: 0.05, u: 0.01 },
		salinity: { value: 35, u: 0.3 },
		temperature: { value: 25, u: 0.2 },
		ph: { value: 8.2, u: 0.05 }
	}
};
const soda: Supplement = { kind: 'salt', compound: 'Na2CO3', purity: 0.99 };
const bicarbonate: Supplement = { kind: 'salt', compound: 'NaHCO3', purity: 0.99 };
const chloride: Supplement = {
	kind: 'solution',
	parts: [{ compound: 'CaCl2.2H2O', gramsPerL: 300, purity: 0.98 }]
};
const goal = (over: Partial<Goal> = {}): Goal => ({
	parameter: 'alkalinity',
	from: reef.levels.alkalinity!,
	aim: 8.2,
	drift: { value: -0.02, u: 0.02 },
	readingU: 0.1,
	supplementId: 'soda',
	supplement: soda,
	...over
});
const calciumGoal = goal({
	parameter: 'calcium',
	from: reef.levels.calcium!,
	aim: 430,
	drift: { value: -0.3, u: 0.3 },
	supplementId: 'chloride',
	supplement: chloride
});
const limits = { alkalinity: 0.5, calcium: 20, magnesium: 50, potassium: 10, nitrate: 2, phosphate: 0.02 };
const given = (goals: readonly Goal[], over: Partial<PlanGiven> = {}): PlanGiven => ({
	water: reef,
	goals,
	limits,
	surprising: [],
	dosed: {},
	besides: {},
	givenToday: {},
	answers: {},
	looked: false,
	...over
});

/** Everything that can raise something. */
const anySupplement: fc.Arbitrary<Supplement> = fc.oneof(
	fc.constantFrom(...COMPOUND_IDS).map((compound): Supplement => ({ kind: 'salt', compound, purity: 0.97 })),
	fc
		.constantFrom(...COMPOUND_IDS)
		.map((compound): Supplement => ({ kind: 'solution', parts: [{ compound, gramsPerL: 40, purity: 1 }] })),
	fc
		.record({
			parameter: fc.constantFrom<RaisedParameter>('alkalinity', 'calcium', 'magnesium', 'nitrate'),
			risePer100L: fc.double({ min: 0.01, max: 2, noNaN: true }),
			form: fc.constantFrom('bicarbonate', 'carbonate', 'hydroxide', 'unknown')
		})
		.map(({ parameter, risePer100L, form }): Supplement => ({
			kind: 'product',
			unit: 'ml',
			strength: [{ parameter, risePer100L }],
			form: form as 'carbonate',
			from: 'label',
			relativeU: 0.1
		})),
	fc.constant(SATURATED_LIMEWATER)
);
const START = { alkalinity: 7, calcium: 400, magnesium: 1250, potassium: 370, nitrate: 1, phosphate: 0.01 };
const SPAN = { alkalinity: 2, calcium: 60, magnesium: 150, potassium: 40, nitrate: 8, phosphate: 0.08 };

/** A goal for something that the supplement raises. */
const anyGoal = anySupplement
	.filter((s) => raisedBy(s).length > 0)
	.chain((supplement) =>
		fc
			.record({
				parameter: fc.constantFrom(...raisedBy(supplement)),
				share: fc.double({ min: 0.05, max: 1, noNaN: true }),
				drift: fc.double({ min: -0.1, max: 0.05, noNaN: true })
			})
			.map(({ parameter, share, drift }): Goal => {
				const from = { value: START[parameter], u: SPAN[parameter] / 40 };
				return {
					parameter,
					from,
					aim: from.value + share * SPAN[parameter],
					drift: { value: drift * SPAN[parameter], u: 0.01 * SPAN[parameter] },
					readingU: from.u,
					supplementId: 'it',
					supplement
				};
			})
	);

describe('a plan', () => {
	it('reaches its aim, in equal parts, each day within the limit', () => {
		const plan = planDoses(given([goal()]));
		expect(plan.refusals).toEqual([]);
		expect(plan.days).toBe(3);
		const end = plan.courses[0]!.points[plan.days]!;
		expect(end.value).toBeCloseTo(8.2, 6);
		for (const dose of plan.doses) expect(dose.rise - 0.02).toBeLessThan(0.5);
		// Planned below the limit, for a volume and a strength that may be off.
		expect(1.3 / plan.days).toBeLessThan(0.5 / 1.09);
	});
	it('of any salt or product adds what arrives, to the last milligram', () => {
		fc.assert(
			fc.property(anyGoal, (one) => {
				const plan = planDoses(given([one]));
				const volumeL = reef.volumeL.value;
				const { whole } = addedBy(plan.doses, [one], volumeL);
				const start = instant(0);
				const events: WaterEvent[] = plan.doses.map((d) => ({
					kind: 'dose',
					at: addDays(start, d.day + 0.5),
					amountMl: d.amount,
					strength: strengthOf(one.supplement)
				}));
				for (const parameter of raisedBy(one.supplement)) {
					const arrived = inputsOf(events, parameter, volumeL, addDays(start, 200)).reduce(
						(sum, i) => sum + (i.kind === 'step' ? i.amount : 0),
						0
					);
					const sum = plan.doses.reduce(
						(total, d) => total + riseIn(effectOf(one.supplement, d.amount, volumeL), parameter),
						0
					);
					expect(riseIn(whole, parameter)).toBeCloseTo(sum, 8);
					expect(arrived).toBeCloseTo(sum, 5);
				}
				const refused = plan.refusals.length > 0;
				if (!refused) {
					const end = plan.courses[0]!.points[plan.days]!;
					expect(end.value).toBeCloseTo(one.aim, 6);
				} else expect(plan.doses).toEqual([]);
			}),
			{ numRuns: 300 }
		);
	});
	it('never passes a daily limit, its own or that of what comes along', () => {
		fc.assert(
			fc.property(anyGoal, (one) => {
				const plan = planDoses(given([one]));
				const volumeL = reef.volumeL.value;
				for (const dose of plan.doses) {
					const effect = effectOf(one.supplement, dose.amount, volumeL);
					for (const parameter of raisedBy(one.supplement)) {
						const net =
							parameter === one.parameter
								? riseIn(effect, parameter) + one.drift.value
								: riseIn(effect, parameter);
						expect(net).toBeLessThanOrEqual(limits[parameter] * (1 + 1e-6));
					}
				}
			}),
			{ numRuns: 300 }
		);
	});
	it('adds no more at one time than pH and saturation bear, even where pH was not read', () => {
		const { ph: _unread, ...levels } = reef.levels;
		const water = { ...reef, levels };
		fc.assert(
			fc.property(
				fc.double({ min: 6, max: 11, noNaN: true }),
				fc.constantFrom(soda, bicarbonate, SATURATED_LIMEWATER),
				fc.double({ min: 0.2, max: 6, noNaN: true }),
				(alkalinity, supplement, rise) => {
					const now = { ...water, levels: { ...levels, alkalinity: { value: alkalinity, u: 0.1 } } };
					const wanted = amountFor(supplement, 'alkalinity', rise, 540);
					const { most, by } = largestPortion(supplement, now, wanted);
					const course = carbonateCourse(now, highestPh(now), effectOf(supplement, most ?? wanted, 540));
					if (most !== 0) {
						expect(course.atOnce.phTotal).toBeLessThanOrEqual(MOST_PH_TOTAL + 1e-6);
						expect(course.atOnce.omegaAragonite).toBeLessThanOrEqual(MOST_OMEGA + 1e-6);
					}
					expect(most === null).toBe(by === null);
				}
			),
			{ numRuns: 120 }
		);
	});
	it('of a pair keeps both within their days, and tests them midway and at the end', () => {
		const plan = planDoses(given([goal(), calciumGoal]));
		expect(new Set(plan.doses.map((d) => d.parameter))).toEqual(new Set(['alkalinity', 'calcium']));
		expect(plan.tests.map((t) => t.why)).toEqual(['before', 'midway', 'end']);
		expect(plan.tests[0]!.parameters).toEqual(['alkalinity', 'calcium']);
		expect(plan.remarks).toContain('second-reading');
	});
	it('takes off what one dose brings of another', () => {
		const lime = { supplementId: 'lime', supplement: SATURATED_LIMEWATER };
		const calm = { value: 0, u: 0.001 };
		const plan = planDoses(
			given([
				goal({ ...lime, aim: 7.3, drift: calm }),
				goal({ ...calciumGoal, ...lime, aim: 401 + 0.4 * 7.147, drift: calm })
			])
		);
		// All of the calcium came with the alkalinity.
		expect(plan.doses.every((d) => d.parameter === 'alkalinity')).toBe(true);
		expect(plan.refusals).toEqual([{ kind: 'nothing-to-do', parameter: 'calcium' }]);
	});
	it('is stretched where a salt brings more of something else than a day may', () => {
		const potash: Supplement = { kind: 'salt', compound: 'K2CO3', purity: 1 };
		const plan = planDoses(
			given([goal({ supplementId: 'potash', supplement: potash })], { limits: { ...limits, potassium: 4 } })
		);
		expect(plan.remarks).toContain('stretched');
		for (const dose of plan.doses) {
			expect(riseIn(effectOf(potash, dose.amount, 540), 'potassium')).toBeLessThanOrEqual(4);
		}
	});
	it('says what it cannot do, and what can be reached', () => {
		expect(planDoses(given([goal({ aim: 6 })])).refusals).toEqual([
			{ kind: 'cannot-lower', parameter: 'alkalinity' }
		]);
		const rising = planDoses(given([goal({ aim: 7.1, drift: { value: 0.2, u: 0.01 } })]));
		expect(rising.refusals[0]).toMatchObject({ kind: 'rises-by-itself' });
		const far = planDoses(given([goal({ aim: 8.2 })], { limits: { alkalinity: 0.01 } }));
		expect(far.refusals[0]).toMatchObject({ kind: 'too-far', nearest: expect.closeTo(7.125, 3) });
		const charged = planDoses(
			given([goal({ aim: 14, from: { value: 11, u: 0.1 } })], {
				water: {
					...reef,
					levels: { ...reef.levels, ph: { value: 8.6, u: 0.05 }, alkalinity: { value: 11, u: 0.1 } }
				},
				limits: {}
			})
		);
		expect(charged.refusals[0]).toMatchObject({ kind: 'overcharged' });
	});
	it('without animals is held by chemistry alone', () => {
		const plan = planDoses(
			given([goal({ supplement: bicarbonate, supplementId: 'b' })], {
				limits: { alkalinity: null },
				water: { ...reef, animals: false }
			})
		);
		expect(plan.days).toBe(1);
		expect(plan.remarks).not.toContain('second-reading');
		const mad = planDoses(given([goal({ aim: 30 })], { limits: {}, water: { ...reef, animals: false } }));
		expect(mad.refusals).toEqual([{ kind: 'beyond-bacteria', parameter: 'alkalinity', nearest: 14 }]);
	});
	it('names what it had to assume, and widens by it', () => {
		const { ph: _ph, salinity: _salinity, ...levels } = reef.levels;
		const guessed = { ...reef, volumeL: { value: 540, u: 54, assumed: true }, levels };
		const plan = planDoses(given([goal()], { water: guessed }));
		expect(plan.moves.assumed).toEqual(expect.arrayContaining(['volume', 'ph', 'salinity']));
		const known = planDoses(given([goal()]));
		expect(plan.days).toBeGreaterThan(known.days);
		const spread = (p: typeof plan) => p.moves.rows.find((r) => r.what === 'ph-at-once')!.u;
		expect(spread(plan)).toBeGreaterThan(spread(known));
	});
	it('takes a drift that is seen out of the daily dose, and leaves one that is not', () => {
		const falling = planDoses(given([goal({ drift: { value: -0.2, u: 0.05 } })]));
		expect(falling.retunes).toEqual([
			expect.objectContaining({ parameter: 'alkalinity', risePerDay: 0.2, unit: 'g' })
		]);
		expect(falling.retunes[0]!.amountPerDay).toBeGreaterThan(0);
		expect(falling.courses[0]!.points[falling.days]!.value).toBeCloseTo(8.2, 6);
		expect(planDoses(given([goal({ drift: { value: -0.01, u: 0.05 } })])).retunes).toEqual([]);
		const rising = planDoses(given([goal({ aim: 9, drift: { value: 0.1, u: 0.02 } })]));
		expect(rising.retunes[0]!.amountPerDay).toBeLessThan(0);
	});
	it('reads as often as a weak product asks for, up to three times', () => {
		const repeats = (readingU: number) => planDoses(given([goal({ readingU })])).tests.at(-1)!.repeats;
		expect(repeats(0.05)).toBe(1);
		expect(repeats(0.14)).toBe(2);
		expect(repeats(1)).toBe(3);
	});
	it('says when the kit cannot tell that anything is wrong', () => {
		const plan = planDoses(given([goal({ aim: 7.0 })]));
		expect(plan.remarks).toContain('cannot-tell');
	});
});

describe('everything that moves', () => {
	const state: WaterNow = {
		volumeL: { value: 100, u: 1 },
		fresh: false,
		animals: true,
		levels: {
			alkalinity: { value: 8, u: 0.1 },
			calcium: { value: 420, u: 4 },
			salinity: { value: 35, u: 0.2 },
			temperature: { value: 25, u: 0.2 }
		}
	};
	// pH 8.05 on the total scale.
	const ph = 8.187;
	it.each([
		['NaHCO3', -0.06, 4.4],
		['Na2CO3', 0.23, 7.2]
	] as const)('%s for 1.4 dKH moves pH by %f and saturation to %f', (compound, change, omega) => {
		const supplement: Supplement = { kind: 'salt', compound, purity: 1 };
		const effect = effectOf(supplement, amountFor(supplement, 'alkalinity', 1.4, 100), 100);
		const course = carbonateCourse(state, ph, effect);
		expect(course.phAtOnce - course.phBefore).toBeCloseTo(change, 1);
		expect(course.atOnce.omegaAragonite).toBeCloseTo(omega, 0);
	});
	it('ends at one point, whatever the form, once carbon dioxide is back', () => {
		const laters = (['bicarbonate', 'carbonate', 'hydroxide'] as const).map((form) => {
			const supplement: Supplement = {
				kind: 'product',
				unit: 'ml',
				strength: [{ parameter: 'alkalinity', risePer100L: 0.1 }],
				form,
				from: 'label',
				relativeU: 0.1
			};
			return carbonateCourse(state, ph, effectOf(supplement, 14, 100)).later.phTotal;
		});
		expect(laters[1]).toBeCloseTo(laters[0]!, 6);
		expect(laters[2]).toBeCloseTo(laters[0]!, 6);
	});
	it('is neutral: a product of which only the aim is known brings its counter-ions', () => {
		const known: Supplement = { kind: 'salt', compound: 'CaCl2', purity: 1 };
		const byLabel: Supplement = {
			kind: 'product',
			unit: 'g',
			strength: [{ parameter: 'calcium', risePer100L: riseIn(effectOf(known, 1, 100), 'calcium') }],
			form: 'unknown',
			from: 'label',
			relativeU: 0.1
		};
		expect(effectOf(byLabel, 10, 100).ions.Cl).toBeCloseTo(effectOf(known, 10, 100).ions.Cl!, 6);
	});
	it('keeps what is weighed: an amount for a rise makes that rise, for every supplement', () => {
		fc.assert(
			fc.property(anySupplement, fc.double({ min: 0.01, max: 3, noNaN: true }), (supplement, rise) => {
				for (const parameter of raisedBy(supplement)) {
					const amount = amountFor(supplement, parameter, rise, 333);
					expect(riseIn(effectOf(supplement, amount, 333), parameter)).toBeCloseTo(rise, 9);
				}
				expect(['g', 'ml']).toContain(unitOf(supplement));
			})
		);
		expect(() => amountFor(soda, 'calcium', 1, 100)).toThrow(/brings no/);
		expect(Object.keys(COMPOUNDS)).toHaveLength(COMPOUND_IDS.length);
	});
});
