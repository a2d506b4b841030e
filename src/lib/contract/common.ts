import { Type } from '@sinclair/typebox';
import { LONGEST } from './lengths.ts';
import { typed } from './typed.ts';

/** UUID v7, lower case, made by whoever creates the thing. */
export const Id = Type.String({
	pattern: '^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$'
});

/** Milliseconds since 1970, UTC; within this product's century. */
export const InstantMs = typed(
	'moment',
	Type.Integer({ minimum: 946_684_800_000, maximum: 4_102_444_800_000 })
);

export const OffsetMinutes = Type.Integer({ minimum: -14 * 60, maximum: 14 * 60 });

export const Note = Type.String({ maxLength: LONGEST.note });

export const Reason = Type.String({ minLength: 3, maxLength: LONGEST.reason });

export const closed = { additionalProperties: false } as const;

export function words<T extends string>(values: readonly T[]) {
	return Type.Unsafe<T>(Type.String({ enum: [...values] }));
}
