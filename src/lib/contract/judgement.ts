import { Type, type Static } from '@sinclair/typebox';
import { CYCLE_SCHOOLS, PROFILE_IDS, RULE_IDS, USUAL_CYCLE } from '$lib/core/judgement';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { closed, Id, InstantMs, words } from './common.ts';
import { LONGEST } from './lengths.ts';

/** How a water is judged and when it is tested, as its keeper wants it. */
export const JudgementSettings = Type.Object(
	{
		cycle: Type.Object(
			{ clearDays: Type.Integer({ minimum: 1, maximum: 14 }), school: words(CYCLE_SCHOOLS) },
			closed
		),
		testing: Type.Union([
			Type.Object(
				{ kind: Type.Literal('reckoned'), chance: Type.Number({ minimum: 0.01, maximum: 0.5 }) },
				closed
			),
			Type.Object(
				{
					kind: Type.Literal('fixed'),
					everyDays: Type.Union([Type.Literal(7), Type.Literal(14)])
				},
				closed
			)
		]),
		rulesOff: Type.Array(words(RULE_IDS), { maxItems: RULE_IDS.length, uniqueItems: true })
	},
	closed
);

/** Until a keeper says otherwise. The chance is the choice of docs/calibration-judgement.md. */
export const USUAL_SETTINGS: Static<typeof JudgementSettings> = {
	cycle: USUAL_CYCLE,
	testing: { kind: 'reckoned', chance: 0.2 },
	rulesOff: []
};

export const SaveSettings = Type.Object({ id: Id, waterId: Id, settings: JudgementSettings }, closed);
export type SaveSettings = Static<typeof SaveSettings>;

const Limit = Type.Union([Type.Number({ minimum: 0, maximum: 10_000 }), Type.Null()]);

/** Bands under a name of the keeper's own: a species' needs, a shop's advice. Saved again under its name it is changed. */
export const SaveProfile = Type.Object(
	{
		id: Id,
		waterId: Id,
		name: Type.String({ minLength: 2, maxLength: LONGEST.profile }),
		source: Type.String({ minLength: 2, maxLength: LONGEST.source }),
		bands: Type.Array(
			Type.Object({ parameter: words(PARAMETER_IDS), low: Limit, high: Limit, aim: Limit }, closed),
			{ minItems: 1, maxItems: PARAMETER_IDS.length }
		)
	},
	closed
);
export type SaveProfile = Static<typeof SaveProfile>;

/** A water's bands from a time on, all at once, from a shipped profile or one of the keeper's own. */
export const TakeProfile = Type.Object(
	{
		id: Id,
		waterId: Id,
		/** Either a kind and stage of water, which it then is, or bands alone. */
		profile: Type.Union([
			Type.Object({ kind: Type.Literal('shipped'), id: words(PROFILE_IDS) }, closed),
			Type.Object({ kind: Type.Literal('own'), id: Id }, closed)
		]),
		fromAt: InstantMs
	},
	closed
);
export type TakeProfile = Static<typeof TakeProfile>;
