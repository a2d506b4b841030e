import { OUT_OF_THE_ORDINARY } from '$lib/contract/event';
import type { RateMove } from '$lib/contract/today';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { addDays, type Instant } from '$lib/core/time';
import type { ConsumptionChange, Estimate, WaterEstimate } from '$lib/core/trend';
import type { StoredEvent } from '../repository/event.ts';
import type { DatedResult } from '../repository/result.ts';

/** A drift is held against the consumption of so many days before. */
const DRIFT_DAYS = 37;
const LEAST_READINGS = 8;
/** Told when it is beyond so many standard uncertainties, both ends taken as independent, and this share of itself. */
const TOLD_Z = 2;
const TOLD_SHARE = 0.1;
/** What happened a little before a step may have brought it about. */
const BEFORE_DAYS = 3;
const MOST_NAMED = 4;

type Besides = RateMove['besides'];

/** What of the routine moves a consumption as well. */
const MOVES_USE: ReadonlySet<StoredEvent['kind']> = new Set<StoredEvent['kind']>([
	'recurring-dose',
	'feeding'
]);

function happenedAbout(
	events: readonly StoredEvent[],
	from: Instant,
	to: Instant,
	routine: boolean
): Besides {
	return events
		.filter(
			(e) =>
				(OUT_OF_THE_ORDINARY.has(e.kind) || (routine && MOVES_USE.has(e.kind))) &&
				e.happenedAt >= addDays(from, -BEFORE_DAYS) &&
				e.happenedAt <= to
		)
		.map((e) => ({ kind: e.kind, note: e.note, at: e.happenedAt }))
		.slice(-MOST_NAMED);
}

/** Where another kit than before was read, by the method's code. */
function kitChanges(results: readonly DatedResult[], parameter: ParameterId): Besides {
	const own = results.filter((r) => r.result.parameter === parameter);
	return own.flatMap(({ at, methodCode }, i) => {
		const before = own[i - 1]?.methodCode;
		return before !== undefined && before !== methodCode
			? [{ kind: 'another-kit' as const, note: '', at }]
			: [];
	});
}

function stepOf(
	change: ConsumptionChange,
	events: readonly StoredEvent[],
	kits: Besides
): Omit<RateMove, 'parameter'> {
	const { at, earliest, latest, before, after } = change;
	return {
		how: 'step',
		before,
		after,
		at,
		earliest,
		latest,
		besides: [
			...happenedAbout(events, earliest, latest, true),
			...kits.filter((k) => k.at >= addDays(earliest, -BEFORE_DAYS) && k.at <= addDays(latest, BEFORE_DAYS))
		]
	};
}

function driftOf(
	estimate: Estimate,
	events: readonly StoredEvent[],
	now: Instant
): Omit<RateMove, 'parameter'> | null {
	const then = addDays(now, -DRIFT_DAYS);
	if (estimate.from > addDays(then, -DRIFT_DAYS) || estimate.basedOn < LEAST_READINGS) return null;
	const [before, after] = [estimate.rateAt(then), estimate.rateAt(now)];
	const moved = Math.abs(after.value - before.value);
	if (moved <= TOLD_Z * Math.hypot(before.u, after.u) || moved <= TOLD_SHARE * Math.abs(before.value))
		return null;
	const besides = happenedAbout(events, then, now, false);
	return { how: 'drift', before, after, at: null, earliest: null, latest: null, besides };
}

/** Consumptions that stepped or drifted lately, each beside what happened then. */
export function rateMoves(
	estimates: WaterEstimate,
	results: readonly DatedResult[],
	events: readonly StoredEvent[],
	since: Instant,
	now: Instant
): RateMove[] {
	return PARAMETER_IDS.flatMap((parameter): RateMove[] => {
		const estimate = estimates.of(parameter);
		if (!estimate || !PARAMETERS[parameter].dosed || estimate.mostlyBounds) return [];
		const kits = kitChanges(results, parameter);
		const steps = estimate.changes
			.filter((c) => c.latest >= since)
			.map((c) => ({ parameter, ...stepOf(c, events, kits) }));
		if (steps.length > 0) return steps;
		const drift = driftOf(estimate, events, now);
		return drift ? [{ parameter, ...drift }] : [];
	});
}
