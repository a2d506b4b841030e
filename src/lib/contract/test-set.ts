import { Type, type Static } from '@sinclair/typebox';
import type { TestSet } from '$lib/core/bench';
import { closed, Id, words } from './common.ts';
import { MOST_TESTS } from './session.ts';

/** Longest name of a set. */
const LONGEST_NAME = 60;

const Test = Type.Object(
	{
		waterId: Id,
		methodCode: Type.String({ minLength: 1, maxLength: 60 }),
		portion: words(['full', 'half'] as const),
		times: Type.Integer({ minimum: 1, maximum: 3 })
	},
	closed
);

/** A set of tests, named: new, changed under its id, or given up. */
export const SaveSet = Type.Object(
	{
		id: Id,
		waterId: Id,
		setId: Id,
		name: Type.String({ minLength: 1, maxLength: LONGEST_NAME }),
		tests: Type.Array(Test, { minItems: 1, maxItems: MOST_TESTS }),
		weekdays: Type.Array(Type.Integer({ minimum: 1, maximum: 7 }), { maxItems: 7, uniqueItems: true }),
		atMinute: Type.Union([Type.Integer({ minimum: 0, maximum: 24 * 60 - 1 }), Type.Null()]),
		inOrder: Type.Boolean(),
		/** True: it is offered no more. */
		over: Type.Boolean()
	},
	closed
);
export type SaveSet = Static<typeof SaveSet>;

/** A set as Today offers it. */
export type UsualSetSeen = Pick<TestSet, 'id' | 'name' | 'weekdays' | 'atMinute'> & {
	/** All of it was read on this day already. */
	readonly isMade: boolean;
};
