import { standing, type Role } from '$lib/core/access';
import { fail, ok, type Result } from '$lib/core/result';
import { digestOf } from '../../digest.ts';
import { addMembership, siteName } from '../../repository/founding.ts';
import {
	claimInvitation,
	invitationByToken,
	membersOf,
	namesAt,
	type InvitationRow
} from '../../repository/member.ts';
import { takeTurn } from '../../repository/revision.ts';
import type { Deps, PooledDeps, Within } from '../deps.ts';
import { transact } from '../once.ts';
import { codeDigest } from './invite.ts';
import { noted } from './note-deed.ts';

/** An invitation as whoever holds it sees it. */
export interface InvitationShown {
	readonly site: string;
	readonly role: Role;
	readonly invitedBy: string;
	readonly memberUntil: number | null;
	readonly withCode: boolean;
}

async function standingInvitation({ db, clock }: Deps, token: string): Promise<Result<InvitationRow>> {
	const row = await invitationByToken(db, digestOf(token));
	return row ? standing(row, clock.now()) : fail('invitation-over', undefined, { why: 'unknown' });
}

/** What an invitation is, or why it lets nobody in. */
export async function readInvitation(deps: PooledDeps, token: string): Promise<Result<InvitationShown>> {
	const found = await standingInvitation(deps, token);
	if (!found.ok) return found;
	const { siteId, role, memberUntil, codeDigest: code, invitedBy } = found.value;
	const [site, names] = await Promise.all([siteName(deps.db, siteId), namesAt(deps.db, { siteId })]);
	return ok({
		site: site ?? '',
		role,
		invitedBy: names.get(invitedBy) ?? '',
		memberUntil,
		withCode: code !== null
	});
}

/** An invitation that stands and whose code was right: whoever shows both can take it. */
export async function invitationFor(deps: Deps, token: string, code: string): Promise<Result<InvitationRow>> {
	const found = await standingInvitation(deps, token);
	if (!found.ok) return found;
	const wanted = found.value.codeDigest;
	return wanted === null || codeDigest(token, code) === wanted ? found : fail('wrong-code', 'code');
}

class Undone extends Error {
	constructor(readonly outcome: Result<never>) {
		super('undone');
	}
}

/**
 * Makes a person a member by an invitation; of two at once one comes in. Whoever belongs to the site already is told so,
 * and the invitation stays for whom it is.
 *
 * @param before what has to be there first, in the same transaction, such as the person
 */
export async function joinBy(
	deps: PooledDeps,
	{ siteId, id, role, memberUntil }: InvitationRow,
	personId: string,
	before: (within: Within) => Promise<void> = () => Promise.resolve()
): Promise<Result<null>> {
	try {
		return await transact(deps, siteId, async (tx, within) => {
			within.touch('site');
			await takeTurn(tx, personId);
			const now = within.clock.now();
			const known = (await membersOf(tx, { siteId }, now)).find((m) => m.personId === personId);
			if (known) throw new Undone(fail('already-member', undefined, { role: known.role }));
			await before(within);
			const memberId = within.newId();
			await addMembership(tx, { siteId, id: memberId, personId, role, fromAt: now, untilAt: memberUntil });
			if (!(await claimInvitation(tx, { siteId, id }, memberId, now))) {
				throw new Undone(fail('invitation-over', undefined, { why: 'used' }));
			}
			await noted(within, { siteId, membershipId: memberId }, { kind: 'joined', role, memberId });
			return ok(null);
		});
	} catch (error) {
		if (error instanceof Undone) return error.outcome;
		throw error;
	}
}
