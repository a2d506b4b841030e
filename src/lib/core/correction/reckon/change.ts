import { LIMITED, type Limited } from '../../caution/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import {
	largestChange,
	movesOfChange,
	seriesOf,
	type ChangeMove,
	type LevelsOf,
	type SeriesStep
} from '../exchange/change-series.ts';
import { changesFor, fractionFor, turnoversFor } from '../exchange/exchange.ts';
import type { Known } from '../water-state.ts';

/** What a day may change either way, canonical unit; null where nothing holds it. */
export interface DayLimit {
	readonly up: number | null;
	readonly down: number | null;
}

/** All that a change is reckoned from, as plain data that a worker takes. */
export interface ChangeGiven {
	/** Net volume, L. */
	readonly volumeL: number;
	/** What is believed of the water now, canonical units. */
	readonly tank: Readonly<Partial<Record<ParameterId, Known>>>;
	/** What was read of each batch of new water. */
	readonly batches: readonly { readonly name: string; readonly levels: LevelsOf }[];
	readonly limits: Readonly<Partial<Record<ParameterId, DayLimit>>>;
	/** Net change between changes, canonical unit a day; what cannot be told from none is left out. */
	readonly netPerDay: Readonly<Partial<Record<ParameterId, number>>>;
}

export interface ChangeWish {
	readonly litres: number;
	/** How many changes, 1 or more. */
	readonly count: number;
	readonly everyDays: number;
	readonly batch: string;
	/** A parameter that is to be brought to a level, canonical unit. */
	readonly target: { readonly parameter: ParameterId; readonly value: number } | null;
}

/** How a target is reached with this water. */
export type ChangeReach =
	| { readonly possible: false; readonly into: number }
	| {
			readonly possible: true;
			readonly onceL: number;
			readonly count: number;
			/** In and out at the same pace, drop by drop. */
			readonly continuousL: number;
	  };

export interface ChangeReckoned {
	readonly fresh: LevelsOf;
	readonly moves: readonly ChangeMove[];
	/** The most at one time, and what sets it. */
	readonly largest: { readonly litres: number; readonly by: ParameterId | null };
	readonly series: readonly SeriesStep[];
	/** Null where nothing is to be brought anywhere, or one of both waters was not read. */
	readonly reach: ChangeReach | null;
}

function reachOf(
	{ tank, volumeL }: ChangeGiven,
	fresh: LevelsOf,
	fraction: number,
	target: ChangeWish['target']
): ChangeReach | null {
	if (!target) return null;
	const from = tank[target.parameter]?.value;
	const into = fresh[target.parameter];
	if (from === undefined || into === undefined || from === into) return null;
	const { fraction: once, possible } = fractionFor(from, target.value, into);
	if (!possible || target.value === into) return { possible: false, into };
	return {
		possible: true,
		onceL: once * volumeL,
		count: changesFor(from, target.value, into, fraction).count,
		continuousL: turnoversFor(from, target.value, into) * volumeL
	};
}

/** What a change, or several, would do to a water. */
export function reckonChange(given: ChangeGiven, wish: ChangeWish): ChangeReckoned {
	const { tank, volumeL, limits, netPerDay } = given;
	const levels: LevelsOf = Object.fromEntries(Object.entries(tank).map(([p, known]) => [p, known.value]));
	const fresh = given.batches.find((b) => b.name === wish.batch)?.levels ?? {};
	const fraction = Math.min(1, Math.max(0, wish.litres / volumeL));
	const limitOf = (parameter: Limited, direction: 'up' | 'down') =>
		LIMITED.includes(parameter) ? (limits[parameter]?.[direction] ?? null) : null;
	const { fraction: most, by } = largestChange(levels, fresh, limitOf);
	return {
		fresh,
		moves: movesOfChange(levels, fresh, fraction, limitOf),
		largest: { litres: most * volumeL, by },
		series: seriesOf(
			levels,
			fresh,
			{ fraction, count: wish.count },
			(p) => (netPerDay[p] ?? 0) * wish.everyDays
		),
		reach: reachOf(given, fresh, fraction, wish.target)
	};
}
