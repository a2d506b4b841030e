import { Type, type Static } from '@sinclair/typebox';
import { LONGEST_NAME } from './lengths.ts';
import { closed, Id } from './common.ts';
import { LONGEST } from './lengths.ts';

/** Hands a visitor what is known of a water, by a link that can be taken back. */
export const GiveSheet = Type.Object(
	{
		id: Id,
		waterId: Id,
		forWhom: Type.String({ maxLength: LONGEST_NAME, pattern: '^[^\\p{Cc}]*$' }),
		/** What whoever gives it says to it. */
		note: Type.String({ maxLength: LONGEST.note }),
		days: Type.Integer({ minimum: 1, maximum: 90 })
	},
	closed
);
export type GiveSheet = Static<typeof GiveSheet>;

export const RevokeSheet = Type.Object({ id: Id, sheetId: Id }, closed);
export type RevokeSheet = Static<typeof RevokeSheet>;

/** One parameter on a sheet, in words. */
export interface SheetRow {
	readonly name: string;
	readonly value: string;
	/** With its unit; empty where nothing can be said of it. */
	readonly plusMinus: string;
	readonly wanted: string;
	readonly verdict: string;
	/** Something to look at first. */
	readonly outside: boolean;
	readonly read: string;
	readonly means: string;
}

/** What a visitor is handed: kept in the words in which it was said. */
export interface SheetWords {
	readonly water: string;
	readonly about: string;
	readonly at: string;
	readonly by: string;
	readonly note: string;
	readonly rows: readonly SheetRow[];
	/** What is to be done, the most pressing first. */
	readonly todo: readonly { readonly title: string; readonly text: string; readonly danger: boolean }[];
	readonly next: string;
}

export interface SheetSeen {
	readonly id: string;
	readonly forWhom: string;
	readonly createdAt: number;
	readonly expiresAt: number;
	readonly revoked: boolean;
}
