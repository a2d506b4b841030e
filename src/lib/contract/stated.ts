import { Type, type Static } from '@sinclair/typebox';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { closed, Id, InstantMs, Note, words } from './common.ts';
import { LONGEST } from './lengths.ts';

/** A value from elsewhere, such as a laboratory's, as somebody types it. */
export const StatedEntry = Type.Object(
	{
		id: Id,
		parameter: words(PARAMETER_IDS),
		unit: Type.String({ minLength: 1, maxLength: 24 }),
		/** Left out, it is a value as it stands. */
		sense: Type.Optional(words(['value', '<', '>'] as const)),
		value: Type.Number(),
		/** k = 2; left out where none is stated. */
		expandedU: Type.Optional(Type.Number()),
		source: Type.String({ minLength: 1, maxLength: LONGEST.source }),
		happenedAt: InstantMs,
		/** Whoever typed it was asked whether it is so. */
		unusual: Type.Optional(words(['as-read'] as const)),
		note: Note
	},
	closed
);
export type StatedEntry = Static<typeof StatedEntry>;
