import { Type, type Static } from '@sinclair/typebox';
import { LIMITED } from '$lib/core/caution';
import {
	ALKALINITY_FORMS,
	COMPOUND_IDS,
	DOSE_UNITS,
	HUSBANDRY_IDS,
	RAISED,
	type HusbandryId,
	type LimitRefusal,
	type NeglectedStep,
	type PlanRequest as AskedPlan,
	type Repair
} from '$lib/core/correction';
import type { PlanLine, WayAhead } from '$lib/core/judgement/plan';
import type { LeftOut } from '$lib/core/judgement/water';
import { PARAMETER_IDS, POSSIBLE, type ParameterId } from '$lib/core/quantity';
import { closed, Id, InstantMs, Note, OffsetMinutes, words } from './common.ts';
import { LONGEST } from './lengths.ts';

const Strength = Type.Object(
	{
		parameter: words(RAISED),
		risePer100L: Type.Number({ exclusiveMinimum: 0, maximum: POSSIBLE.risePerMlIn100L.most })
	},
	closed
);
const Purity = Type.Number({ minimum: 0.5, maximum: 1 });

const Salt = Type.Object(
	{ kind: Type.Literal('salt'), compound: words(COMPOUND_IDS), purity: Purity },
	closed
);
const Solution = Type.Object(
	{
		kind: Type.Literal('solution'),
		parts: Type.Array(
			Type.Object(
				{
					compound: words(COMPOUND_IDS),
					gramsPerL: Type.Number({ exclusiveMinimum: 0, maximum: 1000 }),
					purity: Purity
				},
				closed
			),
			{ minItems: 1, maxItems: 3 }
		)
	},
	closed
);
const Product = Type.Object(
	{
		kind: Type.Literal('product'),
		unit: words(DOSE_UNITS),
		strength: Type.Array(Strength, { minItems: 1, maxItems: RAISED.length }),
		form: words(ALKALINITY_FORMS),
		from: words(['label', 'trial'] as const),
		relativeU: Type.Number({ minimum: 0.01, maximum: 0.5 })
	},
	closed
);
const Limewater = Type.Object(
	{ kind: Type.Literal('limewater'), molPerL: Type.Number({ exclusiveMinimum: 0, maximum: 0.03 }) },
	closed
);
/** An additive of which nobody knows what it brings: so much by its leaflet for so high a reading. */
const DosingTable = Type.Object(
	{
		kind: Type.Literal('table'),
		parameter: words(PARAMETER_IDS),
		unit: words(DOSE_UNITS),
		rows: Type.Array(
			Type.Object(
				{
					reading: Type.Number({ minimum: 0, maximum: 10_000 }),
					amountPer100L: Type.Number({ minimum: 0, maximum: 10_000 })
				},
				closed
			),
			{ minItems: 1, maxItems: 20 }
		)
	},
	closed
);

/** A supplement as it is kept: what it is, what its label warns against, whether it is still in use. */
export const KeptSupplement = Type.Object(
	{
		what: Type.Union([Salt, Solution, Product, Limewater, DosingTable]),
		/** Its label forbids to combine it with these, in the label's words. */
		notWith: Type.String({ maxLength: 300 }),
		inUse: Type.Boolean()
	},
	closed
);
export type KeptSupplement = Static<typeof KeptSupplement>;

export const SaveSupplement = Type.Object(
	{
		id: Id,
		waterId: Id,
		name: Type.String({ minLength: 2, maxLength: LONGEST.thing }),
		details: KeptSupplement
	},
	closed
);
export type SaveSupplement = Static<typeof SaveSupplement>;

export const SetLimit = Type.Object(
	{
		id: Id,
		waterId: Id,
		parameter: words(LIMITED),
		direction: words(['up', 'down'] as const),
		perDay: Type.Number({ exclusiveMinimum: 0, maximum: 1000 }),
		reason: Type.String({ maxLength: LONGEST.reason })
	},
	closed
);
export type SetLimit = Static<typeof SetLimit>;
export type { LimitRefusal };

const SupplementRef = Type.String({ minLength: 3, maxLength: 60 });

/** What a plan is asked for; everything else is reckoned where it is kept. */
export const PlanRequest = Type.Union([
	Type.Object(
		{
			kind: Type.Literal('doses'),
			goals: Type.Array(
				Type.Object(
					{
						parameter: words(RAISED),
						aim: Type.Number({ minimum: 0, maximum: 5000 }),
						supplementId: SupplementRef
					},
					closed
				),
				{ minItems: 1, maxItems: 4 }
			),
			/** The net volume was found by filling or by a dose, not guessed from the glass. */
			volumeKnown: Type.Boolean(),
			/** Where a level moves as no tank moves it: pumps, bottles, volume and strength were looked at, and are right. */
			looked: Type.Optional(Type.Boolean())
		},
		closed
	),
	Type.Object(
		{
			kind: Type.Literal('salinity'),
			aim: Type.Number({ minimum: 20, maximum: 42 }),
			volumeKnown: Type.Boolean()
		},
		closed
	),
	Type.Object(
		{
			kind: Type.Literal('changes'),
			litres: Type.Number({ exclusiveMinimum: 0, maximum: 100_000 }),
			count: Type.Integer({ minimum: 1, maximum: 30 }),
			everyDays: Type.Integer({ minimum: 1, maximum: 60 }),
			batch: Type.String({ maxLength: LONGEST.thing })
		},
		closed
	),
	Type.Object({ kind: Type.Literal('husbandry'), id: words(HUSBANDRY_IDS) }, closed)
]);
export type PlanRequest = AskedPlan;

export const StartPlan = Type.Object(
	{ id: Id, waterId: Id, request: PlanRequest, startsAt: InstantMs, offsetMinutes: OffsetMinutes },
	closed
);
export type StartPlan = Omit<Static<typeof StartPlan>, 'request'> & { readonly request: PlanRequest };

/** A step was done, perhaps with another amount, or was left out. */
export const NoteStep = Type.Object(
	{
		id: Id,
		planId: Id,
		stepId: Type.String({ minLength: 1, maxLength: 60 }),
		outcome: words(['done', 'skipped'] as const),
		/** As it was given; null where the step has no amount, or it was given as planned. */
		amount: Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 1_000_000 }), Type.Null()]),
		happenedAt: InstantMs,
		offsetMinutes: OffsetMinutes,
		note: Note
	},
	closed
);
export type NoteStep = Static<typeof NoteStep>;

export const ChangePlan = Type.Object(
	{
		id: Id,
		planId: Id,
		what: words(['plan-rest', 'reached', 'stopped'] as const),
		note: Note
	},
	closed
);
export type ChangePlan = Static<typeof ChangePlan>;

/** What a water asks to be corrected, in its order. */
export interface AdjustAnswer {
	readonly leftOut: readonly LeftOut[];
	/** How many parameters can be judged: they were read lately, and it is known what is wanted of them. */
	readonly judged: number;
	readonly repairs: readonly RepairSeen[];
	/** The order in which a tank is helped whose buffer is gone. */
	readonly neglected: readonly NeglectedStep[] | null;
	/** Nobody tested it for long; else its buffer is gone for another reason. */
	readonly leftAlone: boolean;
	readonly plans: readonly PlanLine[];
	readonly volumeL: number | null;
	readonly dying: boolean;
}

export interface RepairSeen {
	readonly repair: Repair;
	/** The values that it stands on, by parameter, canonical unit. */
	readonly values: readonly {
		readonly parameter: ParameterId;
		readonly value: number;
		readonly u: number;
		readonly low: number | null;
		readonly high: number | null;
		readonly aim: number | null;
		readonly surprising: boolean;
		/** The readings cannot tell whether it is outside; it harms within days, so it is acted on as if it were. */
		readonly onlyPossible: boolean;
	}[];
	readonly husbandry: HusbandryId | null;
	/** A plan for it is under way. */
	readonly planned: boolean;
	/** How each value would go, or goes, by the usual plan; empty where no plan leads there. */
	readonly ways: readonly WayAhead[];
}
