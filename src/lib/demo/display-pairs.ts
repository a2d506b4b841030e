import { ALK_METER, ALK_SYRINGE } from '$lib/core/method';
import { seededRandom, type Random } from '$lib/core/numeric';
import { CALM_READER, readBy, type WaterHistory } from '$lib/core/tank';
import { addDays, type Instant } from '$lib/core/time';
import type { DemoReading } from './story';

/** Reagent that had drawn water: the display reads so much too high. */
export const DISPLAY_OFF = 0.11;
const PAIRS = { count: 12, everyDays: 12, lastDaysAgo: 10 } as const;
const SEED = 78;

/** Alkalinity by the display as well, on the evenings of the syringe: the pairs that made somebody wonder. */
export function displayPairs(now: Instant, history: WaterHistory): DemoReading[] {
	const random: Random = seededRandom(SEED);
	const evenings = history.readings.filter((r) => r.method === ALK_SYRINGE);
	return Array.from({ length: PAIRS.count }, (_, i) => {
		const wanted = addDays(now, -(PAIRS.lastDaysAgo + PAIRS.everyDays * (PAIRS.count - 1 - i)));
		const evening = evenings.findLast((r) => r.at <= wanted)!;
		const at = addDays(evening.at, 0.01);
		const { levels } = history.states.findLast((s) => s.at <= at)!;
		return {
			at,
			method: ALK_METER,
			reading: readBy(random, ALK_METER, levels, { ...CALM_READER, kitBias: DISPLAY_OFF })
		};
	});
}
