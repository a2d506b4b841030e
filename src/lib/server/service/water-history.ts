import { inputsOf } from '$lib/core/balance';
import type { Band } from '$lib/core/judgement';
import { PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { addDays, type Instant } from '$lib/core/time';
import { pointOf } from '$lib/core/reading';
import { robustLine, type Estimate, type History, type MeasuredPoint } from '$lib/core/trend';
import type { StoredEvent } from '../repository/event.ts';
import type { DatedResult } from '../repository/result.ts';
import type { DatedBand } from '../repository/water.ts';
import { balanceEvents } from './water-events.ts';

/** How far ahead running doses are continued for forecasts. */
const HORIZON_DAYS = 60;

/** The current readings of one parameter as points; bounds wait for an estimate that can use them. */
export function measuredPoints(results: readonly DatedResult[], parameter: ParameterId): MeasuredPoint[] {
	return results.flatMap(({ at, result }) => {
		const point = result.parameter === parameter ? pointOf(result) : null;
		return point ? [{ at, value: point.value, uRandom: point.uRandom, uCommon: point.uCommon }] : [];
	});
}

/** What the estimate of one parameter stands on. Without a known volume, doses cannot be reckoned with. */
export function historyOf(
	parameter: ParameterId,
	results: readonly DatedResult[],
	events: readonly StoredEvent[],
	netVolumeL: number | null,
	now: Instant
): History {
	return {
		parameter,
		points: measuredPoints(results, parameter),
		inputs:
			netVolumeL === null
				? []
				: inputsOf(balanceEvents(events, netVolumeL), parameter, netVolumeL, addDays(now, HORIZON_DAYS))
	};
}

/** Estimates a water's parameters from what was read and done, each once, when it is first asked for. */
export function estimator(
	results: readonly DatedResult[],
	events: readonly StoredEvent[],
	netVolumeL: number | null,
	now: Instant
): (parameter: ParameterId) => Estimate | null {
	const known = new Map<ParameterId, Estimate | null>();
	return (parameter) => {
		if (!known.has(parameter)) {
			known.set(parameter, robustLine(historyOf(parameter, results, events, netVolumeL, now), now));
		}
		return known.get(parameter) ?? null;
	};
}

/** One reading of what nobody doses says nothing about the days since: there is no line to show. */
export function isLine(parameter: ParameterId, estimate: Estimate | null): estimate is Estimate {
	return estimate !== null && (estimate.basedOn > 1 || PARAMETERS[parameter].dosed);
}

/** The band in force at a time; null when none was set, or when it was taken away. */
export function bandAt(targets: readonly DatedBand[], parameter: ParameterId, at: Instant): DatedBand | null {
	const current = targets.find((t) => t.parameter === parameter && t.fromAt <= at);
	return current && (current.low !== null || current.high !== null) ? current : null;
}

export function plainBand(band: DatedBand | null): Band | null {
	return band && { low: band.low, high: band.high, aim: band.aim };
}
