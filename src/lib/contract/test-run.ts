import { Type, type Static } from '@sinclair/typebox';
import { MAX_FILLS } from '$lib/core/reading';
import { closed, Id, InstantMs, Note, OffsetMinutes, Reason, words } from './common.ts';

/** Volumes here are only bounded roughly; the core checks them against the method's own syringe. */
const Millilitres = Type.Number({ minimum: 0, maximum: 100 });

const SyringeReadingBody = Type.Object(
	{
		portion: words(['full', 'half'] as const),
		readAs: words(['left', 'used'] as const),
		fills: Type.Array(
			Type.Object(
				{
					startMl: Millilitres,
					end: Type.Object({ lowerMl: Millilitres, upperMl: Millilitres }, closed)
				},
				closed
			),
			{ minItems: 1, maxItems: MAX_FILLS }
		),
		sure: Type.Boolean()
	},
	closed
);

const StepEntry = Type.Object(
	{
		at: InstantMs,
		kind: words(['drop', 'timer-started', 'step-done', 'step-left', 'undone'] as const)
	},
	closed
);

/** A finished test as the bench sends it. The ids are the browser's, so that sending it twice stores it once. */
export const SaveTestRun = Type.Object(
	{
		id: Id,
		sampleId: Id,
		readingId: Id,
		waterId: Id,
		methodCode: Type.String({ minLength: 1, maxLength: 60 }),
		methodVersion: Type.Integer({ minimum: 1 }),
		drawnAt: InstantMs,
		startedAt: InstantMs,
		finishedAt: InstantMs,
		offsetMinutes: OffsetMinutes,
		reading: SyringeReadingBody,
		stepLog: Type.Array(StepEntry, { maxItems: 2000 }),
		note: Note
	},
	closed
);
export type SaveTestRun = Static<typeof SaveTestRun>;

/** A new reading in the place of one that was misread or mistyped; the old one stays. */
export const CorrectReading = Type.Object(
	{ id: Id, supersedes: Id, reading: SyringeReadingBody, reason: Reason },
	closed
);
export type CorrectReading = Static<typeof CorrectReading>;
