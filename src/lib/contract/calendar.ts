import { Type, type Static } from '@sinclair/typebox';
import { closed, Id } from './common.ts';

/** Opens a private calendar address for the tests of a site, or closes one for good. */
export const ChangeFeed = Type.Union([
	Type.Object({ id: Id, waterId: Id, kind: Type.Literal('open') }, closed),
	Type.Object({ id: Id, waterId: Id, kind: Type.Literal('revoke'), feedId: Id }, closed)
]);
export type ChangeFeed = Static<typeof ChangeFeed>;

/** A calendar address as its owner sees it; the address itself is shown once, when it is made. */
export interface OpenFeed {
	readonly id: string;
	readonly createdAt: number;
}
