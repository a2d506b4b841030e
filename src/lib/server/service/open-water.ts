import type { Person } from '../repository/people.ts';
import { scopeOfWater, scopesOfPerson, watersOfPerson, type SiteScope } from '../repository/scope.ts';
import { waterAt, watersOf, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';

export interface OpenWater {
	readonly scope: SiteScope;
	readonly water: Water;
	/** All waters that this person may go to, those of this site first. */
	readonly siblings: readonly { readonly id: string; readonly name: string; readonly site: string }[];
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** The water with the right to it, or null: unknown, another site's, and ill-formed ids answer alike. */
export async function openWater(deps: Deps, person: Person, waterId: string): Promise<OpenWater | null> {
	if (!UUID.test(waterId)) return null;
	const now = deps.clock.now();
	const scope = await scopeOfWater(deps.db, person.id, waterId, now);
	if (!scope) return null;
	const [water, reachable] = await Promise.all([
		waterAt(deps.db, scope, waterId, now),
		watersOfPerson(deps.db, person.id, now)
	]);
	const siblings = [...reachable].sort(
		(a, b) => Number(b.siteId === scope.siteId) - Number(a.siteId === scope.siteId)
	);
	return water && { scope, water, siblings: siblings.map(({ id, name, site }) => ({ id, name, site })) };
}

/** Where a person starts: the first water of their first site. */
export async function firstWater(deps: Deps, person: Person): Promise<string | null> {
	for (const scope of await scopesOfPerson(deps.db, person.id, deps.clock.now())) {
		const [first] = await watersOf(deps.db, scope);
		if (first) return first.id;
	}
	return null;
}
