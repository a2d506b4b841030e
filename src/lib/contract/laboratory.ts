import { LABORATORY_PARAMETERS } from './choices.ts';
import { Type, type Static } from '@sinclair/typebox';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { closed, Id, InstantMs, Note, OffsetMinutes, words } from './common.ts';
import { LONGEST } from './lengths.ts';

/** A bottle is sent to the laboratory; the answer comes after some days. */
export const SendSample = Type.Object(
	{
		id: Id,
		waterId: Id,
		parameters: Type.Array(words(LABORATORY_PARAMETERS), {
			minItems: 1,
			maxItems: LABORATORY_PARAMETERS.length,
			uniqueItems: true
		}),
		drawnAt: InstantMs,
		offsetMinutes: OffsetMinutes,
		note: Note
	},
	closed
);
export type SendSample = Static<typeof SendSample>;

/** A sample that was sent, and when its answer came or is expected. */
export interface SentSample {
	readonly id: string;
	readonly parameters: readonly ParameterId[];
	readonly drawnAt: Instant;
	readonly note: string;
	readonly expectedAt: Instant;
	readonly answeredAt: Instant | null;
}

/** Values of a report, each of one parameter and one sample; all are kept, or none. */
export const SaveReport = Type.Object(
	{
		id: Id,
		waterId: Id,
		source: Type.String({ minLength: 1, maxLength: LONGEST.source }),
		rows: Type.Array(
			Type.Object(
				{
					parameter: words(PARAMETER_IDS),
					unit: Type.String({ minLength: 1, maxLength: 24 }),
					kind: words(['value', '<', '>'] as const),
					value: Type.Number(),
					/** k = 2; null where the report states none. */
					expandedU: Type.Union([Type.Null(), Type.Number({ exclusiveMinimum: 0 })]),
					drawnAt: InstantMs,
					offsetMinutes: OffsetMinutes
				},
				closed
			),
			{ minItems: 1, maxItems: 200 }
		)
	},
	closed
);
export type SaveReport = Static<typeof SaveReport>;
