import { PIN_LENGTH } from './lengths.ts';
import { Type, type Static } from '@sinclair/typebox';
import { ROLES, type Role } from '$lib/core/access';
import { LONGEST_NAME } from './lengths.ts';
import { closed, Id, InstantMs, words } from './common.ts';
import { typed } from './typed.ts';

const WithoutControl = '^[^\\p{Cc}]*$';
const ForWhom = Type.String({ maxLength: LONGEST_NAME, pattern: WithoutControl });

/** When a membership ends by itself: a day, taken at noon. Empty is never. */
const MemberUntil = Type.Union([typed('day', InstantMs), Type.Null()]);

/** Makes a link by which one person becomes a member, once. */
export const Invite = Type.Object(
	{
		id: Id,
		/** For whom, in the words of whoever invites. */
		forWhom: ForWhom,
		role: words(ROLES),
		linkDays: Type.Integer({ minimum: 1, maximum: 30 }),
		memberUntil: MemberUntil,
		/** The link asks for a code that is told apart from it, so that whoever merely finds the link cannot use it. */
		withCode: typed('flag', Type.Boolean())
	},
	closed
);
export type Invite = Static<typeof Invite>;

/** Takes a link back that was not used yet. */
export const RevokeInvitation = Type.Object({ id: Id, invitationId: Id }, closed);
export type RevokeInvitation = Static<typeof RevokeInvitation>;

/** What a member is from now on, and until when. */
export const ChangeMember = Type.Object(
	{ id: Id, memberId: Id, role: words(ROLES), memberUntil: MemberUntil },
	closed
);
export type ChangeMember = Static<typeof ChangeMember>;

/** Ends what somebody is at a site, now. What they read stays. */
export const EndMember = Type.Object({ id: Id, memberId: Id }, closed);
export type EndMember = Static<typeof EndMember>;

/** Makes a link by which a device becomes a place: it looks, and whoever reads there says so. */
export const AddPlace = Type.Object(
	{ id: Id, name: Type.String({ minLength: 1, maxLength: LONGEST_NAME, pattern: WithoutControl }) },
	closed
);
export type AddPlace = Static<typeof AddPlace>;

/** Lets a device be a place no longer. */
export const RevokePlace = Type.Object({ id: Id, placeId: Id }, closed);
export type RevokePlace = Static<typeof RevokePlace>;

/** Digits that are asked for where somebody says at a place that they read; empty: none. */
export const SetPin = Type.Object(
	{ id: Id, pin: Type.String({ pattern: `^([0-9]{${PIN_LENGTH.least},${PIN_LENGTH.most}})?$` }) },
	closed
);
export type SetPin = Static<typeof SetPin>;

/** Who reads at a place from now on; null: nobody. */
export const ChooseReader = Type.Object(
	{ memberId: Type.Union([Id, Type.Null()]), pin: Type.String({ maxLength: PIN_LENGTH.most }) },
	closed
);
export type ChooseReader = Static<typeof ChooseReader>;

/** Under which address a link is reached, and by whom. */
export interface ReachedAt {
	readonly origin: string;
	readonly who: 'anybody' | 'house' | 'this-machine';
}

/** A link that is shown once: in letters, and for a phone's camera. */
export interface LinkToShow {
	readonly address: string;
	readonly qr: string;
	readonly who: ReachedAt['who'];
}

/** What was done about a site's people, as its history keeps it; names as they were. */
export type SiteDeed =
	| { readonly kind: 'invited'; readonly role: Role; readonly whom: string }
	| { readonly kind: 'invitation-revoked'; readonly role: Role; readonly whom: string }
	| { readonly kind: 'joined'; readonly role: Role; readonly memberId: string }
	| {
			readonly kind: 'changed';
			readonly memberId: string;
			readonly from: Role;
			readonly to: Role;
			readonly until: number | null;
	  }
	| { readonly kind: 'ended'; readonly memberId: string; readonly role: Role }
	| { readonly kind: 'left'; readonly memberId: string; readonly role: Role }
	| { readonly kind: 'place-added' | 'place-taken-up' | 'place-revoked'; readonly name: string }
	| { readonly kind: 'sheet-given' | 'sheet-revoked'; readonly whom: string; readonly water: string };

/** A member as the others see them. */
export interface MemberSeen {
	readonly id: string;
	readonly name: string;
	readonly role: Role;
	readonly fromAt: number;
	readonly untilAt: number | null;
	readonly isYou: boolean;
	/** Signs in by nobody any more. */
	readonly former: boolean;
	/** Has digits that a place asks for. */
	readonly hasPin: boolean;
}

export interface InvitationSeen {
	readonly id: string;
	readonly forWhom: string;
	readonly role: Role;
	readonly expiresAt: number;
	readonly withCode: boolean;
}

export interface PlaceSeen {
	readonly id: string;
	readonly name: string;
	readonly createdAt: number;
	readonly takenUpAt: number | null;
}

export interface HistoryLine {
	readonly id: string;
	readonly at: number;
	readonly by: string;
	readonly deed: SiteDeed;
	/** Whom it is about, where it is a member. */
	readonly about: string | null;
}

/** Who belongs to a site, who is asked to, and what was done about it. */
export interface PeopleSeen {
	readonly members: readonly MemberSeen[];
	readonly invitations: readonly InvitationSeen[];
	readonly places: readonly PlaceSeen[];
	readonly history: readonly HistoryLine[];
}
