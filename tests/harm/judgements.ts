import { DAILY_LIMITS } from '../../src/lib/core/caution/index.ts';
import {
	isNeglected,
	limitFault,
	limitFor,
	NEGLECTED_ORDER,
	repairsFor,
	salinityDays,
	strangeMove,
	type Standing
} from '../../src/lib/core/correction/index.ts';
import {
	afterCycle,
	followCycle,
	freeAmmonia,
	judgeResult,
	pressing,
	type CycleReading,
	type FreeAmmonia
} from '../../src/lib/core/judgement/index.ts';
import {
	firstImpossible,
	PARAMETERS,
	POSSIBLE_IN_WATER,
	type ParameterId
} from '../../src/lib/core/quantity/index.ts';
import { plausibleRangeOf } from '../../src/lib/core/reading/index.ts';
import { addDays, instant } from '../../src/lib/core/time/index.ts';
import { askWords, repairTitle } from '../../src/lib/format/adjust/adjust.ts';
import { afterSentence, PHASE_WORDS } from '../../src/lib/format/judgement/cycle.ts';
import { NEGLECTED } from '../../src/lib/format/adjust/husbandry.ts';
import { must, type Situation } from './situation.ts';
import { bound, calm, known, lived, UNITS, value } from './waters.ts';

const DAYS = Array.from({ length: 15 }, (_, i) => 4 * i);
const level = (v: { value: number; uRandom: number }) =>
	`${v.value.toFixed(1)} ± ${(2 * v.uRandom).toFixed(1)}`;

const odd = (read: number): Situation => ({
	what: `${read} dKH is read where the level was 8.2`,
	never: 'a level, a step or a drift that rests on it',
	advised: () => {
		const told = lived([...calm('alkalinity', 8.2, 0.1, DAYS), [60, value('alkalinity', read, 0.1)]]);
		must(Math.abs(told.level.value - 8.2) < 0.4, `the level becomes ${level(told.level)}`);
		must(told.estimate.changes.length === 0, 'a step is told');
		must(Math.abs(told.estimate.netChangePerDay.value) < 0.1, 'a drift is told');
		must(
			told.estimate.doubts.some((d) => !d.settled),
			'it is not asked for again'
		);
		return `The level stays at ${level(told.level)} dKH; the reading is asked for again.`;
	}
});

export const DOUBTED: readonly Situation[] = [
	odd(25),
	odd(12),
	odd(4.4),
	odd(0.5),
	{
		what: 'The same 25, then 8.2 on the repeat',
		never: 'anything left of the 25',
		advised: () => {
			const told = lived([
				...calm('alkalinity', 8.2, 0.1, DAYS),
				[60, value('alkalinity', 25, 0.1)],
				[60.02, value('alkalinity', 8.2, 0.1)]
			]);
			must(Math.abs(told.level.value - 8.2) < 0.2 && told.level.uRandom < 0.2, level(told.level));
			return `The level is ${level(told.level)} dKH.`;
		}
	},
	{
		what: 'The same 4.4, and 4.5 on the repeat: it is true',
		never: 'a level that still trusts the old readings',
		advised: () => {
			const told = lived([
				...calm('alkalinity', 8.2, 0.1, DAYS),
				[60, value('alkalinity', 4.4, 0.1)],
				[60.02, value('alkalinity', 4.5, 0.1)]
			]);
			must(Math.abs(told.level.value - 4.45) < 0.4, level(told.level));
			return `The level is ${level(told.level)} dKH.`;
		}
	},
	{
		what: 'Ammonia of 2 mg/L where none was',
		never: 'it set aside until a repeat',
		advised: () => {
			const told = lived([
				...DAYS.map((d) => [d, bound('ammonia', '<', 0.1)] as const),
				[60, value('ammonia', 2, 0.2)]
			]);
			must(told.level.value > 1, level(told.level));
			return `The level is ${level(told.level)} mg/L at once.`;
		}
	}
];

const free = (told: FreeAmmonia) =>
	`${told.urgency === 'act' ? 'Act now' : told.urgency === 'watch' ? 'Watch' : 'Nothing'}: up to ${told.most === null ? 'more than the kit shows' : told.most.toPrecision(2)} mg/L NH₃${told.assumed.length > 0 ? `, the worst that is plausible of ${told.assumed.join(', ')}` : ''}.`;

export const AMMONIA: readonly Situation[] = [
	{
		what: 'Fresh water, ammonia 0.5 mg/L, pH read as "above 8.8"',
		never: 'the ammonia of a pH that was not read',
		advised: () => {
			const told = freeAmmonia({ lower: 0.4, upper: 0.6 }, plausibleRangeOf(bound('ph', '>', 8.8)), 0, {
				lower: 25,
				upper: 25
			});
			must(told.urgency === 'act' && !told.assumed.includes('ph'), free(told));
			return free(told);
		}
	},
	{
		what: 'Fresh water, ammonia 0.3 mg/L, pH not read',
		never: 'a pH of 8 as the worst',
		advised: () => {
			const told = freeAmmonia({ lower: 0.2, upper: 0.3 }, null, 0, { lower: 25, upper: 25 });
			must(told.most! >= 0.04, free(told));
			return free(told);
		}
	},
	{
		what: 'Ammonia beyond the highest colour of the card',
		never: 'the highest colour taken for the value',
		advised: () => {
			const told = freeAmmonia({ lower: 5, upper: null }, { lower: 8, upper: 8.2 }, 35, null);
			must(told.urgency === 'act', free(told));
			return free(told);
		}
	},
	...(
		[
			['48 °C', 35, 48],
			['S = 60', 60, 25],
			['S = 0 and 0 °C', 0, 0]
		] as const
	).map(([what, salinity, t]): Situation => ({
		what: `Ammonia 1 mg/L at pH 8.4 with ${what}`,
		never: 'a page that fails',
		advised: () => {
			const told = freeAmmonia({ lower: 1, upper: 1 }, { lower: 8.4, upper: 8.4 }, salinity, {
				lower: t,
				upper: t
			});
			must(Number.isFinite(told.most), 'no number');
			return free(told);
		}
	})),
	{
		what: 'Free ammonia, and five other things that a water asks for',
		never: 'the danger folded below, or told second',
		advised: () => {
			const other = (weight: number) => ({ danger: false, weight });
			const { shown } = pressing([other(80), other(75), other(70), other(65), { danger: true, weight: 62 }]);
			must(shown[0]!.danger, 'not the first');
			return 'It stands first, on every page of the water.';
		}
	}
];

export const BOUNDS: readonly Situation[] = (
	[
		['ph', '>', 8.8, { low: 7.8, high: 8.5, aim: null }, 'high'],
		['alkalinity', '<', 4, { low: 7.5, high: 9, aim: 8.2 }, 'low'],
		['ammonia', '>', 5, { low: null, high: 0.1, aim: null }, 'high'],
		['nitrate', '>', 60, { low: 2, high: 15, aim: 5 }, 'high']
	] as const
).map(([parameter, sense, limit, band, side]) => ({
	what: `${PARAMETERS[parameter].name} was read as "${sense === '>' ? 'above' : 'below'} ${limit}"`,
	never: 'no verdict, as if nothing had been read',
	advised: () => {
		const verdict = judgeResult(bound(parameter, sense, limit), band);
		must(verdict?.side === side && (verdict.grade ?? '').includes('outside'), `${verdict?.grade}`);
		return `${verdict!.grade === 'far-outside' ? 'Far outside' : 'Outside'}, ${verdict!.side}.`;
	}
}));

const START = instant(1_750_000_000_000);
const RANGE: Readonly<Record<string, readonly [number, number]>> = {
	'0': [0, 0.05],
	'1': [0.05, 0.17],
	m: [0.4, 0.8],
	h: [1.6, 2.9]
};
const daily = (parameter: CycleReading['parameter'], word: string): CycleReading[] =>
	[...word].flatMap((letter, day) => {
		const range = RANGE[letter];
		const [lower, upper] = range ?? [0, 0];
		return range
			? [{ at: addDays(START, day + 0.3), parameter, lower, upper, clearUpTo: 0.05, seesFrom: 0.1 }]
			: [];
	});
const cycle = (ammonia: string, nitrite: string) =>
	followCycle(
		[...daily('ammonia', ammonia), ...daily('nitrite', nitrite)].sort((a, b) => a.at - b.at),
		{ startedAt: START, timeZone: 'UTC' },
		addDays(START, ammonia.length)
	);
const notDone = (ammonia: string, nitrite: string) => {
	const state = cycle(ammonia, nitrite);
	must(state.doneAt === null, 'called done');
	return `${PHASE_WORDS[state.phase]}.`;
};

export const CYCLE: readonly Situation[] = [
	{
		what: 'Nitrite is found on 5 of 12 days after its peak',
		never: '"done"',
		advised: () => notDone('1hm00000000000000', '00mh1001010110100')
	},
	{
		what: 'A single trace after five clear days',
		never: '"done" before the next reading',
		advised: () => notDone('1hm00000000', '00mh1000001')
	},
	{
		what: 'Nothing was ever found',
		never: '"done": it has not begun',
		advised: () => notDone('0'.repeat(20), '0'.repeat(20))
	},
	{
		what: 'Ammonia came and went, nitrite not yet',
		never: '"done" before nitrite was seen',
		advised: () => notDone('1hm0000000', '0000000000')
	},
	{
		what: 'A weekly test is clear after it was done',
		never: 'that it has to be done once more',
		advised: () => {
			const state = cycle('1hm0000000------0', '00mh100000------0');
			must(state.phase === 'done', state.phase);
			return `${PHASE_WORDS[state.phase]}.`;
		}
	},
	{
		what: 'Ammonia returns after it was done',
		never: '"ammonia falls", or "done"',
		advised: () => {
			const state = cycle('1hm0000000------m', '00mh100000------0');
			must(state.phase === 'ammonia-back' && state.ammonia?.falling === false, state.phase);
			return `${PHASE_WORDS[state.phase]}.`;
		}
	},
	{
		what: 'The cycle is done and nitrate was not read',
		never: 'animals',
		advised: () => {
			const after = afterCycle(null, 20);
			must(after.step === 'measure-nitrate', after.step);
			return afterSentence(after);
		}
	},
	{
		what: 'The cycle is done and nitrate stands at 200 mg/L',
		never: 'more than half of the water at once, or animals',
		advised: () => {
			const after = afterCycle(200, 20);
			must(after.step === 'lower-nitrate' && after.share <= 0.5, after.step);
			return afterSentence(after);
		}
	}
];

const standing = (
	parameter: ParameterId,
	side: Standing['side'],
	grade: Standing['grade'] = 'far-outside',
	over: Partial<Standing> = {}
): Standing => ({
	parameter,
	value: known(1, 0.1),
	band: { low: 2, high: 3, aim: null },
	grade,
	side,
	asOutside: false,
	atS35: null,
	surprising: false,
	...over
});
const order = (standings: readonly Standing[]) => repairsFor(standings);
const titles = (standings: readonly Standing[]) => order(standings).map(repairTitle).join('; then: ');

export const ORDER: readonly Situation[] = [
	{
		what: 'Dying animals: ammonia is high, alkalinity and salinity are low',
		never: 'anything before the ammonia',
		advised: () => {
			const all = [standing('alkalinity', 'low'), standing('salinity', 'low'), standing('ammonia', 'high')];
			must(order(all)[0]!.kind === 'ammonia', titles(all));
			return titles(all);
		}
	},
	{
		what: 'The water is too warm, and calcium low',
		never: 'calcium first',
		advised: () => {
			const all = [standing('calcium', 'low'), standing('temperature', 'high')];
			must(order(all)[0]!.kind === 'warmth', titles(all));
			return titles(all);
		}
	},
	{
		what: 'Rain got in: salinity is low, and calcium, magnesium with it',
		never: 'calcium and magnesium dosed, which come back with the salt',
		advised: () => {
			const follows = { atS35: known(2.5, 0.1) };
			const all = [
				standing('salinity', 'low'),
				standing('calcium', 'low', 'outside', follows),
				standing('magnesium', 'low', 'outside', follows)
			];
			must(!order(all).some((r) => r.kind === 'raise'), titles(all));
			return titles(all);
		}
	},
	{
		what: 'Magnesium is very low, alkalinity and calcium too',
		never: 'alkalinity first, which falls out again',
		advised: () => {
			const all = [
				standing('alkalinity', 'low'),
				standing('magnesium', 'low', 'far-outside', { value: known(900, 20) })
			];
			const [first] = order(all);
			must(first?.kind === 'raise' && first.first, titles(all));
			return titles(all);
		}
	},
	{
		what: 'The kit cannot tell whether phosphate is in its band',
		never: 'a correction',
		advised: () => {
			const all = [standing('phosphate', null, 'cannot-tell')];
			must(
				order(all).every((r) => r.kind === 'leave'),
				titles(all)
			);
			return titles(all);
		}
	},
	{
		what: 'Alkalinity is high',
		never: 'an acid',
		advised: () => {
			const all = [standing('alkalinity', 'high')];
			must(
				order(all).every((r) => r.kind === 'lower'),
				titles(all)
			);
			return titles(all);
		}
	},
	{
		what: 'An old tank that was left alone: its buffer is gone',
		never: 'one large water change',
		advised: () => {
			must(isNeglected([standing('alkalinity', 'low')], 'settled'), 'not recognised');
			must(
				NEGLECTED_ORDER.indexOf('bind-ammonia') < NEGLECTED_ORDER.indexOf('carbonate-slowly'),
				'wrong order'
			);
			return NEGLECTED_ORDER.map((id) => NEGLECTED[id]).join(' ');
		}
	},
	...(
		[
			['stopped-pump', -0.9, 0.1, 1],
			['falls-too-fast', -3, 0.3, 0],
			['rises-too-fast', 0.8, 0.1, 0]
		] as const
	).map(([kind, perDay, u, dosed]): Situation => ({
		what: `Alkalinity moves by ${perDay} dKH a day with ${dosed} dosed: today’s page, and every other`,
		never: 'silence, or a new dose for it',
		advised: () => {
			const move = strangeMove('alkalinity', known(perDay, u), dosed);
			must(move?.kind === kind, String(move?.kind));
			return askWords(move!, UNITS);
		}
	})),
	{
		what: 'An ordinary use of 0.8 dKH a day that is not dosed',
		never: 'an alarm',
		advised: () => {
			must(strangeMove('alkalinity', known(-0.8, 0.1), 0) === null, 'asked');
			return 'No alarm; a daily dose is offered.';
		}
	}
];

const days = (from: number, to: number, limit: number) => {
	const steps = salinityDays({ from, aim: to, volumeL: 540, temperatureC: 25, limitPerDay: limit });
	must(
		steps.every((s) => Math.abs(s.to - s.from) <= limit + 1e-9),
		'faster than a day may change'
	);
	return `${steps.length} days, ${Math.abs(steps[0]!.to - steps[0]!.from).toFixed(2)} a day.`;
};
const impossible = (parameter: ParameterId, typed: number, what: string): Situation => ({
	what,
	never: 'a plan by it',
	advised: () => {
		const fault = firstImpossible([[POSSIBLE_IN_WATER[parameter], typed, 'aim']]);
		must(fault !== null, 'taken');
		return 'Refused by the name of the field, with what can be.';
	}
});

export const LIMITS_KEPT: readonly Situation[] = [
	{
		what: 'Salinity is to come from 30 to 35',
		never: 'faster than 0.5 a day',
		advised: () => days(30, 35, DAILY_LIMITS.salinity.up.cautious)
	},
	{
		what: 'Salinity is to come from 40 to 35',
		never: 'faster than 1 a day',
		advised: () => days(40, 35, DAILY_LIMITS.salinity.down.cautious)
	},
	impossible('alkalinity', 150, 'An aim of 150 "dKH" (it was mg/L CaCO₃)'),
	impossible('calcium', 4200, 'An aim of 4200 mg/L of calcium'),
	impossible('ph', 82, 'A pH of 82 typed for 8.2'),
	{
		what: 'A keeper lets alkalinity change by 0.9 dKH a day, without a reason',
		never: 'it taken without a second question',
		advised: () => {
			const fault = limitFault({ parameter: 'alkalinity', direction: 'up', perDay: 0.9 }, 0.5, '');
			must(fault === 'needs-reason', String(fault));
			return 'A reason is asked for.';
		}
	},
	{
		what: 'A keeper lets it change by 3 dKH a day, with a reason',
		never: 'it taken',
		advised: () => {
			const own = { parameter: 'alkalinity', direction: 'up', perDay: 3 } as const;
			must(limitFault(own, 0.5, 'I am in a hurry today') === 'above-most', 'taken');
			must(limitFor('alkalinity', 'up', [own], true) === 1, 'in force');
			return 'Refused: 1 dKH a day is the most.';
		}
	},
	{
		what: 'A keeper makes it 0.2 dKH a day',
		never: 'a second question',
		advised: () => {
			must(limitFault({ parameter: 'alkalinity', direction: 'up', perDay: 0.2 }, 0.5, '') === null, 'asked');
			return 'Taken at once.';
		}
	}
];
