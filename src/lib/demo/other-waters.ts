import type { WaterEvent } from '$lib/core/balance';
import {
	ALK_DROPS,
	ALK_METER,
	ALK_SYRINGE,
	CA_DROPS,
	CA_MG_PAIR,
	CA_SYRINGE,
	GH_DROPS,
	HARDNESS_DROPS,
	K_QUICK,
	MG_SYRINGE,
	NH3_CARD,
	NO2_CARD,
	NO3_CARD,
	NO3_LADDER,
	PH_CARD,
	PH_CARD_LOW,
	PO4_CARD,
	PO4_METER,
	SALINITY_FLOAT,
	SALINITY_METER,
	statedMethodFor,
	THERMOMETER,
	type Method
} from '$lib/core/method';
import { seededRandom, type Random } from '$lib/core/numeric';
import type { ParameterId } from '$lib/core/quantity';
import type { StatedReading } from '$lib/core/reading';
import { CALM_READER, readBy, simulateWater, type Levels, type WaterScript } from '$lib/core/tank';
import { addDays, addSeconds, type Instant } from '$lib/core/time';
import { calendar } from './calendar';
import type { DemoReading, WaterStory } from './story';

const QUIET = { events: [], batches: [], notes: [], singleDoses: '' } as const;

/** Reads a water that stands still, method after method, five minutes apart. */
function readAll(
	random: Random,
	at: Instant,
	methods: readonly Method[],
	levels: Readonly<Levels>
): DemoReading[] {
	const calcium = { value: levels.calcium ?? 0, uRandom: 6, uCommon: 4 };
	return methods.map((method, i) => ({
		at: addSeconds(at, 300 * i),
		method,
		reading: readBy(random, method, levels, CALM_READER, 'full', calcium)
	}));
}

/** The barrel in which new salt water is mixed: nine batches, tested before they are used. */
export function mixingBarrel(now: Instant, timeZone: string): WaterStory {
	const random = seededRandom(120);
	const every = 61;
	const start = addDays(now, -548);
	const days = calendar(start, 548, timeZone, now);
	const mixed = Array.from({ length: 9 }, (_, n) => ({ n: n + 1, at: days[20 + n * every]!.at('10:00') }));
	return {
		...QUIET,
		name: 'Mixing barrel',
		kind: 'new-mix',
		netVolumeL: 120,
		profile: null,
		hasAnimals: false,
		lights: null,
		startedAt: days[0]!.at('06:00'),
		batches: mixed.map(({ n, at }) => ({
			at,
			batch: `Batch ${n}`,
			saltLot: `lot ${['K', 'K', 'K', 'M', 'M', 'M', 'P', 'P', 'P'][n - 1]}`,
			volumeL: 100
		})),
		readings: mixed.flatMap(({ n, at }) => {
			// Batch 5 is thin in magnesium; batch 7 was mixed with water that held nutrients.
			const levels = {
				alkalinity: 7.6 + 0.3 * (random() - 0.5),
				calcium: 418 + 12 * (random() - 0.5),
				magnesium: (n === 5 ? 1195 : 1335) + 20 * (random() - 0.5),
				nitrate: n === 7 ? 4.2 : 0.15,
				phosphate: n === 7 ? 0.12 : 0.008,
				salinity: 35 + 0.5 * (random() - 0.5)
			};
			return readAll(
				random,
				addSeconds(at, 6 * 3600),
				[SALINITY_FLOAT, ALK_SYRINGE, MG_SYRINGE, CA_DROPS, NO3_LADDER, PO4_CARD],
				levels
			);
		})
	};
}

/** The tap on the quay: hard water, four tests over the years. */
export function quayTap(now: Instant, timeZone: string): WaterStory {
	const random = seededRandom(77);
	const start = addDays(now, -500);
	const days = calendar(start, 500, timeZone, now);
	return {
		...QUIET,
		name: 'Quay tap',
		kind: 'source',
		netVolumeL: null,
		profile: null,
		hasAnimals: false,
		lights: null,
		startedAt: days[0]!.at('06:00'),
		readings: [5, 160, 300, 460].flatMap((day) =>
			readAll(random, days[day]!.at('17:00'), [ALK_DROPS, GH_DROPS, PH_CARD, NO3_CARD], {
				alkalinity: 11.6 + 0.8 * (random() - 0.5),
				hardness: 15 + 1.5 * (random() - 0.5),
				ph: 7.6,
				nitrate: 18 + 4 * (random() - 0.5)
			})
		)
	};
}

/** Soft fresh water with plants and small frogs, every other Sunday for eight months. */
export function paludarium(now: Instant, timeZone: string): WaterStory {
	const length = 243;
	const start = addDays(now, -length);
	const days = calendar(start, length, timeZone, now);
	const tests: WaterScript['tests'][number][] = days
		.filter((d) => d.weekday === 0 && Math.floor(d.day / 7) % 2 === 0)
		.flatMap((d) => [
			{ at: d.at('11:00'), method: THERMOMETER },
			{ at: d.at('11:05'), method: ALK_DROPS },
			{ at: d.at('11:10'), method: GH_DROPS },
			{ at: d.at('11:15'), method: PH_CARD_LOW },
			{ at: d.at('11:25'), method: NO3_CARD }
		]);
	const script: WaterScript = {
		seed: 60,
		start: { at: start, levels: { alkalinity: 1.7, hardness: 3.4, nitrate: 6 } },
		until: now,
		volumeL: 60,
		events: [],
		// The buffer runs down five months ago and comes back by small steps.
		living: ({ day }, level) => ({
			alkalinity: day < 70 ? -0.004 : day < 95 ? -0.045 : level.alkalinity! < 1.5 ? 0.02 : -0.002,
			hardness: 0,
			nitrate: level.nitrate! < 12 ? 0.12 : -0.1
		}),
		moods: ({ light }, level) => ({
			ph: 5.9 + 0.45 * Math.min(1.6, level.alkalinity ?? 1) + 0.05 * (light - 1),
			temperature: 24 + 0.6 * (light - 1)
		}),
		tests,
		reader: CALM_READER
	};
	return {
		...QUIET,
		name: 'Paludarium',
		kind: 'tank',
		netVolumeL: 60,
		profile: 'soft-fresh',
		hasAnimals: true,
		lights: [8 * 60, 19 * 60],
		startedAt: days[0]!.at('06:00'),
		readings: simulateWater(script).readings
	};
}

function laboratory(
	parameter: ParameterId,
	value: number,
	expandedU: number,
	unit: StatedReading['unit'],
	at: Instant
): DemoReading {
	return {
		at,
		method: statedMethodFor(parameter),
		reading: {
			form: 'stated',
			portion: 'full',
			unit,
			says: { kind: 'value', value, expandedU, k: 2 },
			source: 'harbour laboratory'
		}
	};
}

/** A bottle of sea water, read by two kits and by a laboratory. */
export function collected(
	name: string,
	now: Instant,
	timeZone: string,
	daysAgo: number,
	levels: Readonly<Levels>,
	note: string
): WaterStory {
	const random = seededRandom(name.length * 31);
	const start = addDays(now, -daysAgo - 2);
	const [day] = calendar(start, daysAgo, timeZone, now);
	const at = day!.at('16:00');
	const later = addDays(at, 9);
	return {
		...QUIET,
		name,
		kind: 'collected',
		netVolumeL: null,
		profile: null,
		hasAnimals: false,
		lights: null,
		startedAt: day!.at('06:00'),
		notes: [{ at: addSeconds(at, -7200), kind: 'note', note }],
		readings: [
			...readAll(
				random,
				at,
				[SALINITY_METER, ALK_SYRINGE, ALK_METER, CA_SYRINGE, CA_DROPS, HARDNESS_DROPS, NO3_LADDER, PO4_METER],
				levels
			),
			laboratory(
				'alkalinity',
				Number((levels.alkalinity! * 2.80385 ** -1).toFixed(2)),
				0.05,
				'meq-per-l',
				later
			),
			laboratory('calcium', Math.round(levels.calcium!), 8, 'mg-per-l', later),
			laboratory('magnesium', Math.round(levels.magnesium!), 24, 'mg-per-l', later),
			laboratory('nitrate', Number(levels.nitrate!.toFixed(2)), 0.05, 'mg-per-l-no3', later)
		]
	};
}

/** Stony cuttings in the school: limewater in the top-up, a phosphate medium, little food. */
export function cuttingsTray(now: Instant, timeZone: string): WaterStory {
	const length = 425;
	const start = addDays(now, -length);
	const days = calendar(start, length, timeZone, now);
	const tests: WaterScript['tests'][number][] = days
		.filter((d) => d.weekday === 4)
		.flatMap((d, week) => [
			{ at: d.at('15:10'), method: SALINITY_METER },
			{ at: d.at('15:12'), method: THERMOMETER },
			{ at: d.at('15:15'), method: ALK_SYRINGE, portion: 'half' as const },
			{ at: d.at('15:30'), method: CA_MG_PAIR },
			{ at: d.at('15:50'), method: NO3_LADDER },
			{ at: d.at('16:05'), method: PO4_METER },
			...(week % 3 === 0 ? [{ at: d.at('16:15'), method: K_QUICK }] : [])
		]);
	const lime = [
		{ parameter: 'alkalinity' as const, risePerMlIn100L: 0.00114 },
		{ parameter: 'calcium' as const, risePerMlIn100L: 0.0081 }
	];
	const events: WaterEvent[] = [
		{
			kind: 'recurring-dose',
			at: days[1]!.at('08:00'),
			supplement: 'Saturated limewater',
			amountMlPerDay: 1400,
			strength: lime
		}
	];
	for (const d of days) {
		if (d.weekday !== 5 || Math.floor(d.day / 7) % 4 !== 2) continue;
		events.push({
			kind: 'water-change',
			at: d.at('14:00'),
			fraction: 0.1,
			newWater: {
				alkalinity: { value: 7.6, u: 0.25 },
				calcium: { value: 420, u: 9 },
				magnesium: { value: 1330, u: 30 },
				potassium: { value: 396, u: 12 },
				nitrate: { value: 0.2, u: 0.2 },
				phosphate: { value: 0.01, u: 0.01 },
				salinity: { value: 35, u: 0.4 }
			}
		});
	}
	const levels = {
		alkalinity: 7.7,
		calcium: 424,
		magnesium: 1325,
		potassium: 402,
		nitrate: 2.4,
		phosphate: 0.03,
		salinity: 35
	};
	const script: WaterScript = {
		seed: 210,
		start: { at: start, levels },
		until: now,
		volumeL: 210,
		events,
		living: ({ light, wobble }, level) => {
			const uptake = 0.76 * (1 + 0.4 * (light - 1)) * wobble * Math.min(1.6, level.alkalinity! / 7.6) ** 2;
			return {
				alkalinity: -uptake,
				calcium: -uptake * 7.147,
				magnesium: -0.4,
				// It runs down faster than changes bring it back.
				potassium: -0.32 * wobble,
				nitrate: 0.12 * wobble - 0.05 * level.nitrate!,
				phosphate: 0.002 * wobble - 0.06 * level.phosphate!,
				salinity: 0
			};
		},
		moods: ({ light }) => ({ temperature: 25.1 + 0.15 * (light - 1) }),
		tests,
		reader: CALM_READER
	};
	return {
		...QUIET,
		name: 'Cuttings tray',
		kind: 'tank',
		netVolumeL: 210,
		profile: 'stony-low-nutrient',
		hasAnimals: true,
		lights: [10 * 60, 20 * 60],
		startedAt: days[0]!.at('06:00'),
		events,
		notes: [
			{
				at: days[40]!.at('15:00'),
				kind: 'medium-in',
				note: 'Phosphate medium, one cup, in the return chamber.'
			},
			{ at: days[300]!.at('15:00'), kind: 'animals-in', note: 'Eleven new cuttings from the lobby.' }
		],
		readings: simulateWater(script).readings
	};
}

/** A new tank on day 23 of its cycle, tested every afternoon by the class. */
export function classroomTank(now: Instant, timeZone: string): WaterStory {
	const length = 23;
	const start = addDays(now, -length);
	const days = calendar(start, length, timeZone, now);
	const tests: WaterScript['tests'][number][] = days.flatMap((d) => [
		{ at: d.at('14:00'), method: THERMOMETER },
		{ at: d.at('14:10'), method: NH3_CARD },
		{ at: d.at('14:20'), method: NO2_CARD },
		{ at: d.at('14:30'), method: NO3_CARD },
		...(d.day % 3 === 0 ? [{ at: d.at('14:40'), method: PH_CARD }] : []),
		...(d.day % 7 === 1 ? [{ at: d.at('14:45'), method: SALINITY_METER }] : [])
	]);
	const script: WaterScript = {
		seed: 90,
		start: { at: start, levels: { ammonia: 0.2, nitrite: 0, nitrate: 1, salinity: 34.6, alkalinity: 8.4 } },
		until: now,
		volumeL: 90,
		events: [],
		// First one kind of bacteria grows, then the other: ammonia peaks about day 6, nitrite about day 14.
		living: ({ day, wobble }, level) => {
			const grown = (at: number, width: number) => 1 / (1 + Math.exp((at - day) / width));
			const load = day < 7 ? 0.42 * wobble : 0.05;
			const eaten = level.ammonia! * (0.02 + 1.3 * grown(8.5, 1.2));
			const oxidised = level.nitrite! * (0.01 + 1.6 * grown(16.5, 1.1));
			return {
				ammonia: load - eaten,
				nitrite: eaten * 2.55 - oxidised,
				nitrate: oxidised * 1.35 + 0.1,
				salinity: 0,
				alkalinity: -0.02
			};
		},
		moods: ({ light }) => ({ ph: 8.05 + 0.06 * (light - 1), temperature: 25.6 + 0.1 * (light - 1) }),
		tests,
		reader: CALM_READER
	};
	return {
		...QUIET,
		name: 'Classroom tank',
		kind: 'tank',
		netVolumeL: 90,
		profile: 'cycling',
		hasAnimals: false,
		lights: [8 * 60, 16 * 60],
		startedAt: days[0]!.at('06:00'),
		notes: [
			{ at: days[0]!.at('10:00'), kind: 'note', note: 'Filled, rock from the lobby, heater on 25.5 °C.' }
		],
		readings: simulateWater(script).readings
	};
}
