import { Type, type Static } from '@sinclair/typebox';
import type { PanelHappening } from '$lib/core/judgement';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import { closed, Id, InstantMs, Note, OffsetMinutes, words } from './common.ts';

const Strength = Type.Object(
	{
		parameter: words(PARAMETER_IDS),
		/** Canonical unit of the parameter, raised by 1 mL (or 1 g, where the dose is weighed) in 100 L. */
		risePerMlIn100L: Type.Number({ exclusiveMinimum: 0, maximum: 1000 })
	},
	closed
);

const Supplement = Type.String({ minLength: 1, maxLength: 120 });

export const DoseDetails = Type.Object(
	{
		supplement: Supplement,
		/** In mL, or in g where the unit says so. */
		amountMl: Type.Number({ exclusiveMinimum: 0, maximum: 100_000 }),
		unit: Type.Optional(words(['ml', 'g'] as const)),
		/** Empty when the keeper doesn't know it: then the estimate knows that something unknown went in. */
		strength: Type.Array(Strength, { maxItems: 6 })
	},
	closed
);

export const RecurringDoseDetails = Type.Object(
	{
		supplement: Supplement,
		/** 0 stops it. */
		amountMlPerDay: Type.Number({ minimum: 0, maximum: 100_000 }),
		unit: Type.Optional(words(['ml', 'g'] as const)),
		strength: Type.Array(Strength, { maxItems: 6 })
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
		value: Type.Number({ minimum: 0, maximum: 10_000 }),
		u: Type.Number({ exclusiveMinimum: 0, maximum: 1000 })
	},
	closed
);

export const WaterChangeDetails = Type.Object(
	{
		volumeL: Type.Number({ exclusiveMinimum: 0, maximum: 1_000_000 }),
		batch: Type.String({ maxLength: 120 }),
		newWater: Type.Array(NewWaterValue, { maxItems: 12 })
	},
	closed
);

/** A batch of new salt water was mixed: which, and from which lot of salt. */
export const NewMixDetails = Type.Object(
	{
		batch: Type.String({ minLength: 1, maxLength: 120 }),
		saltLot: Type.String({ maxLength: 120 }),
		volumeL: Type.Number({ exclusiveMinimum: 0, maximum: 1_000_000 })
	},
	closed
);

/** New water is tested with the keeper's kits; until the test itself is named, this is their standard uncertainty. */
export const NEW_WATER_U: Readonly<Record<ParameterId, number>> = {
	alkalinity: 0.25,
	calcium: 10,
	magnesium: 30,
	potassium: 12,
	nitrate: 1,
	phosphate: 0.03,
	ammonia: 0.1,
	nitrite: 0.05,
	ph: 0.15,
	salinity: 0.6,
	temperature: 0.3,
	hardness: 0.5
};

const NoDetails = Type.Object({}, closed);

/** Every kind of event, and what is kept of it besides its time and note. */
export const EVENT_DETAILS = {
	dose: DoseDetails,
	'recurring-dose': RecurringDoseDetails,
	'recurring-dose-missed': MissedDoseDetails,
	'water-change': WaterChangeDetails,
	'new-mix': NewMixDetails,
	'top-up': NoDetails,
	'medium-in': NoDetails,
	'medium-out': NoDetails,
	feeding: NoDetails,
	'animals-in': NoDetails,
	'animals-out': NoDetails,
	death: NoDetails,
	algae: NoDetails,
	browning: NoDetails,
	failure: NoDetails,
	note: NoDetails
} as const;

export type EventKind = keyof typeof EVENT_DETAILS;

export const EVENT_KINDS = Object.keys(EVENT_DETAILS) as readonly EventKind[];

/** What is no routine: it may have moved the water, and is named where something moved. */
export const OUT_OF_THE_ORDINARY: ReadonlySet<EventKind> = new Set<EventKind>([
	'recurring-dose-missed',
	'failure',
	'death',
	'algae',
	'browning',
	'animals-in',
	'animals-out',
	'medium-in',
	'medium-out'
]);

const PANEL_OF: Readonly<Partial<Record<EventKind, PanelHappening>>> = {
	death: 'death',
	algae: 'algae',
	browning: 'browning',
	'new-mix': 'new-salt',
	'medium-in': 'new-medium'
};

/** The tests that an event asks for; null where it asks for none. */
export function panelFor(kind: EventKind): PanelHappening | null {
	return PANEL_OF[kind] ?? null;
}

export type EventDetails = Static<(typeof EVENT_DETAILS)[EventKind]>;

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
