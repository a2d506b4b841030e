import { fail, ok, type Result } from '../result/index.ts';

/** What somebody is at a site, from whoever may do most to whoever may do least. */
export const ROLES = ['owner', 'keeper', 'helper', 'reader'] as const;
export type Role = (typeof ROLES)[number];

/** What can be done at a site besides looking, which every member may. */
export const PERMISSIONS = [
	/** Carry out tests, correct them, keep photographs of them. */
	'test',
	/** Write down what happened, what was dosed, and what a laboratory said. */
	'record',
	/** Say that a step of a correction was done, or was left out. */
	'carry-out',
	/** Say what is wanted, what may change in a day, which rules hold; begin corrections and end them. */
	'decide',
	/** Take in kits and other things, check them, correct them, and say how they are read. */
	'equip',
	/** Add waters, rename them, take them down; the site's clock. */
	'arrange',
	/** Give something out of the house: an address of a calendar, a sheet for a visitor. */
	'share',
	/** Say who belongs to the site, and as what. */
	'people'
] as const;
export type Permission = (typeof PERMISSIONS)[number];

const MAY: Readonly<Record<Role, readonly Permission[]>> = {
	owner: PERMISSIONS,
	keeper: ['test', 'record', 'carry-out', 'decide', 'equip', 'arrange', 'share'],
	helper: ['test', 'record', 'carry-out'],
	reader: []
};

export function may(role: Role, what: Permission): boolean {
	return MAY[role].includes(what);
}

declare const GRANTED: unique symbol;

/** Something that was looked at with a role, by whoever was found to have these permissions. */
export type Granted<P extends Permission> = { readonly [GRANTED]: { readonly [K in P]: true } };

/** The same, whatever it was. */
export type GrantedSomething = { readonly [GRANTED]: object };

/**
 * Marks what stands for a member's right to a site with a permission that the member has. It is the only way to one, so
 * that whatever asks for a permission by its type cannot be reached without it.
 */
export function granted<S extends { readonly role: Role }, P extends Permission>(
	scope: S,
	what: P
): Result<S & Granted<P>> {
	if (!may(scope.role, what)) return fail('not-allowed', undefined, { what, role: scope.role });
	return ok(scope as S & Granted<P>);
}
