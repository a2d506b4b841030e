import type { EstimateToday, ParameterToday, TodayAnswer } from '$lib/contract/today';
import { judge } from '$lib/core/judgement';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { atReferenceSalinity } from '$lib/core/seawater';
import { addDays, type Instant } from '$lib/core/time';
import { daysUntilOutside, type Estimate } from '$lib/core/trend';
import { eventsSince } from '../repository/event.ts';
import type { SiteScope } from '../repository/scope.ts';
import { resultsSince } from '../repository/result.ts';
import { targetsOf, type DatedBand, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { findDoubts } from './find-doubts.ts';
import { rateMoves } from './rate-moves.ts';
import { bandAt, ESTIMATE_LOOK_BACK_DAYS, isLine, plainBand, waterEstimate } from './water-history.ts';

/** Today looks back this far for a last reading. */
const LOOK_BACK_DAYS = 120;
const TAIL_DAYS = 7;
/** Readings in doubt and moved consumptions are told for so long. */
const DOUBTS_DAYS = 60;
const MOVES_DAYS = 60;

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

function atS35(
	parameter: ParameterId,
	estimate: Estimate | null,
	salinity: Estimate | null,
	now: Instant
): ParameterToday['atS35'] {
	if (!PARAMETERS[parameter].followsSalinity || !estimate || !salinity) return null;
	const s = salinity.at(now);
	const brought = atReferenceSalinity(estimate.at(now), s);
	return brought && { ...brought, salinity: s.value };
}

/** Where each tested parameter of a water stands; those never tested are named apart. */
export async function readToday(deps: Deps, scope: SiteScope, water: Water): Promise<TodayAnswer> {
	const now = deps.clock.now();
	const since = addDays(now, -ESTIMATE_LOOK_BACK_DAYS);
	const [results, events, targets] = await Promise.all([
		resultsSince(deps.db, scope, water.id, since),
		eventsSince(deps.db, scope, water.id, since),
		targetsOf(deps.db, scope, water.id)
	]);
	const estimates = waterEstimate(results, events, water.netVolumeL, now);
	const { of: estimateOf } = estimates;
	const rows: ParameterToday[] = [];
	const untested: ParameterId[] = [];
	for (const parameter of PARAMETER_IDS) {
		const last = results.findLast(
			(r) => r.result.parameter === parameter && r.at >= addDays(now, -LOOK_BACK_DAYS)
		);
		const band = bandAt(targets, parameter, now);
		if (!last) {
			if (band) untested.push(parameter);
			continue;
		}
		const line = estimateOf(parameter);
		const estimate = isLine(parameter, line) ? line : null;
		rows.push({
			parameter,
			band,
			estimate: estimate && estimateToday(estimate, band, now),
			last: { at: last.at, result: last.result },
			atS35: atS35(parameter, estimate, estimateOf('salinity'), now)
		});
	}
	return {
		rows,
		untested,
		doubts: await findDoubts(deps, scope, estimates, addDays(now, -DOUBTS_DAYS)),
		moves: rateMoves(estimates, results, events, addDays(now, -MOVES_DAYS), now),
		departure: estimates.departure
	};
}
