import type { ChangeMember, EndMember } from '$lib/contract/people';
import { keepsOwner } from '$lib/core/access';
import { fail, ok, type Result } from '$lib/core/result';
import { instant } from '$lib/core/time';
import type { Transaction } from '../../repository/database.ts';
import { changeMembership, membersOf, type MemberRow } from '../../repository/member.ts';
import { takeTurn } from '../../repository/revision.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import type { PooledDeps, Within } from '../deps.ts';
import { once } from '../once.ts';
import { noted } from './note-deed.ts';

/** The members of a site, whom nobody else changes until the transaction is over; and the one that is meant. */
async function turnOf(tx: Transaction, within: Within, { siteId }: SiteScope, memberId: string) {
	await takeTurn(tx, siteId);
	const members = (await membersOf(tx, { siteId }, within.clock.now())).filter((m) => !m.isPlace);
	const member: MemberRow | undefined = members.find((m) => m.id === memberId);
	return { members, member };
}

/** Says what a member is from now on, and until when. A site keeps an owner. */
export async function changeMember(
	deps: PooledDeps,
	scope: ScopeFor<'people'>,
	command: ChangeMember
): Promise<Result<{ readonly memberId: string }>> {
	return once(deps, scope, 'change-member', command, async (tx, within) => {
		within.touch('site');
		const { members, member } = await turnOf(tx, within, scope, command.memberId);
		if (!member) return fail('unknown-item', 'memberId');
		const untilAt = command.memberUntil === null ? null : instant(command.memberUntil);
		if (untilAt !== null && untilAt <= within.clock.now()) {
			return fail('out-of-order', 'memberUntil', { before: 'now' });
		}
		const { role } = command;
		if (!keepsOwner(members, member.id, { role, untilAt })) return fail('last-owner', 'role');
		await changeMembership(tx, scope, member.id, { role, untilAt });
		await noted(within, scope, {
			kind: 'changed',
			memberId: member.id,
			from: member.role,
			to: role,
			until: untilAt
		});
		return ok({ memberId: member.id });
	});
}

/** Ends what somebody is at a site. What they read stays, with their name. */
export async function endMember(
	deps: PooledDeps,
	scope: ScopeFor<'people'>,
	command: EndMember
): Promise<Result<{ readonly memberId: string }>> {
	return once(deps, scope, 'end-member', command, async (tx, within) => {
		within.touch('site');
		const { members, member } = await turnOf(tx, within, scope, command.memberId);
		if (!member) return fail('unknown-item', 'memberId');
		if (!keepsOwner(members, member.id, null)) return fail('last-owner', 'memberId');
		await changeMembership(tx, scope, member.id, { untilAt: within.clock.now() });
		await noted(within, scope, { kind: 'ended', memberId: member.id, role: member.role });
		return ok({ memberId: member.id });
	});
}
