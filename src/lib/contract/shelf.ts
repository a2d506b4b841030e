import { SHELF_KINDS } from './choices.ts';
import { Type, type Static } from '@sinclair/typebox';
import type { KitFinding } from '$lib/core/comparison';
import { DROPPER_STATES } from '$lib/core/method';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { SALT_IDS } from '$lib/core/standard';
import { closed, Id, InstantMs, Note, words } from './common.ts';
import { LONGEST } from './lengths.ts';
import { typed } from './typed.ts';

const Label = Type.String({ minLength: 1, maxLength: 40 });

const Bottle = Type.Object(
	{
		reagent: Label,
		unit: words(['ml', 'scoops'] as const),
		/** What is in it when it is new. */
		full: Type.Number({ exclusiveMinimum: 0, maximum: 10_000 })
	},
	closed
);
export type Bottle = Static<typeof Bottle>;

const Content = Type.Object(
	{
		parameter: words(PARAMETER_IDS),
		/** Canonical unit. */
		value: Type.Number({ minimum: 0, maximum: 100_000 }),
		/** Standard uncertainty, the same unit. */
		u: Type.Number({ exclusiveMinimum: 0, maximum: 10_000 })
	},
	closed
);

const Amount = Type.Object(
	{
		value: Type.Number({ exclusiveMinimum: 0, maximum: 100_000 }),
		u: Type.Number({ minimum: 0, maximum: 10_000 })
	},
	closed
);

/** How a home-made standard was made, so that it can be made again and its content checked. */
const Recipe = Type.Union([
	Type.Object(
		{ by: Type.Literal('weighed'), salt: words(SALT_IDS), massG: Amount, volumeMl: Amount },
		closed
	),
	Type.Object({ by: Type.Literal('diluted'), stockId: Id, takenMl: Amount, volumeMl: Amount }, closed)
]);
export type Recipe = Static<typeof Recipe>;

export const ShelfDetails = Type.Object(
	{
		/** Tests that the pack says it is good for. */
		tests: Type.Union([Type.Integer({ minimum: 1, maximum: 100_000 }), Type.Null()]),
		bottles: Type.Array(Bottle, { maxItems: 12 }),
		contents: Type.Array(Content, { maxItems: 12 }),
		recipe: Type.Union([Recipe, Type.Null()]),
		/** The reagent that a syringe or scoop belongs to. */
		belongsTo: Type.Union([
			Type.Object({ methodCode: Type.String({ minLength: 1, maxLength: 60 }), reagent: Label }, closed),
			Type.Null()
		])
	},
	closed
);
export type ShelfDetails = Static<typeof ShelfDetails>;

export const NO_DETAILS: ShelfDetails = {
	tests: null,
	bottles: [],
	contents: [],
	recipe: null,
	belongsTo: null
};

const MaybeDay = Type.Union([typed('day', InstantMs), Type.Null()]);

/** A thing comes on the shelf. */
export const AddItem = Type.Object(
	{
		id: Id,
		waterId: Id,
		kind: words(SHELF_KINDS),
		name: Type.String({ minLength: 1, maxLength: LONGEST.thing }),
		lotCode: Type.String({ maxLength: LONGEST.lotCode }),
		/** The method version that a kit was bought with, or that an instrument is read by. */
		methodCode: Type.Union([Type.String({ minLength: 1, maxLength: 60 }), Type.Null()]),
		methodVersion: Type.Union([Type.Integer({ minimum: 1 }), Type.Null()]),
		price: Type.Union([Type.Number({ minimum: 0, maximum: 100_000 }), Type.Null()]),
		boughtAt: MaybeDay,
		expiresAt: MaybeDay,
		details: ShelfDetails
	},
	closed
);
export type AddItem = Static<typeof AddItem>;

const Drops = Type.Integer({ minimum: 5, maximum: 1000 });

/** How the size of a drop was found; the raw numbers are kept. */
const DropTrial = Type.Union([
	typed(
		'in-place',
		Type.Object(
			{
				by: Type.Literal('weighing'),
				drops: Drops,
				massG: Type.Number({ exclusiveMinimum: 0, maximum: 1000 }),
				uMassG: Type.Number({ exclusiveMinimum: 0, maximum: 10 }),
				densityGPerMl: Type.Number({ minimum: 0.6, maximum: 2 })
			},
			closed
		)
	),
	typed(
		'in-place',
		Type.Object(
			{
				by: Type.Literal('mark'),
				drops: Drops,
				ml: Type.Number({ exclusiveMinimum: 0, maximum: 1000 }),
				uMl: Type.Number({ exclusiveMinimum: 0, maximum: 10 })
			},
			closed
		)
	)
]);
export type DropTrial = Static<typeof DropTrial>;

/** What can be noted of a thing on the shelf, each with what it needs. */
export const NOTE_DETAILS = {
	opened: Type.Object({ sameLeaflet: typed('flag', Type.Boolean()) }, closed),
	counted: Type.Object({ reagent: Label, amount: Type.Number({ minimum: 0, maximum: 10_000 }) }, closed),
	dropper: Type.Object({ reagent: Label, state: words(DROPPER_STATES) }, closed),
	'drop-size': Type.Object({ reagent: Label, trial: DropTrial }, closed),
	doubted: Type.Object({}, closed),
	'put-back': Type.Object({ reagent: Label }, closed),
	'box-checked': Type.Object({ complete: typed('flag', Type.Boolean()) }, closed),
	retired: Type.Object({}, closed),
	'back-in-use': Type.Object({}, closed)
} as const;
export type NoteKind = keyof typeof NOTE_DETAILS;
export const NOTE_KINDS = Object.keys(NOTE_DETAILS) as readonly NoteKind[];

const noteOf = <K extends NoteKind>(kind: K) =>
	Type.Object(
		{
			id: Id,
			waterId: Id,
			itemId: Id,
			kind: Type.Literal(kind),
			happenedAt: InstantMs,
			details: typed('in-place', NOTE_DETAILS[kind]),
			note: Note
		},
		closed
	);
type NoteOf<K extends NoteKind> = Static<ReturnType<typeof noteOf<K>>>;
export type NoteItem = { [K in NoteKind]: NoteOf<K> }[NoteKind];
export const NOTE_ITEM = Object.fromEntries(NOTE_KINDS.map((kind) => [kind, noteOf(kind)])) as {
	[K in NoteKind]: ReturnType<typeof noteOf<K>>;
};

/** At the bench: the box of a lot was looked through. */
export const CheckBox = Type.Object(
	{
		id: Id,
		waterId: Id,
		itemId: Id,
		complete: Type.Boolean(),
		/** What is missing. */
		note: Note
	},
	closed
);
export type CheckBox = Static<typeof CheckBox>;

/** Readings of standards become a finding that is kept. */
export const FinishCheck = Type.Object(
	{
		id: Id,
		waterId: Id,
		itemId: Id,
		parameter: words(PARAMETER_IDS),
		runIds: Type.Array(Id, { minItems: 1, maxItems: 12 })
	},
	closed
);
export type FinishCheck = Static<typeof FinishCheck>;

/** From when on a finding corrects: all that was ever read with the kit, or what is read from the check on. */
export const CHECK_SPANS = ['all', 'from-check'] as const;
export type CheckSpan = (typeof CHECK_SPANS)[number];

export const DecideCheck = Type.Object(
	{
		id: Id,
		waterId: Id,
		checkId: Id,
		decision: words(['accept', 'withdraw'] as const),
		span: words(CHECK_SPANS),
		/** The kit is not used any more; what it was off by may be taken out of its results all the same. */
		retire: typed('flag', Type.Boolean()),
		note: Note
	},
	closed
);
export type DecideCheck = Static<typeof DecideCheck>;

/** Whatever no longer fits what is known of a thing is derived again. */
export const DeriveItem = Type.Object({ id: Id, waterId: Id, itemId: Id }, closed);
export type DeriveItem = Static<typeof DeriveItem>;

/** A check as it is kept. */
export interface KeptCheck {
	readonly id: string;
	readonly itemId: string;
	readonly runIds: readonly string[];
	readonly finding: KitFinding;
	readonly checkedAt: number;
}
