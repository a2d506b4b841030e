import { addDays, type Instant } from '../time/index.ts';
import { standardUncertaintyOf } from '../uncertainty/index.ts';
import { againstBand, type Band } from './band.ts';

/** When a parameter is worth testing again, and why. */
export type Outlook =
	| { readonly kind: 'outside'; readonly at: Instant; readonly chance: number }
	| { readonly kind: 'edge'; readonly at: Instant }
	| { readonly kind: 'unknown'; readonly at: Instant; readonly plusMinus: number }
	| { readonly kind: 'steady'; readonly at: Instant; readonly chance: number };

export interface OutlookLimits {
	/** Chance of being outside that the keeper accepts, 0 to 1. */
	readonly chance: number;
	/** A test is never proposed sooner than this after the last, nor later, days. */
	readonly shortestDays: number;
	readonly longestDays: number;
}

/** An estimate may be known no worse than to so much of the band's width, k = 2 (husbandry convention). */
const KNOWN_WITHIN = 0.75;
/** Not knowing grows with time; from here on it has grown enough for another test to tell something. */
const LOST = Math.SQRT2;
const STEP_DAYS = 0.5;

/**
 * The first time, on a grid of half a day, at which the chance of being outside the band has grown by what is accepted
 * since the last reading, or the width of not knowing passes half the band. Never later than the longest interval. The
 * growth counts, not the chance itself: where the last reading left the water at the edge, another one at once would
 * leave it there, and only what may have changed since is worth a test. It is left for half of the usual pause at most.
 *
 * @param ahead estimate at a time from the last reading on: the state, its random and its common part
 * @param lastAt the last reading
 */
export function outlookOf(
	ahead: (at: Instant) => { readonly value: number; readonly uRandom: number; readonly uCommon: number },
	band: Band,
	lastAt: Instant,
	{ chance: accepted, shortestDays, longestDays }: OutlookLimits
): Outlook {
	const chanceAt = (at: Instant) => {
		const { value, uRandom, uCommon } = ahead(at);
		const { pBelow, pAbove } = againstBand(
			value,
			Math.max(1e-12, standardUncertaintyOf({ uRandom, uCommon })),
			band
		);
		return { outside: pBelow + pAbove, uRandom };
	};
	const start = chanceAt(lastAt);
	const width = band.low !== null && band.high !== null ? band.high - band.low : null;
	const atEdge = start.outside >= accepted;
	const latestDays = atEdge ? Math.max(shortestDays, longestDays / 2) : longestDays;
	let most = 0;
	for (let day = STEP_DAYS; day < latestDays; day += STEP_DAYS) {
		const at = addDays(lastAt, day);
		const { outside, uRandom } = chanceAt(at);
		most = Math.max(most, outside);
		if (day < shortestDays) continue;
		if (most - start.outside >= accepted) {
			return atEdge ? { kind: 'edge', at } : { kind: 'outside', at, chance: most };
		}
		if (width !== null && 2 * uRandom >= KNOWN_WITHIN * width && uRandom >= LOST * start.uRandom) {
			return { kind: 'unknown', at, plusMinus: 2 * uRandom };
		}
	}
	const at = addDays(lastAt, latestDays);
	return atEdge ? { kind: 'edge', at } : { kind: 'steady', at, chance: most };
}

/** What one test costs. */
export interface TestCost {
	readonly handsMinutes: number;
	/** Money of the site; null where nobody knows. */
	readonly price: number | null;
}

/** What a usual test costs, in minutes, money turned into minutes; and what money is worth (husbandry convention). */
const USUAL_MINUTES = 6;
const MINUTES_PER_MONEY = 4;
const USUAL_PRICE = 0.5;

/**
 * The chance that is accepted before a test is made: cheap and quick ones are made while it is small, dear and long
 * ones only when it is larger; by the root of the cost, and at most by a factor of two either way.
 *
 * @param usual chance accepted for a usual test, 0 to 1
 * @example acceptedChance(0.1, { handsMinutes: 2, price: 0.1 }) // 0.055
 */
export function acceptedChance(usual: number, { handsMinutes, price }: TestCost): number {
	const cost = handsMinutes + MINUTES_PER_MONEY * (price ?? USUAL_PRICE);
	const ratio = Math.sqrt(cost / (USUAL_MINUTES + MINUTES_PER_MONEY * USUAL_PRICE));
	return usual * Math.min(2, Math.max(0.5, ratio));
}
