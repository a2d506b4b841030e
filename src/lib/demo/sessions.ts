import { methodByCode } from '$lib/core/method';
import { addSeconds, type Instant } from '$lib/core/time';
import type { DemoSession, DemoSet } from './story';

const HOUR_S = 3600;
const by = (code: string) => methodByCode(code)!;

/** One session that was left when the phone rang, and one that is planned for today and covers two waters. */
export function librarySessions(now: Instant): readonly DemoSession[] {
	return [
		{
			state: 'under-way',
			at: addSeconds(now, -HOUR_S),
			dueAt: null,
			tests: [
				{ water: 'Lobby reef', method: by('ca-syringe'), stepsDone: 2 },
				{ water: 'Lobby reef', method: by('mg-syringe'), stepsDone: 0 }
			]
		},
		{
			state: 'planned',
			at: addSeconds(now, -20 * HOUR_S),
			dueAt: addSeconds(now, HOUR_S),
			tests: [
				{ water: 'Lobby reef', method: by('alk-syringe'), stepsDone: 0 },
				{ water: 'Lobby reef', method: by('no3-ladder'), stepsDone: 0 },
				{ water: 'Paludarium', method: by('alk-drops'), stepsDone: 0 },
				{ water: 'Paludarium', method: by('gh-drops'), stepsDone: 0 }
			]
		}
	];
}

const once = (water: string, methodCode: string) =>
	({ water, methodCode, portion: 'full', times: 1 }) as const;

/** What the keeper of the library tests together. */
export const LIBRARY_SETS: readonly DemoSet[] = [
	{
		name: 'Saturday’s tests',
		tests: ['alk-syringe', 'ca-syringe', 'mg-syringe', 'no3-ladder'].map((code) => once('Lobby reef', code)),
		weekdays: [6],
		atMinute: 10 * 60,
		inOrder: false
	},
	{
		name: 'Barrel before a change',
		tests: ['salinity-float', 'alk-syringe', 'mg-syringe'].map((code) => once('Mixing barrel', code)),
		weekdays: [],
		atMinute: null,
		inOrder: true
	}
];
