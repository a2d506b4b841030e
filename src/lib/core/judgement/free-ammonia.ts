import { CONVENTIONS } from '../caution/index.ts';
import { convert } from '../quantity/index.ts';
import { freeAmmoniaShare, totalFromNbs } from '../seawater/index.ts';
import { standardUncertaintyOf } from '../uncertainty/index.ts';

/** Something known between two ends. */
interface Range {
	readonly lower: number;
	readonly upper: number;
}

/** Where a thing was not read: the most that is plausible, pH on the kit's buffers. */
const UNREAD = {
	salt: {
		ph: { lower: 8, upper: CONVENTIONS.saltPhWorst.value },
		temperatureC: { lower: 22, upper: 28 }
	},
	fresh: {
		ph: { lower: CONVENTIONS.freshPhLeast.value, upper: CONVENTIONS.freshPhWorst.value },
		temperatureC: { lower: 20, upper: 28 }
	},
	/** Of sea water. */
	salinity: { lower: 30, upper: 37 }
} as const;

/** Below this practical salinity a water is fresh. */
const FRESH_SALINITY = 5;

/** What is taken for the middle of what was not read, with its standard uncertainty. */
const UNREAD_MIDDLE = {
	temperature: { value: 26, uRandom: 1, uCommon: 0 },
	salinity: { value: 34, uRandom: 2, uCommon: 0 }
} as const;

interface Read {
	readonly value: number;
	readonly uRandom: number;
	readonly uCommon: number;
}

/**
 * What the share of free ammonia rests on, from what was read before: pH between its ends on the total scale, warmth and
 * salinity with their standard uncertainties. What was not read is taken as it usually is.
 */
export function besideAmmonia(before: {
	readonly ph?: Read | null;
	readonly temperature?: Read | null;
	readonly salinity?: Read | null;
}): {
	readonly ph: Range;
	readonly temperatureC: { readonly value: number; readonly u: number };
	readonly salinity: { readonly value: number; readonly u: number };
} {
	const temperature = before.temperature ?? UNREAD_MIDDLE.temperature;
	const salinity = before.salinity ?? UNREAD_MIDDLE.salinity;
	const { ph } = before;
	// Evenly spread, as far as its standard uncertainty tells.
	const half = ph ? Math.sqrt(3) * standardUncertaintyOf(ph) : 0;
	const nbs = ph
		? { lower: ph.value - half, upper: ph.value + half }
		: UNREAD[salinity.value < FRESH_SALINITY ? 'fresh' : 'salt'].ph;
	const total = (x: number) => totalFromNbs(x, Math.min(42, salinity.value), temperature.value);
	return {
		ph: { lower: total(nbs.lower), upper: total(nbs.upper) },
		temperatureC: { value: temperature.value, u: standardUncertaintyOf(temperature) },
		salinity: { value: salinity.value, u: standardUncertaintyOf(salinity) }
	};
}

/** The share is known up to here; a water beyond is reckoned as at the end. */
const KNOWN_SHARE = { salinity: [0, 45], temperatureC: [-2, 45] } as const;
const within = ([least, most]: readonly [number, number], x: number) => Math.min(most, Math.max(least, x));

export type Assumed = 'ph' | 'temperature' | 'salinity';

export interface FreeAmmonia {
	/** Un-ionised ammonia, mg/L NH₃, least and most that is plausible. */
	readonly least: number;
	/** Null where the kit could only tell that it is more than its highest colour. */
	readonly most: number | null;
	/** What was not read, and was taken as widely as is plausible. */
	readonly assumed: readonly Assumed[];
	readonly urgency: 'none' | 'watch' | 'act';
}

/**
 * Un-ionised ammonia from which animals suffer over days, and from which one acts at once, mg/L NH₃ (husbandry
 * convention; fish farms keep below the first).
 */
export const NH3_WATCH = CONVENTIONS.freeAmmoniaWatch.value;
const NH3_ACT = CONVENTIONS.freeAmmoniaAct.value;

/**
 * Un-ionised ammonia, the form that harms, judged by the worst that is plausible: the most total ammonia, the highest
 * pH and the highest temperature that what was read leaves room for.
 *
 * @param total total ammonia as mg/L NH₄, the ends of what the kit tells; null for "more than"
 * @param ph on the kit's (NBS) buffers; null where it was not read
 * @param salinity practical salinity; a fresh water's is 0; null where a sea water's was not read
 * @param temperatureC null where it was not read
 * @see chemistry of `freeAmmoniaShare`
 */
export function freeAmmonia(
	total: { readonly lower: number; readonly upper: number | null },
	ph: Range | null,
	salinity: number | null,
	temperatureC: Range | null
): FreeAmmonia {
	const kind = salinity !== null && salinity < FRESH_SALINITY ? UNREAD.fresh : UNREAD.salt;
	const acidity = ph ?? kind.ph;
	const warmth = temperatureC ?? kind.temperatureC;
	const salts =
		salinity === null
			? [UNREAD.salinity.lower, UNREAD.salinity.upper]
			: [within(KNOWN_SHARE.salinity, salinity)];
	const perNh4 = convert(1, 'mg-per-l-nh4', 'mg-per-l-nh3');
	const free = (nh4: number, phNbs: number, warmth: number) => {
		const t = within(KNOWN_SHARE.temperatureC, warmth);
		return salts.map((s) => nh4 * perNh4 * freeAmmoniaShare(totalFromNbs(phNbs, s, t), s, t));
	};
	const most = total.upper === null ? null : Math.max(...free(total.upper, acidity.upper, warmth.upper));
	const worst = most ?? Infinity;
	return {
		least: Math.min(...free(total.lower, acidity.lower, warmth.lower)),
		most,
		assumed: [
			ph ? null : 'ph',
			temperatureC ? null : 'temperature',
			salinity === null ? 'salinity' : null
		].filter((a): a is Assumed => a !== null),
		urgency: worst >= NH3_ACT ? 'act' : worst >= NH3_WATCH ? 'watch' : 'none'
	};
}
