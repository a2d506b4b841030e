import type { SupplementStrength, WaterEvent } from '$lib/core/balance';
import { normalDeviate, seededRandom } from '$lib/core/numeric';
import type { ParameterId } from '$lib/core/quantity';
import { simulateReef, type ReefHistory, type ReefScript } from '$lib/core/tank';
import { addDays, civilDate, daysBetween, instantOfLocal, type Instant } from '$lib/core/time';

export const LOBBY_REEF = { name: 'Lobby reef', netVolumeL: 540, days: 548 } as const;
export const LIBRARY = { name: 'Quay library', timeZone: 'Europe/Lisbon' } as const;

const SEED = 540_2026;
const CARBONATE = 'Part one, carbonate';
const CALCIUM_PART = 'Part two, calcium';
const CARBONATE_STRENGTH: readonly SupplementStrength[] = [
	{ parameter: 'alkalinity', risePerMlIn100L: 0.14 }
];
const CALCIUM_STRENGTH: readonly SupplementStrength[] = [{ parameter: 'calcium', risePerMlIn100L: 1 }];
/** Days before the demo's day on which a part of the story happens. */
const PUMP_FAILED = { daysAgo: 62, days: 4 } as const;
const CREEP_DAYS = 35;
/** The keeper sets the doses anew every four weeks. */
const SETTING_DAYS = 28;
const CHANGE_L = 43;

export interface DemoNote {
	readonly at: Instant;
	readonly kind: 'animals-in' | 'animals-out' | 'failure' | 'note' | 'feeding';
	readonly note: string;
}

export interface LobbyReef {
	readonly history: ReefHistory;
	readonly events: readonly (WaterEvent & { readonly batch?: string })[];
	readonly notes: readonly DemoNote[];
	/** The reading, by its place in the history, whose left was first entered as used. */
	readonly misreadIndex: number;
}

/** Uptake of alkalinity in dKH a day: growth over the months, and a creep in the last five weeks. */
function demandOn(day: number): number {
	const creep = Math.max(0, day - (LOBBY_REEF.days - CREEP_DAYS)) / CREEP_DAYS;
	return 0.42 + 0.2 * (day / LOBBY_REEF.days) + 0.075 * creep;
}

function weekday(at: Instant, timeZone: string): number {
	return new Date(`${civilDate(at, timeZone)}T12:00Z`).getUTCDay();
}

/** The days of the history, each with the local time of an hour and minute on it. */
function calendar(start: Instant, timeZone: string) {
	return Array.from({ length: LOBBY_REEF.days + 1 }, (_, day) => {
		const at = addDays(start, day);
		const date = civilDate(at, timeZone);
		return {
			day,
			weekday: weekday(at, timeZone),
			at: (time: string) => instantOfLocal(`${date}T${time}`, timeZone)
		};
	});
}

/** Millilitres of a supplement that raise the reef by so much. */
function millilitres(rise: number, strength: readonly SupplementStrength[]): number {
	return Math.round((rise * LOBBY_REEF.netVolumeL) / 100 / strength[0]!.risePerMlIn100L);
}

/** Eighteen months of a library's reef, told by a simulated tank; the same day gives the same story. */
export function lobbyReef(now: Instant): LobbyReef {
	const { timeZone } = LIBRARY;
	const start = addDays(now, -LOBBY_REEF.days);
	const days = calendar(start, timeZone).filter((d) => d.at('21:00') < now);
	const random = seededRandom(SEED);
	const tests: { at: Instant; parameter: ParameterId }[] = [];
	const events: (WaterEvent & { batch?: string })[] = [];
	let saturdays = 0;
	for (const d of days) {
		if (d.weekday === 2 || d.weekday === 6) tests.push({ at: d.at('19:30'), parameter: 'alkalinity' });
		if (d.weekday === 6) {
			tests.push({ at: d.at('19:50'), parameter: 'calcium' });
			if (saturdays++ % 2 === 1) {
				events.push({
					kind: 'water-change',
					at: d.at('14:00'),
					fraction: CHANGE_L / LOBBY_REEF.netVolumeL,
					batch: `Batch ${Math.ceil(saturdays / 4)}`,
					newWater: {
						alkalinity: { value: Math.round(normalDeviate(random, 7.6, 0.2) * 10) / 10, u: 0.24 },
						calcium: { value: Math.round(normalDeviate(random, 418, 8)), u: 9 }
					}
				});
			}
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

	const script = (until: Instant): ReefScript => ({
		seed: SEED,
		start: { at: start, alkalinityDkh: 8.1, calciumMgPerL: 428 },
		until,
		volumeL: LOBBY_REEF.netVolumeL,
		events,
		demandDkhPerDay: demandOn,
		tests,
		reader: { endPointSdMl: 0.011, kitBias: 0.004 }
	});
	const calciumPerDkh = 7.147;
	for (let day = 0; day < LOBBY_REEF.days - CREEP_DAYS; day += SETTING_DAYS) {
		const at = days[day]!.at('10:00');
		const level = simulateReef(script(at)).states.at(-1)!;
		const aim = day > LOBBY_REEF.days - 2 * CREEP_DAYS - SETTING_DAYS ? 8.5 : 8.25;
		const alkalinity = demandOn(day + SETTING_DAYS / 2) + (0.7 * (aim - level.alkalinityDkh)) / SETTING_DAYS;
		const calcium =
			calciumPerDkh * demandOn(day + SETTING_DAYS / 2) + (0.7 * (432 - level.calciumMgPerL)) / SETTING_DAYS;
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

	const history = simulateReef(script(now));
	const ago = (count: number, time: string) => days.find((d) => d.day === LOBBY_REEF.days - count)!.at(time);
	const misreadIndex = history.readings.findIndex(
		(r) => r.method.parameter === 'alkalinity' && daysBetween(r.at, now) < 80
	);
	return {
		history,
		events: events.sort((a, b) => a.at - b.at),
		misreadIndex,
		notes: [
			{
				at: addDays(failedAt, 3.7),
				kind: 'failure',
				note: 'The pump for part one stands still; the hose had slipped off.'
			},
			{ at: ago(33, '17:10'), kind: 'animals-in', note: 'Six cuttings from the school, on the left ledge.' },
			{
				at: ago(120, '18:00'),
				kind: 'animals-out',
				note: 'Two large colonies cut back; the pieces went to the school.'
			},
			{ at: ago(12, '19:05'), kind: 'note', note: 'Glass cleaned, skimmer cup emptied.' },
			{ at: ago(5, '08:40'), kind: 'feeding', note: 'A little more than usual, visitors helped.' }
		]
	};
}

/** What the single doses after the pump's failure were taken from. */
export const SINGLE_DOSE_SUPPLEMENT = CARBONATE;
