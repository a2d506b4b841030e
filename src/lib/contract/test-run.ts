import { Type, type Static } from '@sinclair/typebox';
import { SLIP_KINDS } from '$lib/core/plausibility';
import { POSSIBLE } from '$lib/core/quantity';
import { MISHAPS } from '$lib/core/reading';
import { closed, Id, InstantMs, Note, OffsetMinutes, Reason, words } from './common.ts';
import { LONGEST } from './lengths.ts';
import { SaidBeforeRun } from './practice.ts';
import { AnyReading } from './reading.ts';

export const StepEntry = Type.Union([
	Type.Object(
		{
			at: InstantMs,
			kind: words([
				'drop',
				'timer-started',
				'step-done',
				'step-left',
				'undone',
				'by-heart',
				'together'
			] as const)
		},
		closed
	),
	Type.Object(
		{ at: InstantMs, kind: Type.Literal('ahead'), step: Type.String({ minLength: 1, maxLength: 60 }) },
		closed
	),
	Type.Object({ at: InstantMs, kind: Type.Literal('mishap'), what: words(MISHAPS) }, closed)
]);

const SlipAnswer = Type.Object(
	{ kind: words(SLIP_KINDS), answer: words(['that-is-it', 'as-entered'] as const) },
	closed
);
export type SlipAnswer = Static<typeof SlipAnswer>;

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
		/** The session that it was part of. */
		sessionId: Type.Optional(Id),
		/** The standard that was tested instead of the water, to check the kit. */
		standardId: Type.Optional(Id),
		/** What on the shelf it was made with. */
		itemIds: Type.Optional(Type.Array(Id, { maxItems: 12 })),
		methodCode: Type.String({ minLength: 1, maxLength: 60 }),
		methodVersion: Type.Integer({ minimum: 1 }),
		drawnAt: InstantMs,
		/** Of the sample, where it was taken or kept apart from the tank. */
		sampleTemperatureC: Type.Optional(
			Type.Number({
				minimum: POSSIBLE.sampleTemperatureC.least,
				maximum: POSSIBLE.sampleTemperatureC.most
			})
		),
		keptHow: Type.Optional(Type.String({ maxLength: LONGEST.source })),
		startedAt: InstantMs,
		finishedAt: InstantMs,
		offsetMinutes: OffsetMinutes,
		reading: AnyReading,
		/** A slip was asked about on the bench, and this was the answer. */
		slip: Type.Optional(SlipAnswer),
		/** It is unusual for this kind of water; somebody was asked, and it is so. */
		unusual: Type.Optional(Type.Literal('as-read')),
		/** What the reader expected before the running value was shown. */
		said: Type.Optional(SaidBeforeRun),
		stepLog: Type.Array(StepEntry, { maxItems: 2000 }),
		note: Note
	},
	closed
);
export type SaveTestRun = Static<typeof SaveTestRun>;

/** A new reading in the place of one that was misread or mistyped; the old one stays. */
export const CorrectReading = Type.Object(
	{
		id: Id,
		supersedes: Id,
		reading: AnyReading,
		reason: Reason,
		/** The slip that it puts right, where one was found. */
		slip: Type.Optional(words(SLIP_KINDS))
	},
	closed
);
export type CorrectReading = Static<typeof CorrectReading>;

/** A stored reading stands as it was entered, whatever slip it was asked about, if any. */
export const KeepReading = Type.Object(
	{ id: Id, runId: Id, kind: Type.Union([words(SLIP_KINDS), Type.Null()]) },
	closed
);
export type KeepReading = Static<typeof KeepReading>;
