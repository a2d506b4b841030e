import { Type, type Static } from '@sinclair/typebox';
import { closed, Id } from './common.ts';

/** The longest side of what is kept, however it came: anything larger was not made by a page of ours. */
export const LONGEST_KEPT_SIDE_PX = 4096;

/** What may come in; a picture of that size is a tenth of it. */
export const MOST_PHOTOGRAPH_BYTES = 2_000_000;

export const PHOTOGRAPH_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
export type PhotographType = (typeof PHOTOGRAPH_TYPES)[number];

/** A photograph that should not have been kept is shown no more. */
export const TakePhotographBack = Type.Object({ id: Id, waterId: Id, photographId: Id }, closed);
export type TakePhotographBack = Static<typeof TakePhotographBack>;
