import type { SiteScope } from '../../repository/scope.ts';
import { waterAt, watersOf, type Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';

/** All waters of a site as they are now, in their order, those that were taken down last. */
export async function readWaters(deps: Deps, scope: SiteScope): Promise<readonly Water[]> {
	const now = deps.clock.now();
	const listed = (await watersOf(deps.db, scope)).filter((w) => w.guestUntil === null);
	const waters = await Promise.all(listed.map((w) => waterAt(deps.db, scope, w.id, now)));
	const known = waters.filter((w): w is Water => w !== null);
	return [...known.filter((w) => w.endedAt === null), ...known.filter((w) => w.endedAt !== null)];
}
