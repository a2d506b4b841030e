import { NH3_CARD, NO2_CARD } from '../../src/lib/core/method/index.ts';
import { seededRandom } from '../../src/lib/core/numeric/index.ts';
import {
	cycleReadingOf,
	followCycle,
	USUAL_CYCLE,
	type CycleReading,
	type CycleSettings
} from '../../src/lib/core/judgement/index.ts';
import { derive } from '../../src/lib/core/reading/index.ts';
import { simulateWater, type WaterScript } from '../../src/lib/core/tank/index.ts';
import { addDays, daysBetween, instant } from '../../src/lib/core/time/index.ts';

/** The lowest colour of the nitrite card above none, mg/L: less it may not see. */
const SIGHT = 0.1;
/** Nitrite that the card shows as none without doubt, mg/L; and for so long it has to stay so to count as clear. */
const CLEAR = 0.03;
const STAYS_DAYS = 20;
const DAYS = 80;
const START = instant(Date.UTC(2024, 2, 1, 8));
const ZONE = 'Europe/Lisbon';

/** One new tank, followed with the cards, and what the tracker said of it. */
export interface CycleRun {
	readonly seed: number;
	readonly nature: CycleNature;
	/** Tests at which it stood done although nitrite was above the card's sight. */
	readonly wronglyDone: number;
	/** Day from which nitrite stays so low that the card shows none, to the end; null where it never does. */
	readonly clearFrom: number | null;
	/** Day of the first test after that at which it was called done; null where it never was. */
	readonly doneOn: number | null;
}

export const CYCLE_NATURES = ['usual', 'slow', 'stalls', 'comes-back', 'never-begins'] as const;
export type CycleNature = (typeof CYCLE_NATURES)[number];

const natureOf = (seed: number): CycleNature => {
	const at = seed % 20;
	return at < 11 ? 'usual' : at < 14 ? 'slow' : at < 16 ? 'stalls' : at < 19 ? 'comes-back' : 'never-begins';
};

/** First one kind of bacteria grows, then the other; some slowly, some not enough, and some tanks get a second load. */
function living(seed: number, nature: CycleNature): WaterScript['living'] {
	const random = seededRandom(seed * 31 + 7);
	const between = (least: number, most: number) => least + random() * (most - least);
	const slow = nature === 'slow' ? 1.7 : 1;
	const ammoniaAt = between(6, 11) * slow;
	const nitriteAt = ammoniaAt + between(5, 14) * slow;
	const strength = nature === 'stalls' ? between(0.12, 0.3) : between(3, 8);
	const load = nature === 'never-begins' ? 0.002 : between(0.25, 0.6);
	const loadedDays = between(5, 9);
	const after = nature === 'never-begins' ? 0.001 : between(0.005, 0.03);
	const backOn = between(28, 55);
	const [widthA, widthB] = [between(0.8, 1.6), between(0.8, 1.8)];
	const grown = (day: number, at: number, width: number) => 1 / (1 + Math.exp((at - day) / width));
	return ({ day, wobble }, level) => {
		const back = nature === 'comes-back' && day > backOn && day < backOn + 3 ? 0.5 : 0;
		// The second load comes to bacteria that have dwindled.
		const dwindled = nature === 'comes-back' && day > backOn && day < backOn + 6 ? 0.25 : 1;
		const fed = (day < loadedDays ? load : after) * wobble + back;
		const eaten = level.ammonia! * (0.02 + 5 * grown(day, ammoniaAt, widthA) * dwindled);
		const oxidised = level.nitrite! * (0.01 + strength * grown(day, nitriteAt, widthB) * dwindled);
		return { ammonia: fed - eaten, nitrite: eaten * 2.55 - oxidised };
	};
}

/** Follows one simulated cycle with the cards, as a keeper does who forgets a day now and then. */
export function cycleRun(seed: number, settings: CycleSettings = USUAL_CYCLE): CycleRun {
	const nature = natureOf(seed);
	const random = seededRandom(seed * 101 + 3);
	const forgets = random() * 0.15;
	const tests = Array.from({ length: DAYS }, (_, day) => addDays(START, day + 0.25 + 0.1 * random()))
		.filter(() => random() >= forgets)
		.flatMap((at) => [
			{ at, method: NH3_CARD },
			{ at: addDays(at, 0.006), method: NO2_CARD }
		]);
	const { states, readings } = simulateWater({
		seed,
		start: {
			at: START,
			levels: { ammonia: nature === 'never-begins' ? 0.01 : 0.1 + 0.2 * random(), nitrite: 0 }
		},
		until: addDays(START, DAYS),
		volumeL: 90,
		events: [],
		living: living(seed, nature),
		tests,
		reader: {
			endPointSdDrops: 0.5,
			kitBias: 0,
			colourSdSteps: 0.08 + 0.22 * random()
		}
	});
	const lastAbove = states.findLast((s) => s.levels.nitrite! > CLEAR)?.at;
	const clearFrom =
		lastAbove === undefined || lastAbove > addDays(START, DAYS - STAYS_DAYS)
			? null
			: daysBetween(START, lastAbove);
	const taken: CycleReading[] = [];
	let wronglyDone = 0;
	let doneAt: number | null = null;
	for (const { at, method, reading, truth } of readings) {
		const derived = derive(method, reading);
		if (!derived.ok) throw new Error(derived.fault.code);
		const made = cycleReadingOf(at, derived.value.outcomes[0].result, method);
		if (made) taken.push(made);
		const state = followCycle(taken, { startedAt: START, timeZone: ZONE }, at, settings);
		if (clearFrom !== null && state.doneAt !== null && daysBetween(START, at) >= clearFrom) doneAt ??= at;
		if (state.doneAt !== null && method === NO2_CARD && truth > SIGHT) wronglyDone++;
	}
	return {
		seed,
		nature,
		wronglyDone,
		clearFrom,
		doneOn: doneAt === null ? null : (doneAt - START) / 86_400_000
	};
}
