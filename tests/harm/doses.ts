import {
	amountFor,
	answerOfDoses,
	carbonateCourse,
	dailyStep,
	driftOf,
	effectOf,
	highestPh,
	isSeen,
	largestPortion,
	MOST_OMEGA,
	MOST_PH_TOTAL,
	offeredFor,
	riseIn,
	SATURATED_LIMEWATER,
	type DosePlan,
	type Supplement,
	type WaterNow
} from '../../src/lib/core/correction/index.ts';
import { inputsOf } from '../../src/lib/core/balance/index.ts';
import { addDays, instant } from '../../src/lib/core/time/index.ts';
import { must, type Situation } from './situation.ts';
import {
	bound,
	goal,
	known,
	lived,
	LIMITS,
	mostADay,
	plan,
	product,
	REEF,
	saidBy,
	salt,
	SOFT,
	strengthOf,
	value,
	withLevels,
	without
} from './waters.ts';
import { knownFrom } from '../../src/lib/core/correction/index.ts';

/** What a day may change of alkalinity, dKH. */
const HALF = { up: 0.5, down: 0.5 };
const BICARBONATE = salt('NaHCO3');
const CARBONATE = salt('Na2CO3');
const CHLORIDE = salt('CaCl2.2H2O');
const alkalinity = (over: Parameters<typeof goal>[3] = {}, supplement: Supplement = BICARBONATE) =>
	goal('alkalinity', 8.2, supplement, over);

const refusedAs = (p: DosePlan, kind: string) => {
	must(
		p.refusals.some((r) => r.kind === kind),
		`not refused as ${kind}: ${saidBy(p)}`
	);
	must(p.doses.length === 0 && p.retunes.length === 0, `something is added: ${saidBy(p)}`);
	return saidBy(p);
};
const within = (p: DosePlan, parameter: keyof typeof LIMITS, besides = 0) => {
	const most = mostADay(p, parameter) + besides;
	must(most <= LIMITS[parameter] * (1 + 1e-9), `${most} of ${parameter} a day`);
	return saidBy(p);
};
/** No portion of a plan takes pH or saturation further than the water bears, however it is told. */
function borne(p: DosePlan, water: WaterNow, supplement: Supplement): string {
	for (const d of p.doses) {
		const course = carbonateCourse(
			water,
			highestPh(water),
			effectOf(supplement, d.amount / d.portions, water.volumeL.value)
		);
		must(course.atOnce.phTotal <= MOST_PH_TOTAL + 1e-6, `pH ${course.atOnce.phTotal} at once`);
		must(course.atOnce.omegaAragonite <= MOST_OMEGA + 1e-6, `saturation ${course.atOnce.omegaAragonite}`);
	}
	return saidBy(p);
}
const raisedIn = (water: WaterNow, supplement: Supplement, aim: number) =>
	plan([goal('alkalinity', aim, supplement, { water })], { water });

export const DAILY: readonly Situation[] = [
	{
		what: 'The dosing pump stops unseen: 8.2 falls to 4.4 dKH at 0.9 a day, with 1 dKH a day dosed',
		never: 'a larger daily dose, or a plan, before somebody looked at the pump',
		advised: () =>
			refusedAs(plan([alkalinity({ drift: known(-0.91, 0.1) })], { dosed: { alkalinity: 1 } }), 'ask-first')
	},
	{
		what: 'The same, and the pump was looked at and runs',
		never: 'more in a day, dose and plan together, than 0.5 dKH; a next test later than in two days',
		advised: () => {
			const p = plan([alkalinity({ from: known(4.4, 0.1), drift: known(-0.91, 0.1) })], {
				dosed: { alkalinity: 1 },
				looked: true
			});
			must(
				p.tests.some((t) => t.day > 0 && t.day <= 2),
				'no test within two days'
			);
			must(p.remarks.includes('not-caught-up'), 'it is not said that it goes on falling');
			return within(p, 'alkalinity');
		}
	},
	{
		what: 'The pump of the calcium part stops: 430 falls by 8 mg/L a day, with 9 dosed',
		never: 'calcium on top',
		advised: () =>
			refusedAs(
				plan([goal('calcium', 440, CHLORIDE, { drift: known(-8, 1) })], { dosed: { calcium: 9 } }),
				'ask-first'
			)
	},
	{
		what: 'Alkalinity falls by 3 dKH a day, nothing is dosed',
		never: 'a dose for a fall that no tank makes',
		advised: () => refusedAs(plan([alkalinity({ drift: known(-3, 0.3) })]), 'ask-first')
	},
	{
		what: 'Alkalinity rises by 0.8 dKH a day, nothing is dosed: a second pump, a valve, a wrong bottle',
		never: 'a dose on top',
		advised: () =>
			refusedAs(plan([goal('alkalinity', 12, BICARBONATE, { drift: known(0.8, 0.05) })]), 'ask-first')
	},
	{
		what: 'Alkalinity rises by 0.2 dKH a day by itself and is to come far up',
		never: 'a dose with which it rises by more than 0.5',
		advised: () =>
			within(plan([goal('alkalinity', 11, BICARBONATE, { drift: known(0.2, 0.02) })]), 'alkalinity', 0.2)
	},
	{
		what: 'It rises by nearly all that a day may change',
		never: 'anything on top',
		advised: () =>
			refusedAs(
				plan([goal('alkalinity', 14, BICARBONATE, { drift: known(0.45, 0.01) })], { looked: true }),
				'no-room'
			)
	},
	{
		what: 'A fall of 0.05 ± 0.1 dKH a day',
		never: 'a new daily dose for what may be chance',
		advised: () => {
			const p = plan([alkalinity({ drift: known(-0.05, 0.1) })]);
			must(p.retunes.length === 0, 'acted on chance');
			return within(p, 'alkalinity');
		}
	},
	{
		what: 'A fall of 0.2 ± 0.05 dKH a day',
		never: 'a dose set anew without a test within two days',
		advised: () => {
			const p = plan([alkalinity({ drift: known(-0.2, 0.05) })]);
			must(p.retunes.length === 1, 'the fall is not met');
			must(
				p.tests.some((t) => t.day > 0 && t.day <= 2),
				'no test within two days'
			);
			return within(p, 'alkalinity');
		}
	},
	{
		what: 'One reading while 1 dKH a day is dosed',
		never: 'that nothing is used, so that the dose is cut',
		advised: () => {
			const { estimate, now } = lived([[0, value('alkalinity', 8.2, 0.1)]], 1);
			const drift = driftOf(estimate, now);
			must(!isSeen(drift), `a drift of ${drift.value} ± ${drift.u} from one reading`);
			const p = plan([alkalinity({ drift })], { dosed: { alkalinity: 1 } });
			must(p.retunes.length === 0, 'the daily dose is changed by one reading');
			return saidBy(p);
		}
	},
	{
		what: 'The daily page: 1.9 dKH a day seem used, 1 is dosed',
		never: 'the whole difference at once',
		advised: () => {
			const step = dailyStep(1, known(1.9, 0.1), HALF);
			must(step.how === 'part' && step.risePerDay <= 1.5, `${step.risePerDay}`);
			return `Set it to bring ${step.risePerDay} dKH a day; test within two days, then the next step.`;
		}
	},
	{
		what: 'The daily page: 1.05 ± 0.1 used, 1 dosed',
		never: 'a new setting for a difference that is not seen',
		advised: () => {
			must(dailyStep(1, known(1.05, 0.1), HALF).how === 'leave', 'it is changed');
			return 'Leave it, and go on testing.';
		}
	},
	{
		what: 'The daily page: far less is used than is dosed (1 dosed, 0.1 used)',
		never: 'the dose cut to that at once',
		advised: () => {
			const step = dailyStep(1, known(0.1, 0.1), HALF);
			must(step.how === 'part' && step.risePerDay >= 0.5 - 1e-9, `${step.risePerDay}`);
			return `Set it to bring ${step.risePerDay} dKH a day; test within two days, then the next step.`;
		}
	},
	{
		what: 'A second plan for alkalinity while one adds 0.2 dKH a day',
		never: 'more than 0.5 of both together',
		advised: () => within(plan([alkalinity()], { besides: { alkalinity: 0.2 } }), 'alkalinity', 0.2)
	},
	{
		what: 'A second plan while one adds all that a day may change',
		never: 'anything besides',
		advised: () => refusedAs(plan([alkalinity()], { besides: { alkalinity: 0.45 } }), 'no-room')
	},
	{
		what: 'A plan begun an hour after 0.4 dKH were added by hand',
		never: 'its first dose on the same day',
		advised: () => {
			const p = plan([alkalinity()], { givenToday: { alkalinity: 0.4 } });
			must(
				p.doses.every((d) => d.day >= 1),
				'dosed twice on a day'
			);
			return within(p, 'alkalinity');
		}
	},
	{
		what: 'The volume was guessed from the glass',
		never: 'doses up to the limit, as if it were known',
		advised: () => {
			const guessed = { ...REEF, volumeL: { value: 540, u: 54, assumed: true } };
			const p = plan([goal('alkalinity', 9, BICARBONATE)], { water: guessed });
			must(mostADay(p, 'alkalinity') * 1.2 <= 0.5, 'no margin for the volume');
			must(p.moves.assumed.includes('volume'), 'it is not said');
			return saidBy(p);
		}
	},
	{
		what: 'Alkalinity is to come from 6 to 12 dKH',
		never: 'faster than 0.5 dKH a day',
		advised: () => within(plan([goal('alkalinity', 12, BICARBONATE, { from: known(6, 0.1) })]), 'alkalinity')
	},
	{
		what: 'The aim lies below what the water holds',
		never: 'something that lowers it',
		advised: () => refusedAs(plan([goal('alkalinity', 6, BICARBONATE)]), 'cannot-lower')
	},
	{
		what: 'Nothing lives in the water but bacteria, and 30 dKH are wanted',
		never: 'a water in which the bacteria die',
		advised: () =>
			refusedAs(
				plan([goal('alkalinity', 30, CARBONATE)], { limits: {}, water: { ...REEF, animals: false } }),
				'beyond-bacteria'
			)
	},
	{
		what: 'Phosphate is to come from 0.05 to 0.1 mg/L',
		never: 'faster than 0.02 a day',
		advised: () => within(plan([goal('phosphate', 0.1, product('phosphate', 0.01, 'unknown'))]), 'phosphate')
	},
	{
		what: 'Potassium with potassium carbonate, which lifts alkalinity besides',
		never: 'more alkalinity a day than 0.5 dKH',
		advised: () => {
			const potash = salt('K2CO3');
			const p = plan([goal('potassium', 420, potash)]);
			for (const d of p.doses) {
				const rise = riseIn(effectOf(potash, d.amount, 540), 'alkalinity');
				must(rise <= 0.5, `${rise} dKH besides`);
			}
			return saidBy(p);
		}
	}
];

const phSituations: readonly Situation[] = (
	[
		['sodium carbonate', CARBONATE],
		['a hydroxide', product('alkalinity', 0.1, 'hydroxide')],
		['limewater', SATURATED_LIMEWATER],
		['a product whose label names no form', product('alkalinity', 0.1, 'unknown')]
	] as const
).map(([name, supplement]) => ({
	what: `Soft fresh water of 0.6 dKH is to be raised to 2 with ${name}`,
	never: 'a portion that takes pH beyond 8.5',
	advised: () => borne(raisedIn(SOFT, supplement, 2), SOFT, supplement)
}));

export const ACIDITY: readonly Situation[] = [
	...phSituations,
	{
		what: 'The same with bicarbonate',
		never: 'that nothing can be done',
		advised: () => {
			const p = raisedIn(SOFT, BICARBONATE, 2);
			must(p.doses.length > 0, 'refused');
			return borne(p, SOFT, BICARBONATE);
		}
	},
	{
		what: 'Brackish water of S = 3 and 1.5 dKH, raised with carbonate',
		never: 'a portion that takes pH beyond 8.5',
		advised: () => {
			const water = withLevels(
				{ ...SOFT, fresh: false },
				{ salinity: known(3, 0.2), alkalinity: known(1.5, 0.1) }
			);
			return borne(raisedIn(water, CARBONATE, 3), water, CARBONATE);
		}
	},
	{
		what: 'Fresh water whose pH was not read, raised with carbonate',
		never: 'a pH of 7 taken for granted',
		advised: () => {
			const water = without(SOFT, 'ph');
			must(highestPh(water) >= 8.5, `reckoned with ${highestPh(water)}`);
			return borne(raisedIn(water, CARBONATE, 2), water, CARBONATE);
		}
	},
	...([knownFrom(bound('ph', '>', 8.8)), known(8.9, 0.05)] as const).map((ph, i): Situation => ({
		what: i === 0 ? 'pH was read as "above 8.8", and carbonate is to be added' : 'The same at pH 8.9',
		never: 'the pH of a usual reef taken instead; a dose',
		advised: () => {
			const water = withLevels(REEF, { ph });
			return refusedAs(raisedIn(water, CARBONATE, 8.2), 'overcharged');
		}
	})),
	{
		what: 'pH was read at night, 7.9, and carbonate is to be added',
		never: 'portions that only the night bears',
		advised: () => {
			const water = withLevels(REEF, { ph: known(7.9, 0.03) });
			must(highestPh(water) >= 8.1, 'the day’s pH is not thought of');
			return borne(raisedIn(water, CARBONATE, 9), water, CARBONATE);
		}
	},
	{
		what: 'Limewater for calcium where alkalinity was never read',
		never: 'a portion as if there were plenty of buffer',
		advised: () => {
			const water = without(REEF, 'alkalinity');
			const p = plan([goal('calcium', 430, SATURATED_LIMEWATER, { water })], { water });
			must(p.moves.assumed.includes('alkalinity'), 'it is not said');
			return borne(p, withLevels(water, { alkalinity: known(5, 0.1) }), SATURATED_LIMEWATER);
		}
	},
	{
		what: 'Calcium 500, alkalinity 12, pH 8.5: more alkalinity is wanted',
		never: 'a portion from which calcium carbonate falls out',
		advised: () => {
			const water = withLevels(REEF, {
				calcium: known(500, 6),
				alkalinity: known(12, 0.2),
				ph: known(8.5, 0.05)
			});
			return borne(raisedIn(water, BICARBONATE, 13), water, BICARBONATE);
		}
	},
	{
		what: 'Water at 50 °C and S = 60 is typed, and a plan is asked for',
		never: 'a page that fails',
		advised: () => {
			const water = withLevels(REEF, { temperature: known(50, 1), salinity: known(60, 1) });
			return borne(raisedIn(water, BICARBONATE, 8), water, BICARBONATE);
		}
	},
	{
		what: 'A whole day’s carbonate poured at once into a small tank of 20 L',
		never: 'a portion of more than the water bears',
		advised: () => {
			const water = { ...REEF, volumeL: known(20, 0.8) };
			const day = amountFor(CARBONATE, 'alkalinity', 3, 20);
			const { most } = largestPortion(CARBONATE, water, day);
			must(most !== null && most < day, 'no portion is named');
			return `At most ${most!.toPrecision(2)} g at one time, of ${day.toPrecision(2)} g.`;
		}
	}
];

export const MISTYPED: readonly Situation[] = [
	{
		what: '5400 L typed for 540: earlier doses did ten times what they should have',
		never: 'ten times the dose',
		advised: () => {
			const doses = [3, 9, 15, 21].map((day) => ({ day, rise: 0.05 }));
			const readings = Array.from({ length: 13 }, (_, i) => ({
				day: 2 * i,
				value: 8 + 0.5 * doses.filter((d) => d.day < 2 * i).length - 0.1 * 2 * i + (i % 2 ? 0.05 : -0.05),
				u: 0.07
			}));
			const answer = answerOfDoses(doses, readings)!;
			return refusedAs(plan([alkalinity()], { answers: { alkalinity: answer } }), 'answers-otherwise');
		}
	},
	{
		what: 'A strength typed a thousand times too small: 16 L of it a day',
		never: 'litres of a supplement',
		advised: () => refusedAs(plan([alkalinity({}, product('alkalinity', 0.0001))]), 'unlikely-amount')
	},
	{
		what: 'A strength typed a thousand times too large: 0.016 mL a day',
		never: 'an amount that nobody can measure out',
		advised: () => refusedAs(plan([alkalinity({}, product('alkalinity', 160))]), 'unlikely-amount')
	},
	...(
		[
			['Na3PO4', 'alkalinity', 'phosphate'],
			['K2CO3', 'alkalinity', 'potassium'],
			['KNO3', 'potassium', 'nitrate'],
			['KH2PO4', 'potassium', 'phosphate'],
			['SrCl2.6H2O', 'calcium', 'strontium']
		] as const
	).map(([compound, wanted, brings]): Situation => ({
		what: `${compound} at hand, and ${wanted} to be raised`,
		never: `it offered for that: it brings ${brings}`,
		advised: () => {
			must(!(offeredFor(salt(compound)) as string[]).includes(wanted), 'it is offered');
			const made = offeredFor(salt(compound));
			return made.length > 0 ? `It is offered for ${made.join(', ')} only.` : 'It is offered for nothing.';
		}
	})),
	{
		what: 'The tank was 200 L when it was dosed and has 540 L since',
		never: 'past doses reckoned with today’s volume',
		advised: () => {
			const start = instant(0);
			const [step] = inputsOf(
				[
					{
						kind: 'dose',
						at: addDays(start, 1),
						amountMl: 20,
						strength: strengthOf(product('alkalinity', 0.1))
					}
				],
				'alkalinity',
				[
					{ fromAt: start, litres: 200 },
					{ fromAt: addDays(start, 10), litres: 540 }
				],
				addDays(start, 20)
			);
			must(step?.kind === 'step' && Math.abs(step.amount - 1) < 1e-9, 'another volume was taken');
			return '20 mL did 1 dKH in the 200 L of then, not 0.37 in the 540 L of today.';
		}
	},
	{
		what: 'A daily dose that runs on through a change of the volume',
		never: 'one of the two volumes for all of it',
		advised: () => {
			const start = instant(0);
			const flows = inputsOf(
				[
					{
						kind: 'recurring-dose',
						at: start,
						supplement: 'a',
						amountMlPerDay: 10,
						strength: strengthOf(product('alkalinity', 0.1))
					}
				],
				'alkalinity',
				[
					{ fromAt: start, litres: 100 },
					{ fromAt: addDays(start, 10), litres: 200 }
				],
				addDays(start, 20)
			);
			const perDay = flows.map((f) => (f.kind === 'flow' ? Number(f.perDay.toFixed(9)) : 0));
			must(perDay[0] === 1 && perDay[1] === 0.5, `${perDay.join()}`);
			return '1 dKH a day in 100 L, 0.5 from the day on which it has 200 L.';
		}
	}
];
