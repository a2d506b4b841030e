import { page } from '$app/state';
import { may, type Permission, type Role } from '$lib/core/access';

/** Views that are there to write something, by their route, with what that takes. */
const WRITES: Readonly<Record<string, Permission>> = {
	bench: 'test',
	'log/new': 'record',
	'log/result': 'record',
	'log/earlier': 'record',
	'log/[reading]': 'test',
	laboratory: 'record',
	purified: 'record',
	sets: 'test',
	targets: 'decide',
	profiles: 'decide',
	testing: 'decide',
	'adjust/limits': 'decide',
	'adjust/supplements': 'decide',
	kits: 'equip',
	'methods/new': 'equip',
	'shelf/new': 'equip',
	'shelf/standard': 'equip',
	'shelf/[item]': 'equip',
	waters: 'arrange'
};

/** What it takes to write on the page that is shown; null where it is looked at, or where each part asks for itself. */
export function neededHere(): Permission | null {
	return WRITES[page.route.id?.replace('/waters/[water]/', '') ?? ''] ?? null;
}

/** What the person is at the site of this page; a page of no site leaves everything to the server. */
export function roleHere(): Role | null {
	return (page.data as { role?: Role }).role ?? null;
}

export function mayHere(what: Permission): boolean {
	const role = roleHere();
	return role === null || may(role, what);
}
