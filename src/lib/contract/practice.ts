import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { END_POINT_MODES, LINES, MISREADINGS, SCALES, SCOOPS, type Trial } from '$lib/core/practice';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { closed, Id, InstantMs, words } from './common.ts';

const Around = Type.Object(
	{
		lamp: words(['daylight', 'weak', 'warm'] as const),
		table: words(['white', 'coloured'] as const),
		tinted: Type.Boolean(),
		cloudy: Type.Boolean()
	},
	closed
);
const Code = Type.String({ minLength: 1, maxLength: 60 });
const Which = Type.Union([Type.Literal(0), Type.Literal(1)]);
const Millilitres = Type.Number({ minimum: 0, maximum: 50 });
const Seconds = Type.Number({ minimum: 0, maximum: 7200 });
const Place = Type.Integer({ minimum: 0, maximum: 40 });
const OfTwo = words(['lower', 'upper'] as const);

/** One exercise: what was shown, and what was answered. */
export const AnyTrial = Type.Union([
	Type.Object(
		{
			kind: Type.Literal('end-point'),
			methodCode: Code,
			titration: Which,
			mode: words(END_POINT_MODES),
			changeMl: Millilitres,
			stoppedMl: Millilitres,
			lastDropMl: Type.Number({ minimum: 0, maximum: 1 }),
			dropMl: Type.Number({ minimum: 0.001, maximum: 1 }),
			around: Around,
			tookS: Seconds
		},
		closed
	),
	Type.Object(
		{
			kind: Type.Literal('steps'),
			methodCode: Code,
			pair: Place,
			shown: OfTwo,
			taken: OfTwo,
			around: Around
		},
		closed
	),
	Type.Object(
		{
			kind: Type.Literal('scale'),
			scale: words(SCALES),
			graduation: Type.Number({ minimum: 0.0001, maximum: 10 }),
			truth: Type.Number({ minimum: -1000, maximum: 1000 }),
			answer: Type.Number({ minimum: -1000, maximum: 1000 }),
			slip: Type.Union([words(MISREADINGS), Type.Null()])
		},
		closed
	),
	Type.Object({ kind: Type.Literal('scoop'), shown: words(SCOOPS), taken: words(SCOOPS) }, closed),
	Type.Object(
		{
			kind: Type.Literal('count'),
			disturbed: Type.Boolean(),
			drops: Type.Integer({ minimum: 1, maximum: 400 }),
			answer: Type.Integer({ minimum: 0, maximum: 400 })
		},
		closed
	),
	Type.Object(
		{ kind: Type.Literal('time'), what: words(['swirl', 'wait'] as const), askedS: Seconds, tookS: Seconds },
		closed
	),
	Type.Object(
		{
			kind: Type.Literal('odd-one'),
			line: words(LINES),
			distance: Type.Number({ minimum: 0, maximum: 100 }),
			right: Type.Boolean()
		},
		closed
	)
]);
/** The schema says what the core's type says. */
export type TrialSent = Static<typeof AnyTrial> extends Trial ? Trial : never;

/** Exercises as they were answered, sent together; sent twice they are stored once. */
export const SavePractice = Type.Object(
	{
		id: Id,
		waterId: Id,
		trials: Type.Array(Type.Object({ answeredAt: InstantMs, trial: AnyTrial }, closed), {
			minItems: 1,
			maxItems: 80
		})
	},
	closed
);
export type SavePractice = Static<typeof SavePractice>;

export const SubjectOfEye = Type.Union([
	Type.Object({ kind: Type.Literal('end-point'), methodCode: Code, titration: Which }, closed),
	Type.Object({ kind: Type.Literal('scale'), scale: words(SCALES) }, closed),
	Type.Object({ kind: Type.Literal('steps'), methodCode: Code }, closed)
]);

/** What was found of one's own eye is used from now on, for all one's readings, or no longer. */
export const DecideReader = Type.Object(
	{
		id: Id,
		subject: SubjectOfEye,
		decision: words(['use', 'stop'] as const),
		span: words(['from-now', 'all'] as const)
	},
	closed
);
export type DecideReader = Static<typeof DecideReader>;

/** Others of the site may see how one practises, or no longer. */
export const ShareDeed = Type.Object({ kind: Type.Literal('share'), shown: Type.Boolean() }, closed);
export const LessonDeed = Type.Object(
	{
		kind: Type.Literal('lesson'),
		forMember: Id,
		subject: SubjectOfEye,
		vials: Type.Integer({ minimum: 1, maximum: 40 }),
		note: Type.String({ maxLength: 500 })
	},
	closed
);
/** Stands beside the step wherever the kit is run. Empty takes it away. */
export const StepNoteDeed = Type.Object(
	{
		kind: Type.Literal('step-note'),
		methodCode: Code,
		stepId: Type.String({ minLength: 1, maxLength: 60 }),
		note: Type.String({ maxLength: 500 })
	},
	closed
);
/** What is arranged between a mentor and who learns. */
export type PracticeDeed = Static<typeof ShareDeed> | Static<typeof LessonDeed> | Static<typeof StepNoteDeed>;

/** Each is checked against its own kind, so that a fault is named at its own field. */
export const noteOf = <D extends TSchema>(deed: D) => Type.Object({ id: Id, deed }, closed);
export interface NotePractice {
	readonly id: string;
	readonly deed: PracticeDeed;
}

const Level = Type.Number({ minimum: 0, maximum: 100_000 });

/** What a reader said before they read, canonical unit, and what the estimate expected then. */
export const SaidBeforeRun = Type.Object(
	{
		parameter: words(PARAMETER_IDS),
		expected: Level,
		/** They would be surprised beyond this once in ten times. */
		give: Type.Number({ exclusiveMinimum: 0, maximum: 100_000 }),
		estimate: Type.Union([Type.Object({ value: Level, sd: Level }, closed), Type.Null()])
	},
	closed
);
export type SaidBeforeRun = Static<typeof SaidBeforeRun>;
