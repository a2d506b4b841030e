import { Type, type Static } from '@sinclair/typebox';
import { PROFILE_IDS } from '$lib/core/judgement';
import { closed, Id, words } from './common.ts';
import { LONGEST_WATER_NAME } from './lengths.ts';

/** So long a stranger's bottle is kept, days. */
export const GUEST_DAYS = 30;

/** Somebody else's water is tested once: no tank of this house. */
export const AddGuest = Type.Object(
	{
		id: Id,
		waterId: Id,
		guestId: Id,
		/** Whose it is, as it is told apart; on the sheet that is handed over. */
		name: Type.String({ minLength: 1, maxLength: LONGEST_WATER_NAME }),
		/** What lives in it: its bands. */
		profile: words(PROFILE_IDS)
	},
	closed
);
export type AddGuest = Static<typeof AddGuest>;

/** The bottle becomes a water of the house. */
export const KeepGuest = Type.Object({ id: Id, waterId: Id, guestId: Id }, closed);
export type KeepGuest = Static<typeof KeepGuest>;
