import { WATER_KINDS } from './choices.ts';
import { LONGEST_WATER_NAME } from './lengths.ts';
import { Type, type Static } from '@sinclair/typebox';
import { PROFILE_IDS } from '$lib/core/judgement';
import { closed, Id, InstantMs, words } from './common.ts';

const Name = Type.String({ minLength: 1, maxLength: LONGEST_WATER_NAME });
/** From a vase to a public aquarium. */
const Litres = Type.Number({ minimum: 0.5, maximum: 10_000_000 });
const Minute = Type.Integer({ minimum: 0, maximum: 24 * 60 - 1 });

/** How much water, and how well that is known: a standard uncertainty. */
export const KnownVolume = Type.Object(
	{ litres: Litres, uL: Type.Number({ minimum: 0, maximum: 10_000_000 }) },
	closed
);
export type KnownVolume = Static<typeof KnownVolume>;

/** Minutes after midnight, in the site's zone. */
export const Lights = Type.Object({ onMinute: Minute, offMinute: Minute }, closed);
export type Lights = Static<typeof Lights>;

const orNull = <T extends Parameters<typeof Type.Union>[0][number]>(schema: T) =>
	Type.Union([schema, Type.Null()]);

/** What is not known yet is null; it is asked for where it first matters. */
export const AddWater = Type.Object(
	{
		id: Id,
		name: Name,
		kind: words(WATER_KINDS),
		profile: orNull(words(PROFILE_IDS)),
		volume: orNull(KnownVolume),
		lights: orNull(Lights),
		hasAnimals: Type.Boolean(),
		startedAt: orNull(InstantMs)
	},
	closed
);
export type AddWater = Static<typeof AddWater>;

const Change = Type.Union([
	Type.Object({ kind: Type.Literal('name'), name: Name }, closed),
	Type.Object({ kind: Type.Literal('volume'), volume: KnownVolume }, closed),
	Type.Object({ kind: Type.Literal('lights'), lights: orNull(Lights) }, closed),
	Type.Object({ kind: Type.Literal('animals'), hasAnimals: Type.Boolean() }, closed),
	Type.Object({ kind: Type.Literal('ended') }, closed),
	Type.Object({ kind: Type.Literal('runs-again') }, closed)
]);
export type WaterChange = Static<typeof Change>;

/** Something else about a water, from a time on. What was judged before stays as it was. */
export const ChangeWater = Type.Object({ id: Id, waterId: Id, fromAt: InstantMs, change: Change }, closed);
export type ChangeWater = Static<typeof ChangeWater>;

/** All waters of the site, in the order in which they are shown. */
export const OrderWaters = Type.Object(
	{ id: Id, waterIds: Type.Array(Id, { minItems: 1, maxItems: 200, uniqueItems: true }) },
	closed
);
export type OrderWaters = Static<typeof OrderWaters>;

/** Where the waters of a site stand: the zone of its clock, such as "Europe/Lisbon". */
export const ChangeZone = Type.Object(
	{ id: Id, timeZone: Type.String({ minLength: 1, maxLength: 60 }) },
	closed
);
export type ChangeZone = Static<typeof ChangeZone>;

/** The shipped kits that a site tests with "like this one", by their codes. */
export const ChooseKits = Type.Object(
	{
		id: Id,
		codes: Type.Array(Type.String({ minLength: 1, maxLength: 60 }), { maxItems: 60, uniqueItems: true })
	},
	closed
);
export type ChooseKits = Static<typeof ChooseKits>;
