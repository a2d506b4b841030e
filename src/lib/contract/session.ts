import { Type, type Static } from '@sinclair/typebox';
import { closed, Id, InstantMs } from './common.ts';
import { words } from './common.ts';
import { StepEntry } from './test-run.ts';

export const SESSION_STATES = ['planned', 'under-way', 'finished', 'dropped'] as const;
export type SessionState = (typeof SESSION_STATES)[number];

/** More tests than this are no session for one person. */
export const MOST_TESTS = 40;

/** One test of a session, with where it stands; what was read is sent as a test run of its own. */
const SheetTest = Type.Object(
	{
		runId: Id,
		sampleId: Id,
		readingId: Id,
		waterId: Id,
		methodCode: Type.String({ minLength: 1, maxLength: 60 }),
		methodVersion: Type.Integer({ minimum: 1 }),
		portion: words(['full', 'half'] as const),
		dilutionParts: Type.Union([Type.Null(), Type.Number({ exclusiveMinimum: 1, maximum: 1000 })]),
		kitId: Type.Union([Type.Null(), Id]),
		standardId: Type.Union([Type.Null(), Id]),
		drawnAt: InstantMs,
		startedAt: InstantMs,
		log: Type.Array(StepEntry, { maxItems: 2000 }),
		/** Its reading was made and kept, or it was given up. */
		over: Type.Boolean()
	},
	closed
);
export type SheetTest = Static<typeof SheetTest>;

/**
 * A session as it stands. Each time it is sent it has a higher revision; an older one, from a device that was left
 * behind, is refused. The water is that of the page.
 */
export const SaveSession = Type.Object(
	{
		id: Id,
		waterId: Id,
		sessionId: Id,
		revision: Type.Integer({ minimum: 1, maximum: 1_000_000 }),
		state: words(SESSION_STATES),
		/** When a planned session is to be done. */
		dueAt: Type.Union([Type.Null(), InstantMs]),
		startedAt: InstantMs,
		tests: Type.Array(SheetTest, { minItems: 1, maxItems: MOST_TESTS })
	},
	closed
);
export type SaveSession = Static<typeof SaveSession>;

/** A session that was planned or left unfinished. */
export interface OpenSession extends Omit<SaveSession, 'id' | 'waterId'> {
	readonly by: string;
	/** When it was last heard of. */
	readonly savedAt: number;
	readonly waters: readonly { readonly id: string; readonly name: string }[];
}
