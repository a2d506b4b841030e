import { Type, type TSchema } from '@sinclair/typebox';
import { UNITS, type UnitId } from '$lib/core/quantity';
import {
	BACKGROUNDS,
	BETWEEN_SCHOOLS,
	COURSES,
	END_POINTS,
	LIGHTS,
	MAX_FILLS,
	MAX_LOADS,
	type RawReading,
	type ReadingForm
} from '$lib/core/reading';
import { closed, Id, words } from './common.ts';
import { LONGEST } from './lengths.ts';

/** Numbers here are only bounded roughly; the core checks them against the method's own scale. */
const Millilitres = Type.Number({ minimum: 0, maximum: 100 });
const Amount = Type.Number({ minimum: -1000, maximum: 1_000_000 });
const Drops = Type.Integer({ minimum: 0, maximum: 10_000 });
const EndPoint = Type.Optional(words(END_POINTS));

const common = {
	portion: words(['full', 'half'] as const),
	dilution: Type.Optional(
		Type.Object(
			{ sampleMl: Millilitres, diluentMl: Type.Number({ minimum: 0, maximum: 1000 }), diluentHolds: Amount },
			closed
		)
	),
	light: Type.Optional(words(LIGHTS)),
	background: Type.Optional(words(BACKGROUNDS)),
	course: Type.Optional(words(COURSES)),
	cloudy: Type.Optional(Type.Boolean()),
	bubblesOff: Type.Optional(Type.Boolean()),
	wiped: Type.Optional(Type.Boolean()),
	blind: Type.Optional(Type.Boolean()),
	doubtful: Type.Optional(Type.Boolean())
};

const marks = {
	readAs: words(['left', 'used'] as const),
	fills: Type.Array(
		Type.Object(
			{ startMl: Millilitres, end: Type.Object({ lowerMl: Millilitres, upperMl: Millilitres }, closed) },
			closed
		),
		{ minItems: 1, maxItems: MAX_FILLS }
	),
	sure: Type.Boolean(),
	addedAfter: Type.Optional(Millilitres)
};

const count = {
	least: Drops,
	most: Drops,
	bad: Drops,
	loads: Type.Optional(Type.Integer({ minimum: 1, maximum: MAX_LOADS })),
	addedAfter: Type.Optional(Drops)
};

const Statement = Type.Object(
	{
		kind: words(['on', 'between', 'nearer_lower', 'nearer_upper', 'below', 'above'] as const),
		index: Type.Optional(Type.Integer({ minimum: 0, maximum: 60 }))
	},
	closed
);

const form = <F extends ReadingForm>(name: F, own: Record<string, TSchema>) =>
	Type.Object({ form: Type.Literal(name), ...common, ...own }, closed);

/** One schema per form, so that a fault is told about the form that was meant. */
export const READING_BODY: Readonly<Record<ReadingForm, TSchema>> = {
	syringe: form('syringe', { ...marks, endPoint: EndPoint }),
	drops: form('drops', { ...count, endPoint: EndPoint }),
	pair: form('pair', {
		first: Type.Object(marks, closed),
		second: Type.Object(marks, closed),
		endPoint: EndPoint
	}),
	difference: form('difference', {
		...count,
		endPoint: EndPoint,
		subtract: Type.Object(
			{
				value: Amount,
				uRandom: Amount,
				uCommon: Amount,
				endPoint: EndPoint,
				runId: Type.Union([Id, Type.Null()])
			},
			closed
		)
	}),
	step: form('step', {
		at: Statement,
		between: words(BETWEEN_SCHOOLS),
		blank: Type.Boolean(),
		second: Type.Optional(Statement)
	}),
	display: form('display', {
		shown: Type.Union([Amount, Type.Literal('over'), Type.Literal('under')]),
		temperatureC: Type.Union([Amount, Type.Null()])
	}),
	line: form('line', {
		lower: Amount,
		upper: Amount,
		temperatureC: Type.Union([Amount, Type.Null()])
	}),
	stated: form('stated', {
		unit: words(Object.keys(UNITS) as UnitId[]),
		says: Type.Union([
			Type.Object(
				{
					kind: Type.Literal('value'),
					value: Amount,
					expandedU: Type.Union([Amount, Type.Null()]),
					k: Type.Number({ minimum: 1, maximum: 4 })
				},
				closed
			),
			Type.Object({ kind: Type.Literal('interval'), lower: Amount, upper: Amount }, closed),
			Type.Object({ kind: Type.Literal('bound'), sense: words(['<', '>'] as const), limit: Amount }, closed)
		]),
		source: Type.String({ minLength: 1, maxLength: LONGEST.source })
	})
};

/** A reading whose form is known and whose body is checked against `READING_BODY` apart. */
export const AnyReading = Type.Unsafe<RawReading>(
	Type.Object({ form: words(Object.keys(READING_BODY) as ReadingForm[]) }, { additionalProperties: true })
);
