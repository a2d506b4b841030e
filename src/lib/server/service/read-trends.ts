import { TREND_SPANS, type LinePoint, type TrendRow, type TrendSpan } from '$lib/contract/trends';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { addDays, daysBetween, instant, type Instant } from '$lib/core/time';
import type { Estimate } from '$lib/core/trend';
import { eventsSince, type StoredEvent } from '../repository/event.ts';
import type { SiteScope } from '../repository/scope.ts';
import { resultsSince } from '../repository/result.ts';
import { targetsOf, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { bandAt, waterEstimate, isLine } from './water-history.ts';

const FORECAST_DAYS = 7;
/** The estimate needs readings and regimes from before the span begins. */
const RUN_UP_DAYS = 45;
const LINE_POINTS = 120;

export interface Trends {
	readonly from: Instant;
	readonly to: Instant;
	readonly now: Instant;
	readonly rows: readonly TrendRow[];
	readonly events: readonly StoredEvent[];
}

function lineOf(estimate: Estimate, since: Instant, to: Instant): LinePoint[] {
	const stepDays = daysBetween(estimate.from, to) / LINE_POINTS;
	return Array.from({ length: LINE_POINTS + 1 }, (_, i) => addDays(estimate.from, i * stepDays))
		.filter((at) => at >= since)
		.map((at) => ({ at: instant(Math.round(at)), ...estimate.at(at) }));
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
	const { of: estimateOf } = waterEstimate(results, events, water.netVolumeL, now);
	const rows = PARAMETER_IDS.flatMap((parameter): TrendRow[] => {
		const through = estimateOf(parameter);
		const estimate = isLine(parameter, through) ? through : null;
		const readings = results
			.filter((r) => r.result.parameter === parameter && r.at >= since)
			.map(({ at, result }) => ({ at, result }));
		if (!estimate && readings.length === 0) return [];
		return [
			{
				parameter,
				band: bandAt(targets, parameter, now),
				readings,
				line: estimate ? lineOf(estimate, since, to) : [],
				estimate: estimate && {
					now: estimate.at(now),
					basedOn: estimate.basedOn,
					netChangePerDay: estimate.netChangePerDay,
					consumptionPerDay: estimate.consumptionPerDay
				}
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
