import {
	ALK_DROPS,
	ALK_METER,
	ALK_SYRINGE,
	CA_DROPS,
	CA_SYRINGE,
	GH_DROPS,
	HARDNESS_DROPS,
	MG_SYRINGE,
	NO3_CARD,
	NO3_LADDER,
	PH_CARD,
	PO4_CARD,
	PO4_METER,
	SALINITY_FLOAT,
	SALINITY_METER,
	statedMethodFor,
	type Method
} from '$lib/core/method';
import { seededRandom, type Random } from '$lib/core/numeric';
import { meqPerLFromDkh, type ParameterId } from '$lib/core/quantity';
import type { StatedReading } from '$lib/core/reading';
import { CALM_READER, readBy, type Levels } from '$lib/core/tank';
import { addDays, addSeconds, type Instant } from '$lib/core/time';
import { calendar } from './calendar';
import { QUIET, type DemoReading, type WaterStory } from './story';

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
		reading: readBy(random, method, levels, { ...CALM_READER, calcium })
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
			).map((r) => ({ ...r, earlierPack: true })),
			laboratory(
				'alkalinity',
				Number(meqPerLFromDkh(levels.alkalinity!).toFixed(2)),
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
