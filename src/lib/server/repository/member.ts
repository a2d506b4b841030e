import { and, desc, eq, gt, isNull, or } from 'drizzle-orm';
import type { Role } from '$lib/core/access';
import type { SiteDeed } from '$lib/contract/people';
import type { Instant } from '$lib/core/time';
import { invitation, membership, person, place, readerPin, siteHistory } from '../db/schema/index.ts';
import type { Reader, Transaction } from './database.ts';
import type { ScopeFor, SiteScope } from './scope.ts';

export interface MemberRow {
	readonly id: string;
	readonly personId: string;
	readonly name: string;
	readonly formerAt: Instant | null;
	readonly role: Role;
	readonly fromAt: Instant;
	readonly untilAt: Instant | null;
	readonly hasPin: boolean;
	/** It is a device and nobody. */
	readonly isPlace: boolean;
}

/** Whoever belongs to a site at a time, in the order in which they came; places among them. */
export async function membersOf(
	db: Reader,
	{ siteId }: Pick<SiteScope, 'siteId'>,
	now: Instant
): Promise<MemberRow[]> {
	const rows = await db
		.select({
			id: membership.id,
			personId: membership.personId,
			name: person.displayName,
			formerAt: person.formerAt,
			role: membership.role,
			fromAt: membership.fromAt,
			untilAt: membership.untilAt,
			pin: readerPin.membershipId,
			place: place.id
		})
		.from(membership)
		.innerJoin(person, eq(person.id, membership.personId))
		.leftJoin(
			readerPin,
			and(eq(readerPin.siteId, membership.siteId), eq(readerPin.membershipId, membership.id))
		)
		.leftJoin(place, and(eq(place.siteId, membership.siteId), eq(place.membershipId, membership.id)))
		.where(and(eq(membership.siteId, siteId), or(isNull(membership.untilAt), gt(membership.untilAt, now))))
		.orderBy(membership.fromAt, membership.id);
	return rows.map(({ pin, place, ...row }) => ({ ...row, hasPin: pin !== null, isPlace: place !== null }));
}

/** The names of all who ever belonged to a site, by their memberships. */
export async function namesAt(
	db: Reader,
	{ siteId }: Pick<SiteScope, 'siteId'>
): Promise<ReadonlyMap<string, string>> {
	const rows = await db
		.select({ id: membership.id, name: person.displayName })
		.from(membership)
		.innerJoin(person, eq(person.id, membership.personId))
		.where(eq(membership.siteId, siteId));
	return new Map(rows.map((r) => [r.id, r.name]));
}

export async function changeMembership(
	db: Transaction,
	{ siteId }: Pick<SiteScope, 'siteId'>,
	id: string,
	set: { readonly role?: Role; readonly untilAt?: Instant | null }
): Promise<void> {
	await db
		.update(membership)
		.set(set)
		.where(and(eq(membership.siteId, siteId), eq(membership.id, id)));
}

/** What somebody is at each site, now. */
export async function membershipsOf(
	db: Reader,
	personId: string,
	now: Instant
): Promise<readonly { readonly siteId: string; readonly id: string; readonly role: Role }[]> {
	return db
		.select({ siteId: membership.siteId, id: membership.id, role: membership.role })
		.from(membership)
		.where(
			and(eq(membership.personId, personId), or(isNull(membership.untilAt), gt(membership.untilAt, now)))
		);
}

/** Writes down what was done about a site's people. */
export async function noteDeed(
	db: Reader,
	row: {
		readonly siteId: string;
		readonly id: string;
		readonly at: Instant;
		readonly doneBy: string;
		readonly deed: SiteDeed;
	}
): Promise<void> {
	await db.insert(siteHistory).values(row);
}

const LONGEST_HISTORY = 200;

export async function deedsAt(db: Reader, { siteId }: SiteScope) {
	return db
		.select({
			id: siteHistory.id,
			at: siteHistory.at,
			doneBy: siteHistory.doneBy,
			deed: siteHistory.deed
		})
		.from(siteHistory)
		.where(eq(siteHistory.siteId, siteId))
		.orderBy(desc(siteHistory.at), desc(siteHistory.id))
		.limit(LONGEST_HISTORY);
}

export interface InvitationRow {
	readonly siteId: string;
	readonly id: string;
	readonly codeDigest: string | null;
	readonly forWhom: string;
	readonly role: Role;
	readonly memberUntil: Instant | null;
	readonly invitedBy: string;
	readonly expiresAt: Instant;
	readonly usedAt: Instant | null;
	readonly revokedAt: Instant | null;
}

const invitationColumns = {
	siteId: invitation.siteId,
	id: invitation.id,
	codeDigest: invitation.codeDigest,
	forWhom: invitation.forWhom,
	role: invitation.role,
	memberUntil: invitation.memberUntil,
	invitedBy: invitation.invitedBy,
	expiresAt: invitation.expiresAt,
	usedAt: invitation.usedAt,
	revokedAt: invitation.revokedAt
};

export async function addInvitation(
	db: Reader,
	scope: ScopeFor<'people'>,
	row: Omit<typeof invitation.$inferInsert, 'siteId' | 'invitedBy'>
): Promise<void> {
	await db.insert(invitation).values({ ...row, siteId: scope.siteId, invitedBy: scope.membershipId });
}

/** Those that somebody could still use. */
export async function openInvitations(db: Reader, { siteId }: SiteScope, now: Instant) {
	return db
		.select(invitationColumns)
		.from(invitation)
		.where(
			and(
				eq(invitation.siteId, siteId),
				isNull(invitation.usedAt),
				isNull(invitation.revokedAt),
				gt(invitation.expiresAt, now)
			)
		)
		.orderBy(invitation.createdAt);
}

/** Whatever became of it; null where no invitation has this token. */
export async function invitationByToken(db: Reader, tokenDigest: string): Promise<InvitationRow | null> {
	const [found] = await db
		.select(invitationColumns)
		.from(invitation)
		.where(eq(invitation.tokenDigest, tokenDigest));
	return found ?? null;
}

/** Takes an invitation for a member, so that nobody else can; false where somebody did, or it stands no more. */
export async function claimInvitation(
	tx: Transaction,
	{ siteId, id }: Pick<InvitationRow, 'siteId' | 'id'>,
	usedBy: string,
	now: Instant
): Promise<boolean> {
	const [done] = await tx
		.update(invitation)
		.set({ usedAt: now, usedBy })
		.where(
			and(
				eq(invitation.siteId, siteId),
				eq(invitation.id, id),
				isNull(invitation.usedAt),
				isNull(invitation.revokedAt),
				gt(invitation.expiresAt, now)
			)
		);
	return done.affectedRows === 1;
}

/** Takes an invitation back that was not used; what it was, or null. */
export async function revokeInvitation(
	tx: Transaction,
	{ siteId }: SiteScope,
	id: string,
	now: Instant
): Promise<InvitationRow | null> {
	const [done] = await tx
		.update(invitation)
		.set({ revokedAt: now })
		.where(
			and(
				eq(invitation.siteId, siteId),
				eq(invitation.id, id),
				isNull(invitation.usedAt),
				isNull(invitation.revokedAt)
			)
		);
	if (done.affectedRows !== 1) return null;
	const [row] = await tx
		.select(invitationColumns)
		.from(invitation)
		.where(and(eq(invitation.siteId, siteId), eq(invitation.id, id)));
	return row ?? null;
}
