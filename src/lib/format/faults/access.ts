import type { Permission, Role } from '$lib/core/access';

/** What somebody is at a site. */
export const ROLE_NAMES: Readonly<Record<Role, string>> = {
	owner: 'owner',
	keeper: 'keeper',
	helper: 'helper',
	reader: 'reader'
};

const DEEDS: Readonly<Record<Permission, string>> = {
	test: 'carry out tests',
	record: 'write down what happened',
	'carry-out': 'carry out steps of a correction',
	decide: 'set what is wanted, or begin and end corrections',
	equip: 'change kits and what is on the shelf',
	arrange: 'change which waters there are',
	share: 'give anything out',
	people: 'say who belongs here'
};

/** What a member cannot do here, and who can. */
export function lacks(what: Permission, role: Role): string {
	const who = role === 'owner' ? 'an owner' : `a ${ROLE_NAMES[role]}`;
	const others = what === 'people' ? 'Its owner' : 'Its owner or a keeper';
	return `As ${who} of this site you cannot ${DEEDS[what]}. ${others} can.`;
}

/** The same to whoever tried. */
export function notAllowed(what: string, role: string): string {
	return `${lacks(what as Permission, role as Role)} Nothing was changed.`;
}

const OVER: Readonly<Record<string, string>> = {
	used: 'This invitation was used already. Each is good for one person.',
	revoked: 'This invitation was taken back.',
	late: 'The time of this invitation is over.'
};

/** Why an invitation lets nobody in any more, and what to do. */
export function invitationOver(why: string): string {
	return `${OVER[why] ?? 'There is no such invitation.'} Ask whoever invited you for a new one.`;
}
