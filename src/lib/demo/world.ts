import type { Instant } from '$lib/core/time';
import { classroomTank, cuttingsTray, paludarium } from './living-waters';
import { LIBRARY_SUPPLEMENTS } from './lobby-plans';
import { LIBRARY, lobbyReef } from './lobby-reef';
import { LIBRARY_SETS, librarySessions } from './sessions';
import { SHIPPED_METHODS } from '$lib/core/method';
import { libraryPractice, schoolPractice } from './practice';
import { libraryPurified } from './purified';
import { libraryShelf, schoolShelf } from './shelf';
import { collected, mixingBarrel, quayTap } from './still-waters';
import type { SiteStory } from './story';

export const SCHOOL = { name: 'Harbour school', timeZone: LIBRARY.timeZone } as const;

const SKERRY = {
	alkalinity: 6.55,
	calcium: 418,
	magnesium: 1298,
	nitrate: 0.25,
	phosphate: 0.02,
	salinity: 34.7
} as const;
const BIGHT = {
	alkalinity: 6.7,
	calcium: 396,
	magnesium: 1225,
	nitrate: 1.4,
	phosphate: 0.05,
	salinity: 32.6
} as const;

/** The demo world: two sites, eight waters, told from the day on which it is made. The same day, the same world. */
export function demoWorld(now: Instant): readonly [SiteStory, SiteStory] {
	const zone = LIBRARY.timeZone;
	return [
		{
			name: LIBRARY.name,
			timeZone: zone,
			people: [
				{ displayName: 'Keeper', role: 'owner' },
				{ displayName: 'Helper', role: 'helper' }
			],
			waters: [
				lobbyReef(now).story,
				mixingBarrel(now, zone),
				quayTap(now, zone),
				paludarium(now, zone),
				collected('Skerry sample', now, zone, 96, SKERRY, 'One litre from the outer skerry, ebb, 1 m deep.'),
				collected(
					'Bight sample',
					now,
					zone,
					95,
					BIGHT,
					'One litre from the bight, after rain, from the pier.'
				)
			],
			shelf: libraryShelf(now),
			supplements: LIBRARY_SUPPLEMENTS,
			sessions: librarySessions(now),
			sets: LIBRARY_SETS,
			purified: libraryPurified(now),
			practice: libraryPractice(now, SHIPPED_METHODS)
		},
		{
			name: SCHOOL.name,
			timeZone: zone,
			people: [
				{ displayName: 'Teacher', role: 'owner' },
				{ displayName: 'Keeper', role: 'keeper' }
			],
			waters: [cuttingsTray(now, zone), classroomTank(now, zone)],
			shelf: schoolShelf(now),
			supplements: [],
			sessions: [],
			sets: [],
			purified: [],
			practice: schoolPractice(now, SHIPPED_METHODS)
		}
	];
}
