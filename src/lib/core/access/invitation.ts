import { fail, ok, type Result } from '../result/index.ts';
import type { Instant } from '../time/index.ts';
import type { Role } from './roles.ts';

/** What decides whether an invitation can be used. */
export interface InvitationState {
	readonly expiresAt: Instant;
	readonly usedAt: Instant | null;
	readonly revokedAt: Instant | null;
}

/** Lets an invitation through that was neither used nor taken back, and whose time is not over; says why not. */
export function standing<I extends InvitationState>(invitation: I, now: Instant): Result<I> {
	const { expiresAt, usedAt, revokedAt } = invitation;
	const why = usedAt !== null ? 'used' : revokedAt !== null ? 'revoked' : expiresAt <= now ? 'late' : null;
	return why === null ? ok(invitation) : fail('invitation-over', undefined, { why });
}

/** A member with what decides whether a site keeps somebody who can say who belongs to it. */
export interface MemberState {
	readonly id: string;
	readonly role: Role;
	readonly untilAt: Instant | null;
}

/**
 * Whether a site would still have an owner for good after a member became something else, or nothing: without one nobody
 * could ever say again who belongs to it.
 *
 * @param after what the member is then; null: no member any more
 */
export function keepsOwner(
	members: readonly MemberState[],
	memberId: string,
	after: { readonly role: Role; readonly untilAt: Instant | null } | null
): boolean {
	const then = members.flatMap((m) => (m.id !== memberId ? [m] : after ? [{ ...m, ...after }] : []));
	return then.some((m) => m.role === 'owner' && m.untilAt === null);
}
