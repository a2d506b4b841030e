import type { SupplementStrength, WaterEvent } from '$lib/core/balance';
import {
	ALK_SYRINGE,
	CA_SYRINGE,
	K_FILTER,
	MG_SYRINGE,
	NH3_CARD,
	NO2_CARD,
	NO3_CARD,
	PH_CARD,
	PO4_CARD,
	SALINITY_GLASS,
	THERMOMETER,
	statedMethodFor
} from '$lib/core/method';
import { normalDeviate, roundTo, seededRandom } from '$lib/core/numeric';
import { meqPerLFromDkh } from '$lib/core/quantity';
import type { RawReading } from '$lib/core/reading';
import {
	CALM_READER,
	simulateWater,
	type Levels,
	type Moment,
	type WaterHistory,
	type WaterScript
} from '$lib/core/tank';
import { addDays, daysBetween, type Instant } from '$lib/core/time';
import { calendar } from './calendar';
import { deathPanel } from './death-panel';
import { displayPairs } from './display-pairs';
import { CALCIUM_PART, CARBONATE, lobbyPlans } from './lobby-plans';
import type { DemoNote, DemoReading, WaterStory } from './story';

export const LOBBY_REEF = { name: 'Lobby reef', netVolumeL: 540, days: 548 } as const;
export const LIBRARY = { name: 'Quay library', timeZone: 'Europe/Lisbon' } as const;

const SEED = 540_2026;
const CARBONATE_STRENGTH: readonly SupplementStrength[] = [
	{ parameter: 'alkalinity', risePerMlIn100L: 0.14 }
];
const CALCIUM_STRENGTH: readonly SupplementStrength[] = [{ parameter: 'calcium', risePerMlIn100L: 1 }];
const CALCIUM_PER_DKH = 7.147;
/** Days before the demo's day on which a part of the story happens. */
const PUMP_FAILED = { daysAgo: 62, days: 4 } as const;
const CREEP_DAYS = 35;
const CREEP_DKH = 0.24;
/** Half-way through the creep the keeper raises part one once, and not enough. */
const RAISED = { daysAgo: 17, byDkh: 0.08 } as const;
/** Slips that nobody has noticed yet: a point, and a unit. */
const POINT_DAYS_AGO = 40;
const LABORATORY_DAYS_AGO = 26;
/** The float of the top-up sits a little low since: salt builds up. */
const SALTY = { daysAgo: 30, by: 0.75 } as const;
/** For a week the top-up had run over: all salts were thinned, and came back with the next changes. */
const THINNED = { daysAgo: 103, days: 7, to: 0.915 } as const;
const DIED_DAYS_AGO = 46;
/** The keeper sets the doses anew every four weeks. */
const SETTING_DAYS = 28;
const CHANGE_L = 43;

interface LobbyReef {
	readonly history: WaterHistory;
	readonly story: WaterStory;
}

/** Uptake of alkalinity in dKH a day: growth over the months, and a creep in the last five weeks. */
function demandOn(day: number): number {
	const creep = Math.max(0, day - (LOBBY_REEF.days - CREEP_DAYS)) / CREEP_DAYS;
	return 0.42 + 0.2 * (day / LOBBY_REEF.days) + CREEP_DKH * creep;
}

/** What lives in it: corals that build skeletons by light, and a load that leaves nutrients behind. */
function living({ day, light, wobble }: Moment, level: Readonly<Levels>) {
	const uptake = demandOn(day) * (1 + 0.4 * (light - 1)) * wobble;
	return {
		alkalinity: -uptake,
		calcium: -uptake * CALCIUM_PER_DKH,
		magnesium: -0.35 * wobble,
		potassium: -0.12 * wobble,
		// What the animals leave behind, less what the refugium takes up of it.
		nitrate: 0.55 * wobble - 0.07 * (level.nitrate ?? 0),
		phosphate: 0.0058 * wobble - 0.08 * (level.phosphate ?? 0),
		salinity: 0
	};
}

/** What all salts are thinned or thickened to on a day. */
function thickness(day: number): number {
	const left = LOBBY_REEF.days - day;
	if (left <= THINNED.daysAgo && left > THINNED.daysAgo - THINNED.days) return THINNED.to;
	return left < SALTY.daysAgo ? 1 + SALTY.by / 35 : 1;
}

/** The hour's pH and temperature: breathing at night, lamps by day; and all salts by how much water there is. */
function moods({ day, light, wobble }: Moment, level: Readonly<Levels>) {
	const season = Math.sin((2 * Math.PI * day) / 365);
	const all = thickness(day);
	return {
		salinity: all * level.salinity!,
		// The two per cent that evaporation adds are lost in its own swings.
		alkalinity: Math.min(1, all) * level.alkalinity!,
		calcium: all * level.calcium!,
		magnesium: all * level.magnesium!,
		potassium: all * level.potassium!,
		ph: 8.12 + 0.12 * (light - 1) + 0.04 * (wobble - 1) * 10,
		temperature: 25.3 + 0.35 * season + 0.2 * (light - 1)
	};
}

/** Millilitres of a supplement that raise the reef by so much. */
function millilitres(rise: number, strength: readonly SupplementStrength[]): number {
	return Math.round((rise * LOBBY_REEF.netVolumeL) / 100 / strength[0]!.risePerMlIn100L);
}

/** Eighteen months of a library's reef, told by a simulated tank; the same day gives the same story. */
export function lobbyReef(now: Instant): LobbyReef {
	const { timeZone } = LIBRARY;
	const start = addDays(now, -LOBBY_REEF.days);
	const days = calendar(start, LOBBY_REEF.days, timeZone, now);
	const random = seededRandom(SEED);
	const tests: WaterScript['tests'][number][] = [];
	const events: (WaterEvent & { batch?: string })[] = [];
	let saturdays = 0;
	for (const d of days) {
		const left = LOBBY_REEF.days - d.day;
		if (d.weekday === 2 || d.weekday === 6) tests.push({ at: d.at('19:30'), method: ALK_SYRINGE });
		if (d.day % 10 === 4) {
			tests.push({ at: d.at('18:10'), method: NO3_CARD }, { at: d.at('18:25'), method: PO4_CARD });
		}
		// A month of pH, morning and evening, in the spring before last.
		if (left > 200 && left <= 230) {
			tests.push({ at: d.at('08:40'), method: PH_CARD }, { at: d.at('18:50'), method: PH_CARD });
		}
		if (d.weekday === 3 && left < 40) tests.push({ at: d.at('18:50'), method: PH_CARD });
		if (d.weekday !== 6) continue;
		tests.push(
			{ at: d.at('19:10'), method: THERMOMETER },
			{ at: d.at('19:15'), method: SALINITY_GLASS },
			{ at: d.at('19:50'), method: CA_SYRINGE }
		);
		saturdays++;
		if (saturdays % 4 === 1) tests.push({ at: d.at('20:10'), method: MG_SYRINGE });
		if (saturdays % 4 === 3) tests.push({ at: d.at('20:20'), method: K_FILTER });
		if (saturdays % 12 === 5) {
			tests.push({ at: d.at('20:35'), method: NH3_CARD }, { at: d.at('20:40'), method: NO2_CARD });
		}
		if (saturdays % 2 === 0) {
			const near = (mean: number, sd: number, step: number) => roundTo(normalDeviate(random, mean, sd), step);
			events.push({
				kind: 'water-change',
				at: d.at('14:00'),
				fraction: CHANGE_L / LOBBY_REEF.netVolumeL,
				batch: `Batch ${Math.ceil(saturdays / 8)}`,
				newWater: {
					alkalinity: { value: near(7.6, 0.2, 0.1), u: 0.24 },
					calcium: { value: near(418, 8, 1), u: 9 },
					magnesium: { value: near(1335, 15, 1), u: 30 },
					potassium: { value: near(398, 6, 1), u: 12 },
					nitrate: { value: 0.3, u: 0.3 },
					phosphate: { value: 0.01, u: 0.01 },
					salinity: { value: near(35, 0.2, 0.1), u: 0.4 }
				}
			});
		}
	}
	const failedAt = days.find((d) => d.day === LOBBY_REEF.days - PUMP_FAILED.daysAgo)!.at('03:00');
	events.push({ kind: 'recurring-dose-missed', at: failedAt, supplement: CARBONATE, days: PUMP_FAILED.days });
	for (const after of [4, 5, 6]) {
		events.push({
			kind: 'dose',
			at: addDays(failedAt, after + 0.6),
			amountMl: millilitres(0.7, CARBONATE_STRENGTH),
			strength: CARBONATE_STRENGTH
		});
	}

	const ago = (count: number, time: string) => days.find((d) => d.day === LOBBY_REEF.days - count)!.at(time);
	const planned = lobbyPlans(ago, LOBBY_REEF.netVolumeL);
	tests.push(...planned.tests);

	const levels = {
		alkalinity: 8.1,
		calcium: 428,
		magnesium: 1340,
		potassium: 396,
		nitrate: 7,
		phosphate: 0.06,
		ammonia: 0.01,
		nitrite: 0.01,
		salinity: 35
	};
	const script = (until: Instant): WaterScript => ({
		seed: SEED,
		start: { at: start, levels },
		until,
		volumeL: LOBBY_REEF.netVolumeL,
		events: [...events, ...planned.doses],
		living,
		moods,
		tests,
		reader: { ...CALM_READER, endPointSdDrops: 0.75 }
	});
	for (let day = 0; day < LOBBY_REEF.days - CREEP_DAYS; day += SETTING_DAYS) {
		const at = days[day]!.at('10:00');
		const level = simulateWater(script(at)).states.at(-1)!.levels;
		// Of late the keeper trusted the settings and steered less: with the creep, both run low at last.
		const late = day > LOBBY_REEF.days - 2 * CREEP_DAYS - SETTING_DAYS;
		const [aim, aimCalcium] = late ? [8.3, 416] : [8.25, 432];
		const alkalinity = demandOn(day + SETTING_DAYS / 2) + (0.7 * (aim - level.alkalinity!)) / SETTING_DAYS;
		const calcium =
			CALCIUM_PER_DKH * demandOn(day + SETTING_DAYS / 2) +
			(0.7 * (aimCalcium - level.calcium!)) / SETTING_DAYS;
		events.push(
			{
				kind: 'recurring-dose',
				at,
				supplement: CARBONATE,
				amountMlPerDay: Math.max(0, millilitres(alkalinity, CARBONATE_STRENGTH)),
				strength: CARBONATE_STRENGTH
			},
			{
				kind: 'recurring-dose',
				at,
				supplement: CALCIUM_PART,
				amountMlPerDay: Math.max(0, millilitres(calcium, CALCIUM_STRENGTH)),
				strength: CALCIUM_STRENGTH
			}
		);
	}

	const running = events.findLast((e) => e.kind === 'recurring-dose' && e.supplement === CARBONATE);
	if (running?.kind === 'recurring-dose') {
		events.push({
			...running,
			at: days.find((d) => d.day === LOBBY_REEF.days - RAISED.daysAgo)!.at('10:00'),
			amountMlPerDay: running.amountMlPerDay + millilitres(RAISED.byDkh, CARBONATE_STRENGTH)
		});
	}

	const history = simulateWater(script(now));
	const misreadIndex = history.readings.findIndex(
		(r) => r.method === ALK_SYRINGE && daysBetween(r.at, now) < 80
	);
	const pointIndex = history.readings.findIndex(
		(r) => r.method === CA_SYRINGE && daysBetween(r.at, now) < POINT_DAYS_AGO
	);
	const readings = history.readings.map(({ at, method, reading }, i): DemoReading => {
		const conditions =
			reading.form === 'step'
				? { ...reading, light: 'daylight' as const, background: 'white' as const }
				: reading;
		return {
			at,
			method,
			reading: conditions,
			...(i % 41 === 17 ? { note: 'Light was poor, read under the cabinet lamp.' } : {}),
			...(i === misreadIndex
				? { firstEnteredAs: otherWay(reading), correctedBecause: 'Entered what was left as what was used.' }
				: {}),
			...(i === pointIndex ? { reading: tenth(reading) } : {})
		};
	});
	// A laboratory answers in milliequivalents; it was typed in as degrees.
	const askedAt = ago(LABORATORY_DAYS_AGO, '11:00');
	const truth = history.states.find((state) => state.at >= askedAt)!.levels.alkalinity!;
	readings.push({
		at: askedAt,
		method: statedMethodFor('alkalinity'),
		reading: {
			form: 'stated',
			portion: 'full',
			unit: 'dkh',
			says: {
				kind: 'value',
				value: Number(meqPerLFromDkh(truth).toFixed(2)),
				expandedU: 0.05,
				k: 2
			},
			source: 'harbour laboratory'
		}
	});
	readings.push(...displayPairs(now, history), ...deathPanel(ago(DIED_DAYS_AGO, '19:40'), history));
	readings.sort((a, b) => a.at - b.at);
	const notes: DemoNote[] = [
		{
			at: addDays(failedAt, 3.7),
			kind: 'failure',
			note: 'The pump for part one stands still; the hose had slipped off.'
		},
		{
			at: ago(THINNED.daysAgo, '07:30'),
			kind: 'failure',
			note: 'The top-up valve hung open overnight; about forty-five litres of fresh water went in.'
		},
		{
			at: ago(DIED_DAYS_AGO, '17:50'),
			kind: 'death',
			note: 'The old wrasse lay dead behind the rock; taken out.'
		},
		{ at: ago(33, '17:10'), kind: 'animals-in', note: 'Six cuttings from the school, on the left ledge.' },
		{
			at: ago(120, '18:00'),
			kind: 'animals-out',
			note: 'Two large colonies cut back; the pieces went to the school.'
		},
		{ at: ago(12, '19:05'), kind: 'note', note: 'Glass cleaned, skimmer cup emptied.' },
		{ at: ago(5, '08:40'), kind: 'feeding', note: 'A little more than usual, visitors helped.' }
	];
	return {
		history,
		story: {
			name: LOBBY_REEF.name,
			kind: 'tank',
			netVolumeL: LOBBY_REEF.netVolumeL,
			profile: 'mixed-reef',
			hasAnimals: true,
			lights: [9 * 60, 20 * 60],
			startedAt: days[0]!.at('06:00'),
			events: events.sort((a, b) => a.at - b.at),
			singleDoses: CARBONATE,
			batches: [],
			notes,
			plans: planned.plans,
			readings
		}
	};
}

/** The point in the wrong place. */
function tenth(reading: RawReading): RawReading {
	if (reading.form !== 'syringe') return reading;
	const last = reading.fills.at(-1)!;
	const ml = roundTo(last.end.lowerMl / 10, 0.01);
	return {
		...reading,
		fills: [...reading.fills.slice(0, -1), { ...last, end: { lowerMl: ml, upperMl: ml } }]
	};
}

/** The same plunger entered the wrong way round. */
function otherWay(reading: RawReading): RawReading {
	return reading.form === 'syringe'
		? { ...reading, readAs: reading.readAs === 'left' ? 'used' : 'left' }
		: reading;
}
