import { Type, type Static } from '@sinclair/typebox';
import { closed, Id, InstantMs, Note, OffsetMinutes, Reason, words } from './common.ts';
import { AnyReading } from './reading.ts';

const StepEntry = Type.Object(
	{
		at: InstantMs,
		kind: words(['drop', 'timer-started', 'step-done', 'step-left', 'undone'] as const)
	},
	closed
);

/**
 * A finished test as the bench sends it. The ids are the browser's, so that sending it twice stores it once; a repeat
 * of the same sample names the sample that is there.
 */
export const SaveTestRun = Type.Object(
	{
		id: Id,
		sampleId: Id,
		readingId: Id,
		waterId: Id,
		methodCode: Type.String({ minLength: 1, maxLength: 60 }),
		methodVersion: Type.Integer({ minimum: 1 }),
		drawnAt: InstantMs,
		/** Of the sample, where it was taken or kept apart from the tank. */
		sampleTemperatureC: Type.Optional(Type.Number({ minimum: -5, maximum: 60 })),
		keptHow: Type.Optional(Type.String({ maxLength: 200 })),
		startedAt: InstantMs,
		finishedAt: InstantMs,
		offsetMinutes: OffsetMinutes,
		reading: AnyReading,
		stepLog: Type.Array(StepEntry, { maxItems: 2000 }),
		note: Note
	},
	closed
);
export type SaveTestRun = Static<typeof SaveTestRun>;

/** A new reading in the place of one that was misread or mistyped; the old one stays. */
export const CorrectReading = Type.Object(
	{ id: Id, supersedes: Id, reading: AnyReading, reason: Reason },
	closed
);
export type CorrectReading = Static<typeof CorrectReading>;
