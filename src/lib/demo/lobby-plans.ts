import type { WaterEvent } from '$lib/core/balance';
import { amountFor, effectOf, magnesiumSalts, riseIn, type Supplement } from '$lib/core/correction';
import type { Method } from '$lib/core/method';
import { ALK_SYRINGE, CA_SYRINGE, K_FILTER, MG_SYRINGE } from '$lib/core/method';
import { addDays, type Instant } from '$lib/core/time';
import type { DemoPlan, DemoSupplement } from './story';

export const CARBONATE = 'Part one, carbonate';
export const CALCIUM_PART = 'Part two, calcium';
const POTASSIUM_DROPS = 'Potassium drops';

/** What the library has besides common salts, by its labels. */
export const LIBRARY_SUPPLEMENTS: readonly DemoSupplement[] = [
	{
		name: CARBONATE,
		parameter: 'alkalinity',
		risePerMlIn100L: 0.14,
		form: 'carbonate',
		notWith: 'part two in one vessel, or within half an hour of it'
	},
	{
		name: CALCIUM_PART,
		parameter: 'calcium',
		risePerMlIn100L: 1,
		form: 'unknown',
		notWith: 'part one in one vessel, or within half an hour of it'
	},
	{
		name: POTASSIUM_DROPS,
		parameter: 'potassium',
		risePerMlIn100L: 1,
		form: 'unknown',
		notWith: ''
	}
];
/** What the potassium drops really hold of what their label says. */
const WEAK = 0.45;

const SEA = magnesiumSalts(1, 1);
/** As the application ships it. */
const MAGNESIUM: Supplement = {
	kind: 'solution',
	parts: [
		{ compound: 'MgCl2.6H2O', gramsPerL: 300, purity: 0.98 },
		{ compound: 'MgSO4.7H2O', gramsPerL: Math.round((300 * SEA.sulphateG) / SEA.chlorideG), purity: 0.98 }
	]
};

interface PlannedLife {
	readonly plans: readonly DemoPlan[];
	/** What the doses of the plans really did; the log gets them by the plans. */
	readonly doses: readonly WaterEvent[];
	readonly tests: readonly { readonly at: Instant; readonly method: Method }[];
}

const MORNING = 0.1;

/**
 * Three corrections of the reef: one under way, day 3 of 6; one that brought magnesium back five months ago; one of
 * potassium with drops that are weaker than their label.
 *
 * @param ago a time of the day so many days before the demo's day
 */
export function lobbyPlans(ago: (days: number, time: string) => Instant, volumeL: number): PlannedLife {
	const underWay = ago(2, '07:30');
	const finished = ago(150, '07:30');
	const weak = ago(11, '07:30');
	const ml = (rise: number, perMl: number) => Number(((rise * volumeL) / 100 / perMl).toPrecision(3));
	const alkalinity = { risePerDay: 0.15, days: 6 };
	const calcium = { risePerDay: 3.8, days: 6 };
	const magnesium = { risePerDay: 14, days: 3 };
	const potassium = { risePerDay: 5, days: 6 };
	const amounts = {
		alkalinity: ml(alkalinity.risePerDay, 0.14),
		calcium: ml(calcium.risePerDay, 1),
		magnesium: Number(amountFor(MAGNESIUM, 'magnesium', magnesium.risePerDay, volumeL).toPrecision(3)),
		potassium: ml(potassium.risePerDay, 1)
	};
	const times = (amount: number, count: number) => Array.from({ length: count }, () => amount);
	const doses = (
		parameter: keyof typeof amounts,
		start: Instant,
		count: number,
		risePerMlIn100L: number
	): WaterEvent[] =>
		Array.from({ length: count }, (_, day) => ({
			kind: 'dose',
			at: addDays(start, day + MORNING),
			amountMl: amounts[parameter],
			strength: [{ parameter, risePerMlIn100L }]
		}));
	const test = (start: Instant, day: number, method: Method, times = 1) =>
		Array.from({ length: times }, (_, i) => ({ at: addDays(start, day + 0.02 + 0.012 * i), method }));
	return {
		plans: [
			{
				startsAt: finished,
				limits: [{ parameter: 'magnesium', perDay: 19 }],
				goals: [
					{
						parameter: 'magnesium',
						supplement: 'sea-magnesium',
						...magnesium,
						given: times(amounts.magnesium, magnesium.days)
					}
				],
				endedAt: addDays(finished, 4),
				note: 'Back where it belongs.'
			},
			{
				startsAt: weak,
				limits: [{ parameter: 'potassium', perDay: 7.2 }],
				goals: [
					{
						parameter: 'potassium',
						supplement: POTASSIUM_DROPS,
						...potassium,
						given: times(amounts.potassium, potassium.days)
					}
				],
				endedAt: null,
				note: ''
			},
			{
				startsAt: underWay,
				limits: [
					{ parameter: 'alkalinity', perDay: 0.27 },
					{ parameter: 'calcium', perDay: 6 }
				],
				goals: [
					{
						parameter: 'alkalinity',
						supplement: CARBONATE,
						...alkalinity,
						given: times(amounts.alkalinity, 2)
					},
					{ parameter: 'calcium', supplement: CALCIUM_PART, ...calcium, given: times(amounts.calcium, 2) }
				],
				endedAt: null,
				note: ''
			}
		],
		doses: [
			...doses('magnesium', finished, magnesium.days, riseIn(effectOf(MAGNESIUM, 1, 100), 'magnesium')),
			...doses('potassium', weak, potassium.days, WEAK),
			...doses('alkalinity', underWay, 2, 0.14),
			...doses('calcium', underWay, 2, 1)
		],
		tests: [
			...test(finished, 0, MG_SYRINGE),
			...test(finished, 3, MG_SYRINGE, 2),
			...test(weak, -1, K_FILTER),
			...test(weak, 0, K_FILTER, 2),
			...test(weak, 3, K_FILTER, 3),
			...test(weak, 6, K_FILTER, 3),
			...test(underWay, 0, ALK_SYRINGE),
			...test(underWay, 0, CA_SYRINGE, 2)
		]
	};
}
