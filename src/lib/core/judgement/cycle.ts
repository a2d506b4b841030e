import { CONVENTIONS } from '../caution/index.ts';
import { atMost } from '../numeric/index.ts';
import { civilDate, daysBetween, type Instant } from '../time/index.ts';

/** Which of the two has to be clear for a cycle to count as done. */
export const CYCLE_SCHOOLS = ['both', 'ammonia', 'nitrite'] as const;
export type CycleSchool = (typeof CYCLE_SCHOOLS)[number];

export interface CycleSettings {
	/** Clear days in a row before it is called done, 1 to 14. */
	readonly clearDays: number;
	readonly school: CycleSchool;
}

/** Five clear days in a row, of both (husbandry convention). */
export const USUAL_CYCLE: CycleSettings = { clearDays: CONVENTIONS.clearDays.value, school: 'both' };

/** One reading of a new tank, mg/L, with what its kit can see. */
export interface CycleReading {
	readonly at: Instant;
	readonly parameter: 'ammonia' | 'nitrite';
	readonly lower: number;
	/** Null for "more than": such a reading is kept and sent, and JSON has no infinity. */
	readonly upper: number | null;
	/** What the kit tells on its lowest colour: up to here it shows none. */
	readonly clearUpTo: number;
	/** The first colour that it tells from none: less than this it may not see. */
	readonly seesFrom: number;
}

/** What was seen of one of the two so far. */
export interface CycleTrack {
	readonly parameter: 'ammonia' | 'nitrite';
	/** The highest reading, where it was above what the kit shows as none. */
	readonly peak: { readonly at: Instant; readonly lower: number; readonly upper: number | null } | null;
	/** A later reading is lower for certain than the highest since it was found, or found again. */
	readonly falling: boolean;
	/** The first clear reading after the peak; provisional until the next days confirm it. */
	readonly firstZeroAt: Instant | null;
	/** Clear days in a row up to the last reading, and since when. */
	readonly clearDays: number;
	readonly clearSince: Instant | null;
	readonly last: CycleReading;
	/** It was clear after its peak, and then was found again. */
	readonly cameBack: boolean;
	/** A single trace was read after clear days: the next reading tells whether it was one. */
	readonly inDoubt: boolean;
}

export type CyclePhase =
	/** Nothing was found yet: it has not begun, or it began before the first test. */
	| 'not-seen'
	| 'ammonia-rising'
	| 'ammonia-falling'
	| 'nitrite-rising'
	| 'nitrite-falling'
	/** It was clear, and is found again: something died, was overfed, or killed the bacteria. */
	| 'ammonia-back'
	| 'nitrite-back'
	/** Clear, for fewer days than it takes. */
	| 'clearing'
	| 'done';

export interface CycleState {
	/** Days since the tank was started, the first day is 1. */
	readonly day: number;
	readonly phase: CyclePhase;
	readonly ammonia: CycleTrack | null;
	readonly nitrite: CycleTrack | null;
	/** Clear days in a row of all that the school asks for, and how many it takes. */
	readonly clearDays: number;
	readonly needed: number;
	/** The test with which it was done; null as long as it is not, or no longer. */
	readonly doneAt: Instant | null;
	/** What the kits may not see: less than this can be there when they show none, mg/L; null where not tested. */
	readonly unseen: { readonly ammonia: number | null; readonly nitrite: number | null };
}

/** A day without a test does not break a row; two do. What was done stays done over any gap. */
const GAP_DAYS = CONVENTIONS.cycleGap.value;

/** One trace is a question; a second within so many days is an answer. */
const TRACES_APART_DAYS = CONVENTIONS.cycleTraces.value;

/** A kit's own tolerance widens what its lowest colour tells by a little; a tint between two colours by much more. */
const TOLERANCE = 1.2;

const isClear = (r: CycleReading) => r.upper !== null && atMost(r.upper, TOLERANCE * r.clearUpTo);
/** A tint between none and the first colour is neither: it makes no clear day, and takes none away. */
const isFound = (r: CycleReading) => r.lower > r.clearUpTo / 2;
/** About the first colour: a slip of the eye makes one too. */
const isTrace = (r: CycleReading) => r.upper !== null && r.upper <= 2 * r.seesFrom;

const middleOf = ({ lower, upper }: { readonly lower: number; readonly upper: number | null }) =>
	upper === null ? 2 * lower : (lower + upper) / 2;

class Track {
	readonly #timeZone: string;
	/** A single trace after clear days: no clear day, and a question until the next reading tells. */
	inDoubt = false;
	peak: CycleTrack['peak'] = null;
	/** The highest since it was found for the first time, or again. */
	#wave: CycleReading | null = null;
	#tracedAt: Instant | null = null;
	falling = false;
	firstZeroAt: Instant | null = null;
	clearSince: Instant | null = null;
	cameBack = false;
	last: CycleReading | null = null;
	#days = new Set<string>();

	constructor(timeZone: string) {
		this.#timeZone = timeZone;
	}
	get clearDays(): number {
		return this.#days.size;
	}
	take(reading: CycleReading): void {
		if (this.last && daysBetween(this.last.at, reading.at) > GAP_DAYS) this.#break();
		if (isClear(reading)) {
			this.inDoubt = false;
			this.clearSince ??= reading.at;
			this.#days.add(civilDate(reading.at, this.#timeZone));
			if (this.peak) {
				this.falling = true;
				this.firstZeroAt ??= reading.at;
				this.#wave = null;
			}
		} else if (
			isFound(reading) &&
			isTrace(reading) &&
			this.clearDays > 0 &&
			!this.#tracedBefore(reading.at)
		) {
			this.inDoubt = true;
			this.#tracedAt = reading.at;
		} else if (isFound(reading)) {
			this.#break();
			if (this.firstZeroAt !== null && this.#wave === null) this.cameBack = true;
			this.#follow(reading);
		}
		this.last = reading;
	}
	#tracedBefore(at: Instant): boolean {
		return this.#tracedAt !== null && daysBetween(this.#tracedAt, at) <= TRACES_APART_DAYS;
	}
	/** Whether it rises or falls, and the highest of all. */
	#follow(reading: CycleReading): void {
		if (this.#wave === null || middleOf(reading) > middleOf(this.#wave)) {
			this.#wave = reading;
			this.falling = false;
		} else if (
			reading.upper !== null &&
			reading.upper <= this.#wave.lower &&
			reading.lower < this.#wave.lower
		) {
			this.falling = true;
		}
		if (this.peak === null || middleOf(reading) > middleOf(this.peak)) {
			this.peak = { at: reading.at, lower: reading.lower, upper: reading.upper };
		}
	}
	#break(): void {
		this.inDoubt = false;
		this.clearSince = null;
		this.#days = new Set();
	}
	state(parameter: CycleTrack['parameter']): CycleTrack | null {
		const { peak, falling, firstZeroAt, clearDays, clearSince, last, cameBack, inDoubt } = this;
		return last && { parameter, peak, falling, firstZeroAt, clearDays, clearSince, last, cameBack, inDoubt };
	}
}

function phaseOf(ammonia: CycleTrack | null, nitrite: CycleTrack | null, done: boolean): CyclePhase {
	if (done) return 'done';
	const open = (track: CycleTrack | null) => track !== null && track.clearDays === 0 && track.peak !== null;
	const back = (track: CycleTrack | null) => open(track) && track!.cameBack;
	// What kills first is said first.
	if (back(ammonia)) return 'ammonia-back';
	if (back(nitrite)) return 'nitrite-back';
	if (open(nitrite)) return nitrite!.falling ? 'nitrite-falling' : 'nitrite-rising';
	if (open(ammonia)) return ammonia!.falling ? 'ammonia-falling' : 'ammonia-rising';
	// Ammonia that came and went, and no nitrite after it yet, or nitrite that went.
	return ammonia?.peak || nitrite?.peak ? 'clearing' : 'not-seen';
}

/**
 * Follows the nitrogen cycle of a new tank: peak, fall, first zero, and done only after so many clear days in a row.
 * Clear is at or below what the kit shows on its lowest colour. Where nitrite counts, it has to have been seen: a tank
 * in which nothing ever showed has not begun, or began before anybody looked.
 *
 * @param readings of ammonia and nitrite in the order of time
 * @param timeZone of the water's place, in which days are counted
 */
export function followCycle(
	readings: readonly CycleReading[],
	{ startedAt, timeZone }: { readonly startedAt: Instant; readonly timeZone: string },
	now: Instant,
	{ clearDays: needed, school }: CycleSettings = USUAL_CYCLE
): CycleState {
	const tracks = { ammonia: new Track(timeZone), nitrite: new Track(timeZone) };
	const counted = school === 'both' ? (['ammonia', 'nitrite'] as const) : ([school] as const);
	const row = () => Math.min(...counted.map((p) => tracks[p].clearDays));
	let doneAt: Instant | null = null;
	let inDoubt = false;
	for (const reading of readings) {
		tracks[reading.parameter].take(reading);
		// Nitrite that was seen shows that ammonia was turned into it; ammonia that was seen is not yet nitrite.
		const begun = tracks.nitrite.peak !== null || (school === 'ammonia' && tracks.ammonia.peak !== null);
		inDoubt = counted.some((p) => tracks[p].inDoubt);
		const back = counted.some((p) => tracks[p].clearDays === 0 && isFound(tracks[p].last ?? reading));
		if (!begun || back) doneAt = null;
		else if (!inDoubt && row() >= needed) doneAt ??= reading.at;
	}
	if (inDoubt) doneAt = null;
	const ammonia = tracks.ammonia.state('ammonia');
	const nitrite = tracks.nitrite.state('nitrite');
	return {
		day: Math.floor(daysBetween(startedAt, now)) + 1,
		phase: phaseOf(ammonia, nitrite, doneAt !== null),
		ammonia,
		nitrite,
		clearDays: row(),
		needed,
		doneAt,
		unseen: { ammonia: ammonia?.last.seesFrom ?? null, nitrite: nitrite?.last.seesFrom ?? null }
	};
}

/** What comes when a cycle is done, in order. */
export type AfterCycle =
	| { readonly step: 'lower-nitrate'; readonly share: number; readonly to: number }
	| { readonly step: 'measure-nitrate' }
	| { readonly step: 'first-animals' };

/** The most of the water changed at once (husbandry convention). */
const LARGEST_CHANGE = CONVENTIONS.largestChange.value;

/**
 * The change that brings nitrate down after the cycle, and then the first animals.
 *
 * @param nitrate the last reading since it was done, mg/L; null where none was made
 * @param wanted highest nitrate for animals, mg/L
 * @param newWater nitrate of the new water, mg/L
 * @returns the next step; a share above a half is given as a half, to be tested and repeated
 */
export function afterCycle(nitrate: number | null, wanted: number, newWater = 0): AfterCycle {
	if (nitrate === null) return { step: 'measure-nitrate' };
	if (nitrate <= wanted) return { step: 'first-animals' };
	const share = newWater < wanted ? (nitrate - wanted) / (nitrate - newWater) : 1;
	return { step: 'lower-nitrate', share: Math.min(LARGEST_CHANGE, share), to: wanted };
}
