import type { EstimateColumns, Minutes, ReadingColumns, TrendRow, TrendSeries } from '$lib/contract/trends';
import { READING_KINDS } from '$lib/contract/trends';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import { boundsOf, pointOf, type TestResult } from '$lib/core/reading';
import { addDays, daysBetween, instant, type Instant } from '$lib/core/time';
import type { Estimate } from '$lib/core/trend';
import { eventsSince, type StoredEvent } from '../repository/event.ts';
import { adoptedMethods } from '../repository/method.ts';
import { supersededSince, type DatedResult } from '../repository/result.ts';
import type { SiteScope } from '../repository/scope.ts';
import { targetsOf, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { findDoubts } from './find-doubts.ts';
import { rateMoves } from './rate-moves.ts';
import { allLeftOut, soundResultsSince } from './sound-results.ts';
import { bandAt, estimateOfWater, isLine } from './water-history.ts';

const FORECAST_DAYS = 14;
/** The line is drawn finely lately, and coarsely further back. */
const FINE_DAYS = 400;
const FINE_POINTS = 600;
const COARSE_POINTS = 400;
/** Readings in doubt are told this far back; older ones stand in the chart. */
const DOUBTS_DAYS = 366;

export interface Trends extends TrendSeries {
	readonly events: readonly StoredEvent[];
}

const minutes = (at: number): Minutes => Math.round(at / 60_000);
/** Digits beyond the sixth are neither measured nor drawn. */
const short = (x: number): number => Number(x.toPrecision(6));

/** Times at which the line is told, from its first reading to the end of the forecast. */
function lineTimes(from: Instant, now: Instant, to: Instant): Instant[] {
	const fineFrom = Math.max(from, addDays(now, -FINE_DAYS)) as Instant;
	const coarse = daysBetween(from, fineFrom);
	const fine = daysBetween(fineFrom, to);
	return [
		...Array.from({ length: coarse > 0 ? COARSE_POINTS : 0 }, (_, i) =>
			addDays(from, (i * coarse) / COARSE_POINTS)
		),
		...Array.from({ length: FINE_POINTS + 1 }, (_, i) => addDays(fineFrom, (i * fine) / FINE_POINTS))
	].map((at) => instant(Math.round(at)));
}

function lineOf(estimate: Estimate, now: Instant, to: Instant): EstimateColumns {
	const times = lineTimes(estimate.from, now, to);
	const points = times.map((at) => estimate.at(at));
	return {
		at: times.map(minutes),
		value: points.map((p) => short(p.value)),
		u: points.map((p) => short(Math.hypot(p.uRandom, p.uCommon)))
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

/** Everything that was ever read of a water, with the estimate through it and ahead. */
export async function readTrends(deps: Deps, scope: SiteScope, water: Water): Promise<Trends> {
	const now = deps.clock.now();
	const [read, superseded, events, targets, methods] = await Promise.all([
		soundResultsSince(deps, scope, water.id, water.startedAt),
		supersededSince(deps.db, scope, water.id, water.startedAt),
		eventsSince(deps.db, scope, water.id, water.startedAt),
		targetsOf(deps.db, scope, water.id),
		adoptedMethods(deps.db, scope)
	]);
	const to = addDays(now, FORECAST_DAYS);
	const { results } = read;
	const estimates = await estimateOfWater(deps, water, { results, events, since: water.startedAt }, now);
	const named = new Map(methods.map(({ method }) => [method.code, method]));
	const drawn = [
		...results.map((r): Drawn => ({ ...r, superseded: false })),
		...superseded.map((r): Drawn => ({ ...r, superseded: true }))
	].sort((a, b) => a.at - b.at);
	const rowOf = (parameter: ParameterId): TrendRow[] => {
		const own = drawn.filter((d) => d.result.parameter === parameter);
		if (own.length === 0) return [];
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
				readings: columnsOf(own, kits),
				line: estimate ? lineOf(estimate, now, to) : { at: [], value: [], u: [] },
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
	const earliest = drawn[0]?.at ?? now;
	return {
		from: addDays(earliest, -1),
		to,
		now,
		rows: PARAMETER_IDS.flatMap(rowOf),
		moves: rateMoves(estimates, results, events, water.startedAt, now),
		doubts: await findDoubts(deps, scope, estimates, addDays(now, -DOUBTS_DAYS)),
		departure: estimates.departure,
		leftOut: allLeftOut(read, estimates),
		events: events.filter((e) => e.happenedAt >= water.startedAt)
	};
}
