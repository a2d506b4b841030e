import { keepsOwner } from '$lib/core/access';
import { fail, ok, type Result } from '$lib/core/result';
import { changeMembership, membersOf, membershipsOf } from '../../repository/member.ts';
import { makeFormer, type Person } from '../../repository/people.ts';
import { raiseRevisions, takeTurn } from '../../repository/revision.ts';
import { inTransaction } from '../../repository/database.ts';
import type { PooledDeps } from '../deps.ts';
import { noted } from './note-deed.ts';

class LastOwner extends Error {}

/**
 * Takes a person out of every site and out of their name: what they read stays, under "Former member". The only owner of
 * a site with other members has to name another one first; a site of nobody else is left to itself.
 */
export async function leaveForGood(
	deps: PooledDeps,
	{ id: personId }: Pick<Person, 'id'>
): Promise<Result<null>> {
	const { db, ...others } = deps;
	try {
		await inTransaction(db, async (tx) => {
			const now = others.clock.now();
			const own = [...(await membershipsOf(tx, personId, now))].sort((a, b) =>
				a.siteId < b.siteId ? -1 : 1
			);
			for (const { siteId, id, role } of own) {
				await takeTurn(tx, siteId);
				const members = (await membersOf(tx, { siteId }, now)).filter((m) => !m.isPlace);
				const isAlone = members.every((m) => m.personId === personId);
				if (role === 'owner' && !isAlone && !keepsOwner(members, id, null)) throw new LastOwner();
				await noted(
					{ ...others, db: tx },
					{ siteId, membershipId: id },
					{ kind: 'left', memberId: id, role }
				);
				await changeMembership(tx, { siteId }, id, { untilAt: now });
			}
			await makeFormer(tx, personId, now);
			// Their name stands beside what they read, wherever that was kept.
			await raiseRevisions(
				tx,
				own.map((m) => m.siteId)
			);
		});
	} catch (error) {
		if (error instanceof LastOwner) return fail('last-owner');
		throw error;
	}
	return ok(null);
}
