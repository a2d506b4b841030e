import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { HAZARDS, MAX_STEPS, MIXINGS, PACES, SPOONS, type Method, type MethodKind } from '$lib/core/method';
import { PARAMETER_IDS, UNITS, type UnitId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import { closed, Id, words } from './common.ts';

const Text = (most: number) => Type.String({ minLength: 1, maxLength: most });
const Positive = Type.Number({ exclusiveMinimum: 0, maximum: 1e6 });
const NotNegative = Type.Number({ minimum: 0, maximum: 1e6 });
const Share = Type.Number({ minimum: 0, maximum: 0.5, description: 'relative, 0.01 is 1 %' });
const Any = Type.Number({ minimum: -1e6, maximum: 1e6 });
const orNull = <S extends TSchema>(schema: S) => Type.Union([schema, Type.Null()]);
const Parameter = words(PARAMETER_IDS);
const Unit = words(Object.keys(UNITS) as UnitId[]);
const Colour = Type.Object(
	{ name: Text(60), css: Type.String({ pattern: '^#[0-9a-fA-F]{6}$', description: 'six hex digits' }) },
	closed
);

const hands = { handsS: NotNegative };
const Seconds = Type.Integer({ minimum: 1, maximum: 86_400 });
const Count = Type.Integer({ minimum: 1, maximum: 200 });
const Paced = { pace: Type.Optional(words(PACES)) };
const action = (kind: readonly string[], own: Record<string, TSchema>) =>
	Type.Object({ kind: words(kind), ...own }, closed);

/** What the hands do in a step. One object for each kind; which one is meant is told by "kind". */
export const STEP_ACTIONS: readonly TSchema[] = [
	action(['fill', 'blank', 'read', 'do'], hands),
	action(['prepare'], {
		...hands,
		of: Type.Optional(Text(60)),
		doing: Type.Optional(words(['assemble', 'wipe'] as const))
	}),
	action(['draw', 'measure'], {
		...hands,
		...Paced,
		ml: Type.Optional(Positive),
		by: Type.Optional(words(['line', 'tip'] as const)),
		half: Type.Optional(Type.Object({ ml: Positive, say: Type.Optional(Text(400)) }, closed))
	}),
	action(['drops', 'scoops'], {
		...hands,
		...Paced,
		count: Count,
		spoon: Type.Optional(words(SPOONS)),
		half: Type.Optional(
			Type.Object(
				{ count: Count, spoon: Type.Optional(words(SPOONS)), say: Type.Optional(Text(400)) },
				closed
			)
		),
		mixing: Type.Optional(words(MIXINGS))
	}),
	action(['invert'], { ...hands, times: Count }),
	action(MIXINGS, { seconds: Seconds }),
	action(['stand'], {
		seconds: Seconds,
		exactly: Type.Optional(Type.Boolean()),
		upToSeconds: Type.Optional(Seconds)
	}),
	action(['filter'], { seconds: Seconds, longestSeconds: Seconds }),
	action(['titrate'], { ...hands, titration: Type.Optional(Type.Integer({ minimum: 0, maximum: 1 })) })
];

const Step = Type.Object(
	{
		id: Text(60),
		action: Type.Union([...STEP_ACTIONS]),
		say: Text(400),
		detail: Type.String({ maxLength: 600 }),
		why: Type.String({ maxLength: 600 }),
		vial: Type.Optional(Type.Literal('second')),
		reagent: Type.Optional(Text(40)),
		expect: Type.Optional(Colour)
	},
	closed
);

const Meter = Type.Union([
	Type.Object(
		{
			kind: Type.Literal('syringe'),
			capacityMl: Positive,
			graduationMl: Positive,
			readAs: words(['left', 'used'] as const),
			tipDropMl: Positive,
			headStartMl: NotNegative
		},
		closed
	),
	Type.Object(
		{
			kind: Type.Literal('drops'),
			dropMl: Positive,
			relativeTolerance: Share,
			loadMl: Type.Optional(Positive)
		},
		closed
	)
]);

const Worth = Type.Union([
	Type.Object({ by: Type.Literal('titrant'), molPerL: Positive }, closed),
	Type.Object(
		{
			by: Type.Literal('excess'),
			titrantMolPerL: Positive,
			excessMolPerL: Positive,
			excessMl: Positive,
			filtrate: orNull(Type.Object({ ofMl: Positive, takenMl: Positive }, closed))
		},
		closed
	),
	Type.Object({ by: Type.Literal('line'), unit: Unit, perUnit: Any, atZero: Any }, closed),
	Type.Object(
		{
			by: Type.Literal('table'),
			unit: Unit,
			reads: words(['left', 'used'] as const),
			points: Type.Array(Type.Tuple([Any, Any]), { minItems: 2, maxItems: 400 }),
			printedStep: NotNegative
		},
		closed
	)
]);

const Titration = Type.Object(
	{
		parameter: Parameter,
		titrant: Text(60),
		titrantRelativeTolerance: Share,
		meter: Meter,
		worth: Worth,
		endPointU: NotNegative,
		colours: Type.Object({ start: Colour, passing: Colour, end: Colour }, closed)
	},
	closed
);

const common = {
	code: Type.String({ pattern: '^[a-z0-9][a-z0-9-]{0,58}$' }),
	version: Type.Integer({ minimum: 1, maximum: 10_000 }),
	name: Text(120),
	parameter: Parameter,
	species: Text(40),
	sampleMl: orNull(Type.Object({ full: Positive, half: Type.Optional(Positive) }, closed)),
	sampleRelativeTolerance: Share,
	dilutions: Type.Array(Type.Number({ exclusiveMinimum: 1, maximum: 100 }), { maxItems: 8 }),
	limits: Type.Object({ low: orNull(Any), high: orNull(Any) }, closed),
	reagents: Type.Array(
		Type.Object(
			{
				label: Text(40),
				what: Type.String({ maxLength: 120 }),
				hazards: Type.Array(words(HAZARDS), { maxItems: 6 })
			},
			closed
		),
		{ maxItems: 12 }
	),
	equipment: Type.Array(Text(120), { maxItems: 20 }),
	steps: Type.Array(Step, { maxItems: MAX_STEPS }),
	pack: Type.Object(
		{
			tests: orNull(Type.Integer({ minimum: 1, maximum: 100_000 })),
			price: orNull(NotNegative),
			closedMonths: orNull(Positive),
			openedMonths: orNull(Positive)
		},
		closed
	)
};

const kind = (kinds: readonly MethodKind[], own: Record<string, TSchema>) =>
	Type.Object({ kind: words(kinds), ...common, ...own }, closed);

const Scale = Type.Object(
	{
		waterC: Any,
		referenceC: Any,
		graduation: Positive,
		from: Any,
		to: Any,
		tolerance: NotNegative,
		expansionPerK: Type.Number({ minimum: 0, maximum: 0.01 }),
		temperatureTolerance: NotNegative
	},
	closed
);

/** One schema for each kind of method, so that a fault is told about the kind that was meant. */
export const METHOD_KINDS: Readonly<Record<MethodKind, TSchema>> = {
	'syringe-titration': kind(['syringe-titration'], { titration: Titration }),
	'drop-titration': kind(['drop-titration'], { titration: Titration }),
	'back-titration': kind(['back-titration'], { titration: Titration }),
	'paired-titration': kind(['paired-titration'], { titration: Titration, second: Titration }),
	difference: kind(['difference'], {
		titration: Titration,
		subtract: Type.Object(
			{ parameter: Type.Literal('calcium'), by: words(['moles', 'plain'] as const) },
			closed
		)
	}),
	'colour-card': kind(['colour-card'], colourBody()),
	comparator: kind(['comparator'], colourBody()),
	display: kind(['display'], {
		unit: Unit,
		resolution: Positive,
		accuracy: Type.Object({ absolute: NotNegative, relative: Share }, closed),
		range: Type.Object({ low: Any, high: Any }, closed),
		withTemperature: Type.Boolean()
	}),
	'scale-line': kind(['scale-line'], { scale: Scale }),
	float: kind(['float'], { scale: Scale }),
	thermometer: kind(['thermometer'], {
		graduationC: Positive,
		toleranceC: NotNegative,
		rangeC: Type.Object({ low: Any, high: Any }, closed)
	}),
	stated: kind(['stated'], {})
};

function colourBody() {
	return {
		unit: Unit,
		colourSteps: Type.Array(Type.Object({ value: NotNegative, colour: Colour }, closed), {
			minItems: 2,
			maxItems: 40
		}),
		spacing: words(['linear', 'log'] as const),
		blank: Type.Boolean(),
		view: Type.String({ maxLength: 200 })
	};
}

/** A method whose kind is known and whose body is checked against `METHOD_KINDS` apart. */
const AnyMethod = Type.Unsafe<Method>(
	Type.Object({ kind: words(Object.keys(METHOD_KINDS) as MethodKind[]) }, { additionalProperties: true })
);

export const METHOD_FILE_FORMAT = 'tevrik-method';
export const METHOD_FILE_VERSION = 1;

/** A method as it goes out and comes in. */
export const MethodFile = Type.Object(
	{
		format: Type.Literal(METHOD_FILE_FORMAT),
		formatVersion: Type.Literal(METHOD_FILE_VERSION),
		method: AnyMethod
	},
	closed
);
export type MethodFile = Static<typeof MethodFile>;

/**
 * Keeps a method of the site's own: a new one, or a new version of one it has. Code and version are given by the
 * server; what stands there in the method is only a wish.
 */
export const SaveMethod = Type.Object(
	{
		id: Id,
		waterId: Id,
		method: AnyMethod,
		/** Code of the own method of which this is a new version; null for a new one. */
		revises: orNull(Type.String({ maxLength: 60 }))
	},
	closed
);
export type SaveMethod = Static<typeof SaveMethod>;

/** Derives what came from older versions of a method again by its newest. */
export const DeriveAgain = Type.Object({ id: Id, waterId: Id, code: Type.String({ maxLength: 60 }) }, closed);
export type DeriveAgain = Static<typeof DeriveAgain>;

/** How the results of one reading would move if they were derived again. */
export interface Move {
	readonly readingId: string;
	readonly at: Instant;
	readonly water: string;
	readonly version: number;
	readonly before: readonly TestResult[];
	/** Null where the newest version cannot read it, and why. */
	readonly after: readonly TestResult[] | null;
}

/** Parts that stand in many places, named once in the published schema. */
const PARTS = new Map<unknown, string>([
	[Step, 'step'],
	[Titration, 'titration'],
	[Meter, 'meter'],
	[Worth, 'worth'],
	[Scale, 'scale'],
	[Colour, 'colour'],
	[Unit, 'unit'],
	[Parameter, 'parameter'],
	...Object.entries(common).map(([name, schema]) => [schema, name] as const)
]);

/** A schema as plain JSON in which every named part is a reference; the part itself where it is defined. */
function referring(node: unknown, defined: unknown): unknown {
	const name = PARTS.get(node);
	if (name !== undefined && node !== defined) return { $ref: `#/definitions/${name}` };
	if (Array.isArray(node)) return node.map((n: unknown) => referring(n, defined));
	if (node === null || typeof node !== 'object') return node;
	return Object.fromEntries(Object.entries(node).map(([key, value]) => [key, referring(value, defined)]));
}

/** The published JSON Schema of a method file: what is checked here, in one document. */
export function methodFileSchema(): object {
	return {
		$schema: 'http://json-schema.org/draft-07/schema#',
		title: 'Tevrik method file, format version 1',
		type: 'object',
		required: ['format', 'formatVersion', 'method'],
		additionalProperties: false,
		properties: {
			format: { const: METHOD_FILE_FORMAT },
			formatVersion: { const: METHOD_FILE_VERSION },
			method: { anyOf: Object.values(METHOD_KINDS).map((schema) => referring(schema, null)) }
		},
		definitions: Object.fromEntries([...PARTS].map(([part, name]) => [name, referring(part, part)]))
	};
}
