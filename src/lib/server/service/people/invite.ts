import { randomBytes, randomInt } from 'node:crypto';
import type { Invite, RevokeInvitation } from '$lib/contract/people';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays, instant } from '$lib/core/time';
import { digestOf } from '../../digest.ts';
import { isDuplicate } from '../../repository/database.ts';
import { addInvitation, revokeInvitation } from '../../repository/member.ts';
import type { ScopeFor } from '../../repository/scope.ts';
import type { PooledDeps } from '../deps.ts';
import { once, transact } from '../once.ts';
import { noted } from './note-deed.ts';

const CODE_DIGITS = 6;

/** What is told once, and kept nowhere. */
export interface MadeInvitation {
	readonly token: string;
	/** To be told apart from the link; null where none was asked for. */
	readonly code: string | null;
}

/** Digits alone could be found from their digest; with the link's token, which is random and long, they cannot. */
export const codeDigest = (token: string, code: string) => digestOf(`${token} ${code.replace(/\s+/g, '')}`);

/** Makes a link by which one person becomes a member. */
export async function invite(
	deps: PooledDeps,
	scope: ScopeFor<'people'>,
	{ id, forWhom, role, linkDays, memberUntil, withCode }: Invite
): Promise<Result<MadeInvitation>> {
	const now = deps.clock.now();
	if (memberUntil !== null && memberUntil <= now) {
		return fail('out-of-order', 'memberUntil', { before: 'now' });
	}
	const token = randomBytes(32).toString('base64url');
	const code = withCode ? String(randomInt(10 ** CODE_DIGITS)).padStart(CODE_DIGITS, '0') : null;
	// Not by `once`: the token must not be kept with the receipt. Sent twice, the second is refused by its id.
	try {
		await transact(deps, scope.siteId, async (tx, within) => {
			within.touch('nothing');
			await addInvitation(tx, scope, {
				id,
				tokenDigest: digestOf(token),
				codeDigest: code === null ? null : codeDigest(token, code),
				forWhom: forWhom.trim(),
				role,
				memberUntil: memberUntil === null ? null : instant(memberUntil),
				createdAt: now,
				expiresAt: addDays(now, linkDays)
			});
			await noted(within, scope, { kind: 'invited', role, whom: forWhom.trim() });
		});
	} catch (error) {
		if (isDuplicate(error)) return fail('id-taken', 'id');
		throw error;
	}
	return ok({ token, code });
}

/** Takes an invitation back that was not used yet. */
export async function takeInvitationBack(
	deps: PooledDeps,
	scope: ScopeFor<'people'>,
	command: RevokeInvitation
): Promise<Result<{ readonly invitationId: string }>> {
	return once(deps, scope, 'revoke-invitation', command, async (tx, within) => {
		within.touch('nothing');
		const row = await revokeInvitation(tx, scope, command.invitationId, within.clock.now());
		if (!row) return fail('unknown-item', 'invitationId');
		await noted(within, scope, { kind: 'invitation-revoked', role: row.role, whom: row.forWhom });
		return ok({ invitationId: row.id });
	});
}
