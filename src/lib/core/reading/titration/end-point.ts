import { rectangular } from '../../uncertainty/index.ts';

/** When a person stops: at the first full end colour, at the first hint of it, or one drop later to be sure. */
export const END_POINTS = ['full', 'first-hint', 'one-more-counted', 'one-more-left-out'] as const;
export type EndPoint = (typeof END_POINTS)[number];

export interface EndPointHabit {
	/** What is added to the volume, in drops, to bring it to the first full colour. */
	readonly shiftDrops: number;
	/** Standard uncertainty of that, drops. */
	readonly uDrops: number;
}

/** From the first hint to the full colour it takes one drop, give or take half of one (husbandry convention). */
const HINT_DROPS = 1;
const HINT_HALF_WIDTH_DROPS = 0.5;

const HABITS: Readonly<Record<EndPoint, EndPointHabit>> = {
	full: { shiftDrops: 0, uDrops: 0 },
	'first-hint': { shiftDrops: HINT_DROPS, uDrops: rectangular(HINT_HALF_WIDTH_DROPS) },
	'one-more-counted': { shiftDrops: -1, uDrops: 0 },
	'one-more-left-out': { shiftDrops: 0, uDrops: 0 }
};

/** Factors and tables are made for the first full colour; another habit has a bias that is taken out. */
export function habitOf(endPoint: EndPoint | undefined): EndPointHabit {
	return HABITS[endPoint ?? 'full'];
}
