import {
	READING_KINDS,
	type DaySpan,
	type EstimateColumns,
	type Minutes,
	type ReadingColumns,
	type TrendRow,
	type TrendSeries
} from '$lib/contract/trends';
import { estimateSince, rateMoves } from '$lib/core/judgement/water';
import { visibleIndices } from '$lib/core/numeric';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import { boundsOf, pointOf, type TestResult } from '$lib/core/reading';
import { bandAt, type DatedResult, type StoredEvent } from '$lib/core/record';
import { addDays, instant, type Instant } from '$lib/core/time';
import { isLine, type Estimate } from '$lib/core/trend';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import { readingCounts, samplesInParts, supersededSince } from '../../repository/result.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { estimateOfWater, livedSince } from '../judgement/estimate-of-water.ts';
import { judgedWater } from '../judgement/judged-water.ts';
import { findDoubts } from '../reading/find-doubts.ts';

const FORECAST_DAYS = 14;
/** So many points are as many as a screen shows, and half as many beside what is seen on either side. */
const LINE_POINTS = 400;
/** Of more readings than four for each of these the extremes are sent. */
const READING_COLUMNS = 400;
const DAY_MS = 86_400_000;
/** Of all time so many parts are counted: a bar of a few pixels each. */
const PARTS = 160;
/** Readings in doubt are told this far back; older ones stand in the chart. */
const DOUBTS_DAYS = 366;

export interface Trends extends TrendSeries {
	readonly events: readonly StoredEvent[];
}

const minutes = (at: number): Minutes => Math.round(at / 60_000);
/** Digits beyond the sixth are neither measured nor drawn. */
const short = (x: number): number => Number(x.toPrecision(6));

interface Window {
	readonly from: Instant;
	readonly to: Instant;
}

/** The line through a window. What lies before the usual estimate's begin is told by one that begins earlier. */
function lineOf(
	estimate: Estimate,
	earlier: Estimate | null,
	since: Instant,
	window: Window
): EstimateColumns {
	const begin = Math.max(window.from, (earlier ?? estimate).from);
	if (begin >= window.to) return { at: [], value: [], u: [] };
	const step = (window.to - begin) / LINE_POINTS;
	const times = Array.from({ length: LINE_POINTS + 1 }, (_, i) => instant(Math.round(begin + i * step)));
	const points = times.map((at) => (at < since && earlier ? earlier : estimate).at(at));
	return {
		at: times.map(minutes),
		value: points.map((p) => short(p.value)),
		u: points.map((p) => short(standardUncertaintyOf(p)))
	};
}

interface Drawn extends DatedResult {
	readonly superseded: boolean;
}

function shownValue(result: TestResult): number {
	return result.kind === 'bound' ? result.limit : pointOf(result)!.value;
}

function columnsOf(all: readonly Drawn[], kits: readonly string[]): ReadingColumns {
	const bounds = all.map((d) => boundsOf(d.result));
	return {
		at: all.map((d) => minutes(d.at)),
		value: all.map((d) => short(shownValue(d.result))),
		lower: bounds.map((b) => short(b.lower)),
		upper: bounds.map((b) => (b.upper === null ? null : short(b.upper))),
		kind: all.map((d) => READING_KINDS.indexOf(d.result.kind)),
		kit: all.map((d) => kits.indexOf(d.methodCode)),
		superseded: all.map((d) => (d.superseded ? 1 : 0))
	};
}

/** The extremes of very many, all of few. */
function thinnedOut(all: readonly Drawn[], window: Window): readonly Drawn[] {
	const times = all.map((d) => d.at);
	const values = all.map((d) => shownValue(d.result));
	return visibleIndices(times, values, window, READING_COLUMNS).map((i) => all[i]!);
}

/** What was read before the usual estimate's begin, with an estimate that begins with the water. */
async function earlierThan(deps: Deps, scope: SiteScope, water: Water, now: Instant) {
	const lived = await livedSince(deps, scope, water, water.startedAt);
	const { results, events } = lived;
	return { results, events, estimates: await estimateOfWater(deps, lived, now) };
}

/**
 * What was read of a water in a window of time and half as much on either side, with the estimate through it and ahead:
 * the same that every other page speaks from.
 */
export async function readTrends(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	{ fromDay, toDay }: DaySpan
): Promise<Trends> {
	const [judged, counts] = await Promise.all([
		judgedWater(deps, scope, water),
		readingCounts(deps.db, scope, water.id)
	]);
	const { now, estimates, targets, methods, leftOut } = judged;
	const since = estimateSince(now);
	const to = addDays(now, FORECAST_DAYS);
	const earliest = counts.reduce((first, c) => (c.firstAt < first ? c.firstAt : first), now);
	const from = addDays(earliest, -1);
	const beside = ((toDay - fromDay + 1) * DAY_MS) / 2;
	const window: Window = {
		from: instant(Math.max(from, fromDay * DAY_MS - beside)),
		to: instant(Math.max(from, Math.min(to, (toDay + 1) * DAY_MS + beside)))
	};
	const before = window.from < since && earliest < since ? await earlierThan(deps, scope, water, now) : null;
	const { results, events } = before ?? judged;
	const [superseded, density] = await Promise.all([
		supersededSince(deps.db, scope, water.id, window.from),
		samplesInParts(deps.db, scope, water.id, { from, to, parts: PARTS })
	]);
	const named = new Map(methods.map((method) => [method.code, method]));
	const isShown = (at: Instant) => at >= window.from && at <= window.to;
	const drawn = [
		...results.map((r): Drawn => ({ ...r, superseded: false })),
		...superseded.map((r): Drawn => ({ ...r, superseded: true }))
	]
		.filter((d) => isShown(d.at))
		.sort((a, b) => a.at - b.at || (a.runId < b.runId ? -1 : 1));
	const rowOf = (parameter: ParameterId): TrendRow[] => {
		const count = counts.find((c) => c.parameter === parameter)?.count ?? 0;
		if (count === 0) return [];
		const inWindow = drawn.filter((d) => d.result.parameter === parameter);
		const own = thinnedOut(inWindow, window);
		const through = estimates.of(parameter);
		const estimate = isLine(parameter, through) ? through : null;
		const kits = [...new Set(own.map((d) => d.methodCode))];
		return [
			{
				parameter,
				band: bandAt(targets, parameter, now),
				bands: targets
					.filter((t) => t.parameter === parameter && t.fromAt <= now)
					.map(({ fromAt, low, high }) => ({ fromAt, low, high }))
					.sort((a, b) => a.fromAt - b.fromAt),
				kits: kits.map((code) => ({
					code,
					name: named.get(code)?.name ?? code,
					laboratory: named.get(code)?.kind === 'stated'
				})),
				count,
				readings: columnsOf(own, kits),
				thinned: own.length < inWindow.length,
				line: estimate
					? lineOf(estimate, before?.estimates.of(parameter) ?? null, since, window)
					: { at: [], value: [], u: [] },
				estimate: estimate && {
					now: estimate.at(now),
					basedOn: estimate.basedOn,
					netChangePerDay: estimate.netChangePerDay,
					consumptionPerDay: estimate.consumptionPerDay,
					mostlyBounds: estimate.mostlyBounds,
					couldShowSteps: estimate.couldShowSteps
				}
			}
		];
	};
	return {
		from,
		to,
		window,
		now,
		density,
		rows: PARAMETER_IDS.flatMap(rowOf),
		moves: rateMoves({ estimates, results: judged.results, events: judged.events, now }, water.startedAt),
		doubts: await findDoubts(deps, scope, estimates, addDays(now, -DOUBTS_DAYS)),
		departure: estimates.departure,
		leftOut,
		events: events.filter((e) => e.happenedAt >= water.startedAt && isShown(e.happenedAt))
	};
}
