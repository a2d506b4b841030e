import { afterWaterChange } from '../balance/index.ts';
import { PARAMETER_IDS, type ParameterId } from '../quantity/index.ts';
import { pointOf } from '../reading/index.ts';
import { addSeconds, daysBetween, type Instant } from '../time/index.ts';
import type { StoredEvent } from './event.ts';
import type { DatedResult } from './result.ts';

/** One of two readings that stand beside each other. */
export interface Beside {
	readonly at: Instant;
	readonly value: number;
	readonly uRandom: number;
	readonly uCommon: number;
	readonly methodCode: string;
}

/** Whether what an event should have moved was moved. */
export type Came =
	/** As expected. */
	| 'came'
	| 'less'
	| 'more'
	/** What was expected is smaller than these two readings can tell. */
	| 'too-small';

export interface AroundRow {
	readonly parameter: ParameterId;
	readonly before: Beside | null;
	readonly after: Beside | null;
	/** After less before, with its standard uncertainty; null without both. */
	readonly moved: { readonly value: number; readonly u: number } | null;
	/** What the event should have moved, by what is known of it; null where nothing is. */
	readonly expected: { readonly value: number; readonly u: number } | null;
	readonly came: Came | null;
}

/** What it takes to say what an event should move. */
export interface AroundWater {
	readonly volumeL: number | null;
	/** What the water does by itself in a day, by the estimate. */
	readonly perDay: (parameter: ParameterId) => number;
}

const HOUR_S = 3600;
/** A reading that is to tell of the state before is no older than this; one of the state after no later (convention). */
const BEFORE_H = 48;
const AFTER_H = 48;
/** Well mixed after this. */
const MIXED_H = 0.2;
/** A panel after a death is repeated a day apart: the first within half a day, the second from three quarters of one on. */
const DAY_APART = { firstH: 12, secondFromH: 18, secondToH: 72 } as const;
const COVERAGE = 1.96;

const hours = (at: Instant, h: number) => addSeconds(at, h * HOUR_S);

function besideOf({ at, methodCode, result }: DatedResult): Beside | null {
	const point = pointOf(result);
	return point && { at, value: point.value, uRandom: point.uRandom, uCommon: point.uCommon, methodCode };
}

/** The two readings of a parameter around an event: before and after, or, of a death, on the day and a day later. */
function twoOf(own: readonly DatedResult[], event: StoredEvent): readonly [Beside | null, Beside | null] {
	const { happenedAt: at } = event;
	if (event.kind === 'death') {
		const first = own.find((r) => r.at >= at && r.at <= hours(at, DAY_APART.firstH));
		const { secondFromH, secondToH } = DAY_APART;
		const second = own.findLast((r) => r.at >= hours(at, secondFromH) && r.at <= hours(at, secondToH));
		return [first ? besideOf(first) : null, second ? besideOf(second) : null];
	}
	const before = own.findLast((r) => r.at <= at && r.at >= hours(at, -BEFORE_H));
	const after = own.find((r) => r.at >= hours(at, MIXED_H) && r.at <= hours(at, AFTER_H));
	return [before ? besideOf(before) : null, after ? besideOf(after) : null];
}

/** What the event itself moves, without what the water does meanwhile; null where that is not known. */
function movedBy(
	event: StoredEvent,
	parameter: ParameterId,
	before: Beside,
	volumeL: number | null
): { readonly value: number; readonly u: number } | null {
	if (volumeL === null) return null;
	const uBefore = Math.hypot(before.uRandom, before.uCommon);
	if (event.kind === 'water-change') {
		const fresh = event.details.newWater.find((n) => n.parameter === parameter);
		const share = event.details.volumeL / volumeL;
		if (!fresh || !(share > 0 && share <= 1)) return null;
		const value = afterWaterChange(before.value, fresh.value, share) - before.value;
		return { value, u: share * Math.hypot(fresh.u, uBefore) };
	}
	if (event.kind === 'dose') {
		const strength = event.details.strength.find((s) => s.parameter === parameter);
		if (!strength) return null;
		const value = (strength.risePerMlIn100L * event.details.amountMl * 100) / volumeL;
		// As labels and hands have it: a twentieth.
		return { value, u: Math.abs(value) / 20 };
	}
	return null;
}

function cameOf(moved: NonNullable<AroundRow['moved']>, expected: NonNullable<AroundRow['expected']>): Came {
	const sure = COVERAGE * Math.hypot(moved.u, expected.u);
	const beyond = moved.value - expected.value;
	if (Math.abs(beyond) > sure) return Math.sign(expected.value || 1) * beyond < 0 ? 'less' : 'more';
	return Math.abs(expected.value) <= sure ? 'too-small' : 'came';
}

/**
 * Readings before and after an event beside each other, with what it should have moved, and whether that came. With
 * one kit on both sides what it is off by falls out of the difference.
 *
 * @param results of the water, in the order of time
 * @returns the parameters that were read on either side, in their usual order; first those that were read on both
 */
export function aroundEvent(
	event: StoredEvent,
	results: readonly DatedResult[],
	{ volumeL, perDay }: AroundWater
): readonly AroundRow[] {
	const rows = PARAMETER_IDS.flatMap((parameter): AroundRow[] => {
		const [before, after] = twoOf(
			results.filter((r) => r.result.parameter === parameter),
			event
		);
		if (!before && !after) return [];
		const common =
			before && after && before.methodCode !== after.methodCode ? [before.uCommon, after.uCommon] : [];
		const moved =
			before && after
				? { value: after.value - before.value, u: Math.hypot(before.uRandom, after.uRandom, ...common) }
				: null;
		const own = before && movedBy(event, parameter, before, volumeL);
		const meanwhile = before && after ? perDay(parameter) * daysBetween(before.at, after.at) : 0;
		const expected = own && { value: own.value + meanwhile, u: own.u };
		return [
			{ parameter, before, after, moved, expected, came: moved && expected ? cameOf(moved, expected) : null }
		];
	});
	return [...rows.filter((row) => row.moved), ...rows.filter((row) => !row.moved)];
}
