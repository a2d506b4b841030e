import type { EstimateToday, ParameterToday, TodayAnswer } from '$lib/contract/today';
import { judge } from '$lib/core/judgement';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { NORMALISED_FROM, NORMALISED_TO, normalisingFactor } from '$lib/core/seawater';
import { addDays, type Instant } from '$lib/core/time';
import { daysUntilOutside, robustLine, type Estimate } from '$lib/core/trend';
import { eventsSince } from '../repository/event.ts';
import type { SiteScope } from '../repository/scope.ts';
import { resultsSince } from '../repository/test.ts';
import { targetsOf, type DatedBand, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { bandAt, historyOf, plainBand } from './water-history.ts';

/** Today looks back this far for a last reading; the estimate takes what it needs of it. */
const LOOK_BACK_DAYS = 120;
const TAIL_DAYS = 7;
/** Concentrations per litre are stated at this temperature. */
const STATED_AT_C = 25;

function estimateToday(estimate: Estimate, band: DatedBand | null, now: Instant): EstimateToday {
	const present = estimate.at(now);
	const u = Math.hypot(present.uRandom, present.uCommon);
	return {
		now: present,
		inAWeek: estimate.at(addDays(now, TAIL_DAYS)),
		verdict: judge(present.value, u, plainBand(band), null),
		netChangePerDay: estimate.netChangePerDay,
		consumptionPerDay: estimate.consumptionPerDay,
		leavesInDays: band ? daysUntilOutside(estimate, band, now) : null,
		basedOn: estimate.basedOn
	};
}

/** A major ion as it would be at S = 35; the uncertainty of the salinity comes along. */
function atS35(
	parameter: ParameterId,
	estimate: Estimate | null,
	salinity: Estimate | null,
	now: Instant
): ParameterToday['atS35'] {
	if (!PARAMETERS[parameter].followsSalinity || !estimate || !salinity) return null;
	const s = salinity.at(now);
	if (s.value < NORMALISED_FROM || s.value > NORMALISED_TO) return null;
	const { value, uRandom, uCommon } = estimate.at(now);
	const factor = normalisingFactor(s.value, STATED_AT_C);
	const relative = Math.hypot(s.uRandom, s.uCommon) / s.value;
	return {
		value: value * factor,
		u: factor * Math.hypot(uRandom, uCommon, value * relative),
		salinity: s.value
	};
}

/** Where each tested parameter of a water stands; those never tested are named apart. */
export async function readToday(deps: Deps, scope: SiteScope, water: Water): Promise<TodayAnswer> {
	const now = deps.clock.now();
	const since = addDays(now, -LOOK_BACK_DAYS);
	const [results, events, targets] = await Promise.all([
		resultsSince(deps.db, scope, water.id, since),
		eventsSince(deps.db, scope, water.id, since),
		targetsOf(deps.db, scope, water.id)
	]);
	const estimateOf = (parameter: ParameterId) =>
		robustLine(historyOf(parameter, results, events, water.netVolumeL, now), now);
	const salinity = estimateOf('salinity');
	const rows: ParameterToday[] = [];
	const untested: ParameterId[] = [];
	for (const parameter of PARAMETER_IDS) {
		const last = results.findLast((r) => r.result.parameter === parameter);
		const band = bandAt(targets, parameter, now);
		if (!last) {
			if (band) untested.push(parameter);
			continue;
		}
		const line = estimateOf(parameter);
		// One reading of what nobody doses says nothing about the days since.
		const estimate = line && (line.basedOn > 1 || PARAMETERS[parameter].dosed) ? line : null;
		rows.push({
			parameter,
			band,
			estimate: estimate && estimateToday(estimate, band, now),
			last: { at: last.at, result: last.result },
			atS35: atS35(parameter, estimate, salinity, now)
		});
	}
	return { rows, untested };
}
