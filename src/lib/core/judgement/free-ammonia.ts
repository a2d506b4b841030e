import { convert } from '../quantity/index.ts';
import { freeAmmoniaShare, totalFromNbs } from '../seawater/index.ts';

/** Something known between two ends. */
interface Range {
	readonly lower: number;
	readonly upper: number;
}

/** Where a thing was not read: the most that is plausible, pH on the kit's buffers. */
export const UNREAD = {
	salt: { ph: { lower: 8, upper: 8.6 }, temperatureC: { lower: 22, upper: 28 } },
	fresh: { ph: { lower: 6, upper: 8 }, temperatureC: { lower: 20, upper: 28 } }
} as const;

export type Assumed = 'ph' | 'temperature';

export interface FreeAmmonia {
	/** Un-ionised ammonia, mg/L NH₃, least and most that is plausible. */
	readonly least: number;
	readonly most: number;
	/** What was not read, and was taken as widely as is plausible. */
	readonly assumed: readonly Assumed[];
	readonly urgency: 'none' | 'watch' | 'act';
}

/**
 * Un-ionised ammonia from which animals suffer over days, and from which one acts at once, mg/L NH₃ (husbandry
 * convention; fish farms keep below the first).
 */
export const NH3_WATCH = 0.02;
const NH3_ACT = 0.05;

/**
 * Un-ionised ammonia, the form that harms, judged by the worst that is plausible: the most total ammonia, the highest
 * pH and the highest temperature that what was read leaves room for.
 *
 * @param total total ammonia as mg/L NH₄, the ends of what the kit tells
 * @param ph on the kit's (NBS) buffers; null where it was not read
 * @param salinity practical salinity; a fresh water's is 0
 * @param temperatureC null where it was not read
 * @see chemistry of `freeAmmoniaShare`
 */
export function freeAmmonia(
	total: Range,
	ph: Range | null,
	salinity: number,
	temperatureC: Range | null
): FreeAmmonia {
	const kind = salinity < 5 ? UNREAD.fresh : UNREAD.salt;
	const acidity = ph ?? kind.ph;
	const warmth = temperatureC ?? kind.temperatureC;
	const perNh4 = convert(1, 'mg-per-l-nh4', 'mg-per-l-nh3');
	const free = (nh4: number, phNbs: number, t: number) =>
		nh4 * perNh4 * freeAmmoniaShare(totalFromNbs(phNbs, salinity, t), salinity, t);
	const most = free(total.upper, acidity.upper, warmth.upper);
	return {
		least: free(total.lower, acidity.lower, warmth.lower),
		most,
		assumed: [ph ? null : 'ph', temperatureC ? null : 'temperature'].filter((a): a is Assumed => a !== null),
		urgency: most >= NH3_ACT ? 'act' : most >= NH3_WATCH ? 'watch' : 'none'
	};
}
