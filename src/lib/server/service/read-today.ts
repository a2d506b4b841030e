import { judge, type Verdict } from '$lib/core/judgement';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import { addDays, type Instant } from '$lib/core/time';
import { daysUntilOutside, robustLine, type Prediction, type RatePerDay } from '$lib/core/trend';
import { eventsSince } from '../repository/event.ts';
import type { SiteScope } from '../repository/scope.ts';
import { resultsSince } from '../repository/test.ts';
import { targetsOf, type DatedBand, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { bandAt, historyOf, plainBand } from './water-history.ts';

/** Today looks back this far for a last reading; the estimate takes what it needs of it. */
const LOOK_BACK_DAYS = 120;
const TAIL_DAYS = 7;

/** One parameter as Today shows it, canonical units. */
export interface ParameterToday {
	readonly parameter: ParameterId;
	readonly band: DatedBand | null;
	readonly now: Prediction;
	readonly inAWeek: Prediction;
	readonly verdict: Verdict;
	readonly netChangePerDay: RatePerDay;
	readonly consumptionPerDay: RatePerDay;
	readonly leavesInDays: number | null;
	readonly basedOn: number;
	readonly last: { readonly at: Instant; readonly result: TestResult };
}

/** Where each tested parameter of a water stands; those never tested are named apart. */
export async function readToday(
	deps: Deps,
	scope: SiteScope,
	water: Water
): Promise<{ readonly rows: readonly ParameterToday[]; readonly untested: readonly ParameterId[] }> {
	const now = deps.clock.now();
	const since = addDays(now, -LOOK_BACK_DAYS);
	const [results, events, targets] = await Promise.all([
		resultsSince(deps.db, scope, water.id, since),
		eventsSince(deps.db, scope, water.id, since),
		targetsOf(deps.db, scope, water.id)
	]);
	const rows: ParameterToday[] = [];
	const untested: ParameterId[] = [];
	for (const parameter of PARAMETER_IDS) {
		const last = results.filter((r) => r.result.parameter === parameter).at(-1);
		const estimate = robustLine(historyOf(parameter, results, events, water.netVolumeL, now), now);
		if (!estimate || !last) {
			untested.push(parameter);
			continue;
		}
		const band = bandAt(targets, parameter, now);
		const present = estimate.at(now);
		const u = Math.hypot(present.uRandom, present.uCommon);
		rows.push({
			parameter,
			band,
			now: present,
			inAWeek: estimate.at(addDays(now, TAIL_DAYS)),
			verdict: judge(present.value, u, plainBand(band), null),
			netChangePerDay: estimate.netChangePerDay,
			consumptionPerDay: estimate.consumptionPerDay,
			leavesInDays: band ? daysUntilOutside(estimate, band, now) : null,
			basedOn: estimate.basedOn,
			last: { at: last.at, result: last.result }
		});
	}
	return { rows, untested };
}
