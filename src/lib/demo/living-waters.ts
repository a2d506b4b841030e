import type { WaterEvent } from '$lib/core/balance';
import {
	ALK_DROPS,
	ALK_SYRINGE,
	CA_MG_PAIR,
	GH_DROPS,
	K_QUICK,
	NH3_CARD,
	NO2_CARD,
	NO3_CARD,
	NO3_LADDER,
	PH_CARD,
	PH_CARD_LOW,
	PO4_METER,
	SALINITY_METER,
	THERMOMETER
} from '$lib/core/method';
import type { RawReading } from '$lib/core/reading';
import { CALM_READER, simulateWater, type WaterScript } from '$lib/core/tank';
import { addDays, civilDate, instantOfLocal, type Instant } from '$lib/core/time';
import { calendar } from './calendar';
import { QUIET, type WaterStory } from './story';

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
		readings: simulateWater(script).readings.map((r, i, all) =>
			// Once two drops of the last test but two went astray; it was noted beside the count.
			r.method === ALK_DROPS && all.slice(i + 1).filter((o) => o.method === ALK_DROPS).length === 2
				? { ...r, reading: withBadDrops(r.reading, 2), note: 'Two drops hit the rim of the vial.' }
				: r
		)
	};
}

/** The same count with so many drops that were half or lost. */
function withBadDrops(reading: RawReading, bad: number): RawReading {
	return reading.form === 'drops' ? { ...reading, bad } : reading;
}

/** For so long the tray has hardly been fed. */
const HUNGRY_DAYS = 34;

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
		living: ({ day, light, wobble }, level) => {
			const uptake = 0.76 * (1 + 0.4 * (light - 1)) * wobble * Math.min(1.6, level.alkalinity! / 7.6) ** 2;
			return {
				alkalinity: -uptake,
				calcium: -uptake * 7.147,
				magnesium: -0.4,
				// It runs down faster than changes bring it back.
				potassium: -0.32 * wobble,
				// In the last month hardly anything is fed, and nitrate runs out behind the medium.
				nitrate:
					day > length - HUNGRY_DAYS ? 0.002 - 0.25 * level.nitrate! : 0.12 * wobble - 0.05 * level.nitrate!,
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

/** Ammonia and nitrite are tested at this time; before it, the last day of the story is yesterday. */
const CLASS_TESTED = '14:50';
/** The day, counted from 0, on which the nitrate card was matched beside a vial coloured by nitrite. */
const MISLED_DAY = 13;

/** The card's powder turns less than half of the nitrate into nitrite, so nitrite counts so many times. */
const COUNTED_AS_NITRATE = 3;

/** A new tank on day 23 of its cycle, tested every afternoon by the class. */
export function classroomTank(now: Instant, timeZone: string): WaterStory {
	const today = instantOfLocal(`${civilDate(now, timeZone)}T${CLASS_TESTED}`, timeZone);
	const last = today < now ? now : addDays(now, -1);
	const length = 22;
	const start = addDays(last, -length);
	const days = calendar(start, length, timeZone, addDays(last, 1));
	const tests: WaterScript['tests'][number][] = days
		.flatMap((d) => [
			{ at: d.at('14:00'), method: THERMOMETER },
			{ at: d.at('14:10'), method: NH3_CARD },
			{ at: d.at('14:20'), method: NO2_CARD },
			{ at: d.at('14:30'), method: NO3_CARD },
			...(d.day % 3 === 0 ? [{ at: d.at('14:40'), method: PH_CARD }] : []),
			...(d.day % 7 === 1 ? [{ at: d.at('14:45'), method: SALINITY_METER }] : [])
		])
		.filter((test) => test.at < now);
	const script: WaterScript = {
		seed: 90,
		start: {
			at: days[0]!.at('06:00'),
			levels: { ammonia: 0.2, nitrite: 0, nitrate: 1, salinity: 34.6, alkalinity: 8.4 }
		},
		until: now,
		volumeL: 90,
		events: [],
		// First one kind of bacteria grows, then the other: ammonia peaks on day 6, nitrite on day 14.
		living: ({ day, wobble }, level) => {
			const grown = (at: number, width: number) => 1 / (1 + Math.exp((at - day) / width));
			const load = day < 6 ? 0.42 * wobble : 0.03;
			const eaten = level.ammonia! * (0.02 + 3 * grown(CLASS_CYCLE.ammonia, CLASS_CYCLE.ammoniaWidth));
			const oxidised = level.nitrite! * (0.01 + 5 * grown(CLASS_CYCLE.nitrite, CLASS_CYCLE.nitriteWidth));
			return {
				ammonia: load - eaten,
				nitrite: eaten * 2.55 - oxidised,
				nitrate: oxidised * 1.35 + 0.1,
				salinity: 0,
				alkalinity: -0.02
			};
		},
		moods: ({ day, light }, level) => ({
			ph: 8.05 + 0.06 * (light - 1),
			temperature: 25.6 + 0.1 * (light - 1),
			// The nitrate card counts nitrite as well; where that is much, its colour cannot be matched.
			nitrate: level.nitrate! + (Math.floor(day) === MISLED_DAY ? 0 : COUNTED_AS_NITRATE) * level.nitrite!
		}),
		tests,
		reader: { ...CALM_READER, colourSdSteps: 0.08 }
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
/** When, in days, each kind of bacteria has grown to half, and how fast. */
const CLASS_CYCLE = { ammonia: 17, ammoniaWidth: 1.5, nitrite: 22.5, nitriteWidth: 3 };
