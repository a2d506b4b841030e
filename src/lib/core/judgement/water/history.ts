import { inputsOf, type DatedVolume, type WaterEvent } from '../../balance/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { balanceEvents, type DatedResult } from '../../record/index.ts';
import { addDays, instant, type Instant } from '../../time/index.ts';
import {
	estimateFrom,
	estimateStill,
	learnWater,
	type History,
	type LearnedWater,
	type WaterEstimate
} from '../../trend/index.ts';
import type { WaterRecord } from './record.ts';

/** How far ahead running doses are continued for forecasts. */
const HORIZON_DAYS = 60;

/** A line through more than this is no better for today, and takes its time. */
const ESTIMATE_LOOK_BACK_DAYS = 1100;
/** The begin of a line moves on in such steps: until then what was learned from it holds. */
const WINDOW_STEP_DAYS = 183;
const DAY_MS = 86_400_000;

/** From when on readings are taken for an estimate at a time. */
export function estimateSince(at: Instant): Instant {
	const days = Math.floor(at / DAY_MS) - ESTIMATE_LOOK_BACK_DAYS;
	return instant(Math.floor(days / WINDOW_STEP_DAYS) * WINDOW_STEP_DAYS * DAY_MS);
}

/** What the estimate of one parameter stands on. Without a known volume, doses cannot be reckoned with. */
export function historyOf(
	parameter: ParameterId,
	results: readonly DatedResult[],
	{ balance, volumes }: { readonly balance: readonly WaterEvent[]; readonly volumes: readonly DatedVolume[] },
	until: Instant
): History {
	return {
		parameter,
		observations: results.flatMap(({ runId, at, methodCode, result }) =>
			result.parameter === parameter ? [{ id: runId, at, kit: methodCode, result }] : []
		),
		inputs: volumes.length === 0 ? [] : inputsOf(balance, parameter, volumes, until)
	};
}

type Lived = Pick<WaterRecord, 'water' | 'results' | 'events' | 'since'>;

/**
 * What there is to learn from a water's record, whenever one looks.
 *
 * @param before what was learned before the last change: what has not changed is taken over
 */
export function learnFrom(
	{ water: { volumes }, results, events, since }: Lived,
	upTo: Instant,
	before: LearnedWater | null = null
): LearnedWater {
	const balance = volumes.length === 0 ? [] : balanceEvents(events, volumes);
	const tested = new Set(results.map((r) => r.result.parameter));
	// Running doses are continued beyond any moment that is asked for while this beginning holds.
	const ahead = addDays(since, ESTIMATE_LOOK_BACK_DAYS + 2 * WINDOW_STEP_DAYS + HORIZON_DAYS);
	return learnWater(
		[...tested].map((parameter) => historyOf(parameter, results, { balance, volumes }, ahead)),
		upTo,
		before
	);
}

/** True of what nothing lives in: a bottle, a tap, a barrel of new water. */
export const standsStill = ({ kind }: Pick<WaterRecord['water'], 'kind'>): boolean => kind !== 'tank';

/** A tap changes through the year: only what was read within so many days of its last reading is of one water. */
const ONE_TAP_DAYS = 14;

/** Since when a water that stands still is the one it is now: the last batch in a barrel, the last days at a tap. */
function filledAt({ water, results, events }: Lived, now: Instant): Instant {
	if (water.kind === 'new-mix') {
		return events.findLast((e) => e.kind === 'new-mix' && e.happenedAt <= now)?.happenedAt ?? instant(0);
	}
	const last = water.kind === 'source' ? results.findLast((r) => r.at <= now) : undefined;
	return last ? addDays(last.at, -ONE_TAP_DAYS) : instant(0);
}

/** Estimates a water that stands still: what was read of it, without a rate. */
export function estimateOfStill(record: Lived, now: Instant): WaterEstimate {
	const since = filledAt(record, now);
	const results = record.results.filter((r) => r.at >= since && r.at <= now);
	const tested = new Set(results.map((r) => r.result.parameter));
	return estimateStill(
		[...tested].map((parameter) => historyOf(parameter, results, { balance: [], volumes: [] }, now)),
		record.water.kind === 'source' ? 'flowing' : 'stored'
	);
}

/** Estimates a water's parameters from what was read and done. */
export function estimateOf(record: Lived, now: Instant): WaterEstimate {
	if (standsStill(record.water)) return estimateOfStill(record, now);
	return estimateFrom(learnFrom(record, now), now);
}
