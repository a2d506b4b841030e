import type { RateMove } from '$lib/contract/today';
import { PARAMETER_IDS, PARAMETERS } from '$lib/core/quantity';
import { addDays, type Instant } from '$lib/core/time';
import type { ConsumptionChange, Estimate, WaterEstimate } from '$lib/core/trend';
import type { StoredEvent } from '../repository/event.ts';

/** A drift is held against the consumption of so many days before. */
const DRIFT_DAYS = 37;
const LEAST_READINGS = 8;
/** Told when it is beyond so many standard uncertainties, both ends taken as independent, and this share of itself. */
const TOLD_Z = 2;
const TOLD_SHARE = 0.1;
/** What happened a little before a step may have brought it about. */
const BEFORE_DAYS = 3;

const OUT_OF_THE_ORDINARY: ReadonlySet<StoredEvent['kind']> = new Set<StoredEvent['kind']>([
	'recurring-dose',
	'recurring-dose-missed',
	'failure',
	'death',
	'animals-in',
	'animals-out',
	'medium-in',
	'medium-out',
	'feeding'
]);

function happenedAbout(events: readonly StoredEvent[], from: Instant, to: Instant): RateMove['besides'] {
	return events
		.filter(
			(e) =>
				OUT_OF_THE_ORDINARY.has(e.kind) && e.happenedAt >= addDays(from, -BEFORE_DAYS) && e.happenedAt <= to
		)
		.map((e) => ({ kind: e.kind, note: e.note, at: e.happenedAt }))
		.slice(-4);
}

function stepOf(change: ConsumptionChange, events: readonly StoredEvent[]): Omit<RateMove, 'parameter'> {
	const { at, earliest, latest, before, after } = change;
	return {
		how: 'step',
		before,
		after,
		at,
		earliest,
		latest,
		besides: happenedAbout(events, earliest, latest)
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
	const besides = happenedAbout(events, then, now).filter(
		(e) => e.kind !== 'recurring-dose' && e.kind !== 'feeding'
	);
	return { how: 'drift', before, after, at: null, earliest: null, latest: null, besides };
}

/** Consumptions that stepped or drifted lately, each beside what happened then. */
export function rateMoves(
	estimates: WaterEstimate,
	events: readonly StoredEvent[],
	since: Instant,
	now: Instant
): RateMove[] {
	return PARAMETER_IDS.flatMap((parameter): RateMove[] => {
		const estimate = estimates.of(parameter);
		if (!estimate || !PARAMETERS[parameter].dosed || estimate.mostlyBounds) return [];
		const steps = estimate.changes
			.filter((c) => c.latest >= since)
			.map((c) => ({ parameter, ...stepOf(c, events) }));
		if (steps.length > 0) return steps;
		const drift = driftOf(estimate, events, now);
		return drift ? [{ parameter, ...drift }] : [];
	});
}
