import type { HistoryLine } from '$lib/contract/people';
import type { Role } from '$lib/core/access';
import { instant } from '$lib/core/time';
import { shortDay } from '../date.ts';
import { ROLE_NAMES } from '../faults/access.ts';

/** "an owner", "a helper". */
export const asRole = (role: Role): string => `${role === 'owner' ? 'an' : 'a'} ${ROLE_NAMES[role]}`;

/** What a role may do, in a few words, for whoever gives it. */
export const ROLE_MEANS: Readonly<Record<Role, string>> = {
	owner: 'everything, and who belongs here',
	keeper: 'everything about the water: targets, kits, corrections, tests',
	helper: 'tests, the log, steps of corrections; no targets, no kits',
	reader: 'looks at everything and changes nothing, as a mentor or a shop does'
};

/** One line of a site's history: what was done, without who did it. */
export function deedWords({ deed, about }: HistoryLine, timeZone: string, now: number): string {
	const whom = (text: string) => (text === '' ? '' : ` for ${text}`);
	switch (deed.kind) {
		case 'invited':
			return `made an invitation${whom(deed.whom)} as ${asRole(deed.role)}`;
		case 'invitation-revoked':
			return `took the invitation${whom(deed.whom)} back`;
		case 'joined':
			return `came in as ${asRole(deed.role)}`;
		case 'changed': {
			const until =
				deed.until === null ? '' : `, until ${shortDay(instant(deed.until), timeZone, instant(now))}`;
			return deed.from === deed.to
				? `said how long ${about ?? 'a member'} stays ${asRole(deed.to)}${until || ', for good'}`
				: `made ${about ?? 'a member'} ${asRole(deed.to)} instead of ${asRole(deed.from)}${until}`;
		}
		case 'ended':
			return `ended what ${about ?? 'a member'} was here: ${asRole(deed.role)}`;
		case 'left':
			return `took the account away, and left as ${asRole(deed.role)}`;
		case 'place-added':
			return `made a link for the device “${deed.name}”`;
		case 'place-taken-up':
			return `a device became “${deed.name}”`;
		case 'place-revoked':
			return `signed the device “${deed.name}” out`;
		case 'sheet-given':
			return `handed out a sheet of ${deed.water}${whom(deed.whom)}`;
		case 'sheet-revoked':
			return `took the sheet of ${deed.water}${whom(deed.whom)} back`;
	}
}
