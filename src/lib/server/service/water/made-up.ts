import { inTransaction } from '../../repository/database.ts';
import { addMembership, endMemberships, madeUpSites } from '../../repository/founding.ts';
import type { Person } from '../../repository/people.ts';
import { reachOf } from '../../repository/scope.ts';
import type { PooledDeps } from '../deps.ts';

/** The first water of the made-up world, where a person looks at it. */
export async function madeUpWater(deps: PooledDeps, person: Pick<Person, 'id'>): Promise<string | null> {
	const reach = await reachOf(deps.db, person, deps.clock.now());
	return reach.find((r) => r.madeUp)?.water.id ?? null;
}

/** Lets a person look at the made-up world; false where it was not made yet. */
export async function lookAtMadeUp(deps: PooledDeps, person: Pick<Person, 'id'>): Promise<boolean> {
	const sites = await madeUpSites(deps.db);
	const reached = await reachOf(deps.db, person, deps.clock.now());
	const known = new Set(reached.map((r) => r.scope.siteId));
	const fromAt = deps.clock.now();
	// No owner, so that everything can be tried and nothing of it is taken for one's own.
	const rows = sites
		.filter((id) => !known.has(id))
		.map((siteId) => ({ siteId, id: deps.newId(), personId: person.id, fromAt, untilAt: null }));
	await inTransaction(deps.db, async (tx) => {
		for (const row of rows) await addMembership(tx, { ...row, role: 'keeper' });
	});
	return sites.length > 0;
}

/** Takes the made-up world out of a person's sight. */
export async function leaveMadeUp(deps: PooledDeps, person: Pick<Person, 'id'>): Promise<void> {
	await endMemberships(deps.db, person.id, await madeUpSites(deps.db), deps.clock.now());
}
