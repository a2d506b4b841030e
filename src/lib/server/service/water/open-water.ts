import type { Person } from '../../repository/people.ts';
import { reachOf, type Reached, type SiteScope } from '../../repository/scope.ts';
import { waterAt, type Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';

export interface OpenWater {
	readonly scope: SiteScope;
	readonly water: Water;
	/** All waters that this person may go to, those of this site first. */
	readonly siblings: readonly { readonly id: string; readonly name: string; readonly site: string }[];
	/** The same with the right to each, and with how often each was changed. */
	readonly reach: readonly Reached[];
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** The water with the right to it, or null: unknown, another site's, and ill-formed ids answer alike. */
export async function openWater(deps: Deps, person: Person, waterId: string): Promise<OpenWater | null> {
	if (!UUID.test(waterId)) return null;
	const now = deps.clock.now();
	const reach = await reachOf(deps.db, person, now);
	const own = reach.find((r) => r.water.id === waterId);
	if (!own) return null;
	const { scope } = own;
	const water = await waterAt(deps.db, scope, waterId, now);
	const siblings = [...reach].sort(
		(a, b) => Number(b.scope.siteId === scope.siteId) - Number(a.scope.siteId === scope.siteId)
	);
	return (
		water && {
			scope,
			water,
			// A stranger's bottle is no water of the house: it is gone to from its own page.
			siblings: siblings
				.filter((r) => r.water.guestUntil === null || r.water.id === waterId)
				.map((r) => ({ id: r.water.id, name: r.water.name, site: r.scope.siteName })),
			reach
		}
	);
}

/** Where a person starts: the first water of their first site, the made-up world left out. */
export async function firstWater(deps: Deps, person: Person): Promise<string | null> {
	const reach = await reachOf(deps.db, person, deps.clock.now());
	return reach.find((r) => !r.madeUp && r.water.guestUntil === null)?.water.id ?? null;
}

/** The first water of a person's own site; null where they have none yet. */
export async function ownWater(deps: Deps, person: Person): Promise<string | null> {
	const reach = await reachOf(deps.db, person, deps.clock.now());
	return (
		reach.find((r) => r.scope.role === 'owner' && !r.madeUp && r.water.guestUntil === null)?.water.id ?? null
	);
}
