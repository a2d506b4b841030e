import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { EVENT_KINDS, type EventKind } from '$lib/core/record';
import { closed, Id, InstantMs, Note, OffsetMinutes, words } from './common.ts';
import { LONGEST } from './lengths.ts';
import { typed } from './typed.ts';

const Strength = Type.Object(
	{
		parameter: words(PARAMETER_IDS),
		/** Canonical unit of the parameter, raised by 1 mL (or 1 g, where the dose is weighed) in 100 L. */
		risePerMlIn100L: typed('span', Type.Number({ exclusiveMinimum: 0, maximum: 1000 }))
	},
	closed
);

const Supplement = Type.String({ minLength: 1, maxLength: LONGEST.thing });

export const DoseDetails = Type.Object(
	{
		supplement: Supplement,
		/** In mL, or in g where the unit says so. */
		amountMl: Type.Number({ exclusiveMinimum: 0, maximum: 100_000 }),
		unit: Type.Optional(words(['ml', 'g'] as const)),
		/** Empty when the keeper doesn't know it: then the estimate knows that something unknown went in. */
		strength: typed('per-parameter', Type.Array(Strength, { maxItems: 6 }))
	},
	closed
);

export const RecurringDoseDetails = Type.Object(
	{
		supplement: Supplement,
		/** 0 stops it. */
		amountMlPerDay: Type.Number({ minimum: 0, maximum: 100_000 }),
		unit: Type.Optional(words(['ml', 'g'] as const)),
		strength: typed('per-parameter', Type.Array(Strength, { maxItems: 6 }))
	},
	closed
);

export const MissedDoseDetails = Type.Object(
	{ supplement: Supplement, days: Type.Number({ exclusiveMinimum: 0, maximum: 366 }) },
	closed
);

const NewWaterValue = Type.Object(
	{
		parameter: words(PARAMETER_IDS),
		value: typed('level', Type.Number({ minimum: 0, maximum: 10_000 })),
		u: Type.Number({ exclusiveMinimum: 0, maximum: 1000 })
	},
	closed
);

export const WaterChangeDetails = Type.Object(
	{
		volumeL: Type.Number({ exclusiveMinimum: 0, maximum: 1_000_000 }),
		batch: Type.String({ maxLength: LONGEST.thing }),
		newWater: typed('per-parameter', Type.Array(NewWaterValue, { maxItems: 12 }))
	},
	closed
);

/** A batch of new salt water was mixed: which, and from which lot of salt. */
export const NewMixDetails = Type.Object(
	{
		batch: Type.String({ minLength: 1, maxLength: LONGEST.thing }),
		saltLot: Type.String({ maxLength: LONGEST.thing }),
		volumeL: Type.Number({ exclusiveMinimum: 0, maximum: 1_000_000 })
	},
	closed
);

/** What somebody suspects as the cause joins what is tested. */
const SuspectDetails = Type.Object({ suspected: Type.Optional(words(PARAMETER_IDS)) }, closed);
const NoDetails = Type.Object({}, closed);

/** Every kind of event, and what is kept of it besides its time and note. */
export const EVENT_DETAILS = {
	dose: DoseDetails,
	'recurring-dose': RecurringDoseDetails,
	'recurring-dose-missed': MissedDoseDetails,
	'water-change': WaterChangeDetails,
	'new-mix': NewMixDetails,
	'top-up': NoDetails,
	'medium-in': SuspectDetails,
	'medium-out': NoDetails,
	feeding: NoDetails,
	'animals-in': NoDetails,
	'animals-out': NoDetails,
	'animal-moved': SuspectDetails,
	death: SuspectDetails,
	algae: SuspectDetails,
	browning: SuspectDetails,
	'bottle-kept': NoDetails,
	failure: NoDetails,
	note: NoDetails
} as const satisfies Record<EventKind, TSchema>;

const eventOf = <K extends EventKind>(kind: K) =>
	Type.Object(
		{
			id: Id,
			waterId: Id,
			kind: Type.Literal(kind),
			happenedAt: InstantMs,
			offsetMinutes: OffsetMinutes,
			details: EVENT_DETAILS[kind],
			note: Note
		},
		closed
	);

type EventOf<K extends EventKind> = Static<ReturnType<typeof eventOf<K>>>;

export type RecordEvent = { [K in EventKind]: EventOf<K> }[EventKind];

/** One schema per kind, so that a fault is told about the kind that was meant. */
export const RECORD_EVENT = Object.fromEntries(EVENT_KINDS.map((kind) => [kind, eventOf(kind)])) as {
	[K in EventKind]: ReturnType<typeof eventOf<K>>;
};

/** At the bench: a closed bottle of the sample is put aside for the laboratory. */
export const KeepBottle = Type.Object(
	{ id: Id, waterId: Id, happenedAt: InstantMs, offsetMinutes: OffsetMinutes, note: Note },
	closed
);
export type KeepBottle = Static<typeof KeepBottle>;
