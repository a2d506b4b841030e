import type { Method } from './method.ts';

/** Things that several tests share, as they are named among a method's equipment; vials are counted one by one. */
const SHARED = {
	vial: /\bvial\b/i,
	photometer: /\bphotometer\b/i,
	comparator: /\bcomparator\b/i,
	refractometer: /\brefractometer\b/i,
	'filter cup': /\bfilter cup\b/i,
	stirrer: /\bstirrer\b/i
} as const;

export type SharedThing = keyof typeof SHARED;
export const SHARED_THINGS = Object.keys(SHARED) as readonly SharedThing[];

/** How many of a shared thing a method needs: of vials each that is named, of an instrument one. */
export function countOf({ equipment }: Pick<Method, 'equipment'>, thing: SharedThing): number {
	const named = equipment.filter((e) => SHARED[thing].test(e)).length;
	return thing === 'vial' ? named : Math.min(1, named);
}
