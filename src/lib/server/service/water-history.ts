import { inputsOf, type DatedVolume, type WaterEvent } from '$lib/core/balance';
import type { Band } from '$lib/core/judgement';
import { PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { addDays, instant, type Instant } from '$lib/core/time';
import {
	estimateFrom,
	learnWater,
	type Estimate,
	type History,
	type LearnedWater,
	type WaterEstimate
} from '$lib/core/trend';
import type { StoredEvent } from '../repository/event.ts';
import type { DatedResult } from '../repository/result.ts';
import type { DatedBand, Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { balanceEvents } from './water-events.ts';

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
	balance: readonly WaterEvent[],
	volumes: readonly DatedVolume[],
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

interface Record {
	readonly results: readonly DatedResult[];
	readonly events: readonly StoredEvent[];
	/** The begin of what was read. */
	readonly since: Instant;
}

/** What there is to learn from a water's records, whenever one looks. */
function learn(
	{ results, events, since }: Record,
	volumes: readonly DatedVolume[],
	upTo: Instant,
	before: LearnedWater | null = null
): LearnedWater {
	const balance = volumes.length === 0 ? [] : balanceEvents(events, volumes);
	const tested = new Set(results.map((r) => r.result.parameter));
	// Running doses are continued beyond any moment that is asked for while this beginning holds.
	const ahead = addDays(since, ESTIMATE_LOOK_BACK_DAYS + 2 * WINDOW_STEP_DAYS + HORIZON_DAYS);
	return learnWater(
		[...tested].map((parameter) => historyOf(parameter, results, balance, volumes, ahead)),
		upTo,
		before
	);
}

/** Estimates a water's parameters from what was read and done. What was learned of them is kept where somebody keeps it. */
export async function estimateOfWater(
	{ memory, db }: Deps,
	{ id, volumes, revision }: Water,
	record: Record,
	now: Instant
): Promise<WaterEstimate> {
	const isAhead = record.results.some((r) => r.at > now);
	if (!memory || revision === undefined || isAhead) return estimateFrom(learn(record, volumes, now), now);
	const from = { waterId: id, since: record.since, madeFrom: revision };
	const learned = await memory.learned(db, from, (before) => learn(record, volumes, now, before));
	return estimateFrom(learned, now, undefined, memory.passes(id));
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
