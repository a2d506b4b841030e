import { bandAt, litBy, plainBand } from '../../record/index.ts';
import type { Instant } from '../../time/index.ts';
import { factsOf, isFresh, ReadingsInTime, type Facts, type ProfileId } from '../index.ts';
import { mediumRuns } from './medium.ts';
import type { WaterRecord } from './record.ts';

/** The facts of a water at a time, from what was read and done up to it. */
export function factsAt(
	given: Pick<WaterRecord, 'water' | 'timeZone' | 'results' | 'events' | 'targets'> & {
		/** What the water was at a time, where that is asked of the past. */
		readonly profileAt?: (at: Instant) => ProfileId | null;
		/** The results grouped, where many days are asked of. */
		readonly inTime?: ReadingsInTime;
	},
	at: Instant,
	departureZ: number | null
): Facts {
	const { water, timeZone, results, events, targets, inTime } = given;
	const { profile } = given.profileAt ? { profile: given.profileAt(at) } : water;
	const until = events.filter((e) => e.happenedAt <= at);
	return factsOf({
		at,
		readingsOf: (inTime ?? new ReadingsInTime(results)).until(at),
		bandOf: (parameter) => plainBand(bandAt(targets, parameter, at)),
		mediumRuns: mediumRuns(until),
		changes: until.filter((e) => e.kind === 'water-change').map((e) => e.happenedAt),
		fresh: isFresh(profile),
		cycling: profile === 'cycling',
		animals: water.hasAnimals,
		newMix: water.kind === 'new-mix',
		litAt: litBy(water.lights, timeZone),
		departureZ
	});
}
