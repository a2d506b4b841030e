import { Type, type Static } from '@sinclair/typebox';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { closed, Id, InstantMs, words } from './common.ts';
import { LONGEST } from './lengths.ts';
import { typed } from './typed.ts';

const Limit = Type.Union([typed('level', Type.Number({ minimum: 0, maximum: 10_000 })), Type.Null()]);

/** A band from a time on, canonical unit; an open side is null. */
export const SetTarget = Type.Object(
	{
		id: Id,
		waterId: Id,
		parameter: words(PARAMETER_IDS),
		low: Limit,
		high: Limit,
		aim: Limit,
		source: Type.String({ minLength: 1, maxLength: LONGEST.source }),
		fromAt: InstantMs
	},
	closed
);
export type SetTarget = Static<typeof SetTarget>;
