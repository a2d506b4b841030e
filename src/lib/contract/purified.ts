import { Type, type Static } from '@sinclair/typebox';
import { METER_UNITS, STAGES_OF_UNIT, UNIT_PARTS } from '$lib/core/purified';
import { closed, Id, InstantMs, Note, words } from './common.ts';

const Reading = Type.Object(
	{
		kind: Type.Literal('reading'),
		stage: words(STAGES_OF_UNIT),
		value: Type.Number({ minimum: 0, maximum: 20_000 }),
		unit: words(METER_UNITS)
	},
	closed
);
const Changed = Type.Object({ kind: Type.Literal('changed'), part: words(UNIT_PARTS) }, closed);

/** What was read at the meter, along the unit and at one time, or which parts were changed. */
export const NotePurified = Type.Object(
	{
		id: Id,
		waterId: Id,
		happenedAt: InstantMs,
		facts: Type.Array(Type.Union([Reading, Changed]), { minItems: 1, maxItems: 6 }),
		note: Note
	},
	closed
);
export type NotePurified = Static<typeof NotePurified>;
