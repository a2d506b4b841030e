import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import { addDays, daysBetween, instant, type Instant } from '$lib/core/time';
import { robustLine, type Prediction, type RatePerDay } from '$lib/core/trend';
import { eventsSince, type StoredEvent } from '../repository/event.ts';
import type { SiteScope } from '../repository/scope.ts';
import { resultsSince } from '../repository/test.ts';
import { targetsOf, type DatedBand, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { bandAt, historyOf } from './water-history.ts';

/** The spans that can be chosen, in days; null is everything. */
export const TREND_SPANS = { month: 31, quarter: 92, year: 366, all: null } as const;
export type TrendSpan = keyof typeof TREND_SPANS;

const FORECAST_DAYS = 7;
/** The estimate needs readings and regimes from before the span begins. */
const RUN_UP_DAYS = 45;
const LINE_POINTS = 120;

export interface LinePoint extends Prediction {
	readonly at: Instant;
}

export interface TrendRow {
	readonly parameter: ParameterId;
	readonly band: DatedBand | null;
	readonly readings: readonly { readonly at: Instant; readonly result: TestResult }[];
	readonly line: readonly LinePoint[];
	readonly now: Prediction;
	readonly basedOn: number;
	readonly netChangePerDay: RatePerDay;
	readonly consumptionPerDay: RatePerDay;
}

export interface Trends {
	readonly from: Instant;
	readonly to: Instant;
	readonly now: Instant;
	readonly rows: readonly TrendRow[];
	readonly events: readonly StoredEvent[];
}

export async function readTrends(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	span: TrendSpan
): Promise<Trends> {
	const now = deps.clock.now();
	const days = TREND_SPANS[span];
	const since = days === null ? water.startedAt : addDays(now, -days);
	const loadFrom = addDays(since, -RUN_UP_DAYS);
	const [results, events, targets] = await Promise.all([
		resultsSince(deps.db, scope, water.id, loadFrom),
		eventsSince(deps.db, scope, water.id, loadFrom),
		targetsOf(deps.db, scope, water.id)
	]);
	const to = addDays(now, FORECAST_DAYS);
	const rows = PARAMETER_IDS.flatMap((parameter): TrendRow[] => {
		const estimate = robustLine(historyOf(parameter, results, events, water.netVolumeL, now), now);
		if (!estimate) return [];
		const stepDays = daysBetween(estimate.from, to) / LINE_POINTS;
		const times = Array.from({ length: LINE_POINTS + 1 }, (_, i) => addDays(estimate.from, i * stepDays));
		return [
			{
				parameter,
				band: bandAt(targets, parameter, now),
				readings: results
					.filter((r) => r.result.parameter === parameter && r.at >= since)
					.map(({ at, result }) => ({ at, result })),
				line: times
					.filter((at) => at >= since)
					.map((at) => ({ at: instant(Math.round(at)), ...estimate.at(at) })),
				now: estimate.at(now),
				basedOn: estimate.basedOn,
				netChangePerDay: estimate.netChangePerDay,
				consumptionPerDay: estimate.consumptionPerDay
			}
		];
	});
	const earliest = rows.flatMap((r) => r.readings.map((x) => x.at)).reduce((a, b) => (b < a ? b : a), now);
	return {
		from: days === null ? addDays(earliest, -1) : since,
		to,
		now,
		rows,
		events: events.filter((e) => e.happenedAt >= since)
	};
}
