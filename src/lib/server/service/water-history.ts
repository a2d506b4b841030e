import { createHash } from 'node:crypto';
import { inputsOf, type DatedVolume, type WaterEvent } from '$lib/core/balance';
import type { Band } from '$lib/core/judgement';
import { PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { addDays, type Instant } from '$lib/core/time';
import { estimateWater, type Estimate, type History, type WaterEstimate } from '$lib/core/trend';
import type { StoredEvent } from '../repository/event.ts';
import type { DatedResult } from '../repository/result.ts';
import type { DatedBand } from '../repository/water.ts';
import { balanceEvents } from './water-events.ts';

/** How far ahead running doses are continued for forecasts. */
const HORIZON_DAYS = 60;

/** A line through more than this is no better for today, and takes its time. */
export const ESTIMATE_LOOK_BACK_DAYS = 1100;

/** What the estimate of one parameter stands on. Without a known volume, doses cannot be reckoned with. */
export function historyOf(
	parameter: ParameterId,
	results: readonly DatedResult[],
	balance: readonly WaterEvent[],
	volumes: readonly DatedVolume[],
	now: Instant
): History {
	return {
		parameter,
		observations: results.flatMap(({ runId, at, methodCode, result }) =>
			result.parameter === parameter ? [{ id: runId, at, kit: methodCode, result }] : []
		),
		inputs: volumes.length === 0 ? [] : inputsOf(balance, parameter, volumes, addDays(now, HORIZON_DAYS))
	};
}

/** The last estimates, by what they stand on: views of one water ask for the same one after the other. */
const REMEMBERED = new Map<string, WaterEstimate>();
const MOST_REMEMBERED = 32;
/** An estimate for a few minutes ago is one for now. */
const SAME_NOW_MS = 5 * 60_000;

/** Estimates a water's parameters from what was read and done, once for what is the same. */
export function waterEstimate(
	results: readonly DatedResult[],
	events: readonly StoredEvent[],
	volumes: readonly DatedVolume[],
	now: Instant
): WaterEstimate {
	const stands = JSON.stringify([results, events, volumes, Math.floor(now / SAME_NOW_MS)]);
	const key = createHash('sha1').update(stands).digest('base64');
	const known = REMEMBERED.get(key);
	if (known) return known;
	const fresh = estimateFrom(results, events, volumes, now);
	REMEMBERED.set(key, fresh);
	const [oldest] = REMEMBERED.keys();
	if (REMEMBERED.size > MOST_REMEMBERED && oldest !== undefined) REMEMBERED.delete(oldest);
	return fresh;
}

function estimateFrom(
	results: readonly DatedResult[],
	events: readonly StoredEvent[],
	volumes: readonly DatedVolume[],
	now: Instant
): WaterEstimate {
	const balance = volumes.length === 0 ? [] : balanceEvents(events, volumes);
	const tested = new Set(results.map((r) => r.result.parameter));
	return estimateWater(
		[...tested].map((parameter) => historyOf(parameter, results, balance, volumes, now)),
		now
	);
}

/** One reading of what nobody doses says nothing about the days since, and one bound no number: there is no line. */
export function isLine(parameter: ParameterId, estimate: Estimate | null): estimate is Estimate {
	if (estimate === null) return false;
	return estimate.basedOn > 1 || (PARAMETERS[parameter].dosed && !estimate.mostlyBounds);
}

/** The band in force at a time; null when none was set, or when it was taken away. */
export function bandAt(targets: readonly DatedBand[], parameter: ParameterId, at: Instant): DatedBand | null {
	const current = targets.find((t) => t.parameter === parameter && t.fromAt <= at);
	return current && (current.low !== null || current.high !== null) ? current : null;
}

export function plainBand(band: DatedBand | null): Band | null {
	return band && { low: band.low, high: band.high, aim: band.aim };
}
