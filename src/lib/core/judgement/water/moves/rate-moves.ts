import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../../../quantity/index.ts';
import {
	OUT_OF_THE_ORDINARY,
	resultsOf,
	type DatedResult,
	type EventKind,
	type StoredEvent
} from '../../../record/index.ts';
import { addDays, type Instant } from '../../../time/index.ts';
import type { ConsumptionChange, Estimate, RatePerDay, WaterEstimate } from '../../../trend/index.ts';

/** A consumption that is not what it was. */
export interface RateMove {
	readonly parameter: ParameterId;
	/** A step that was found, or a drift over five weeks. */
	readonly how: 'step' | 'drift';
	readonly before: RatePerDay;
	readonly after: RatePerDay;
	/** Of a step: the likeliest day, and the days between which it lies with 95 %. */
	readonly at: Instant | null;
	readonly earliest: Instant | null;
	readonly latest: Instant | null;
	/** What happened about that time. */
	readonly besides: readonly {
		/** An event, or another kit read from then on, which may show a step that the water never took. */
		readonly kind: EventKind | 'another-kit';
		readonly note: string;
		readonly at: Instant;
	}[];
}

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
const MOVES_USE: ReadonlySet<EventKind> = new Set<EventKind>(['recurring-dose', 'feeding']);

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
	const own = resultsOf(results, parameter);
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

/** Consumptions that stepped since a time or drifted lately, each beside what happened then. */
export function rateMoves(
	{
		estimates,
		results,
		events,
		now
	}: {
		readonly estimates: WaterEstimate;
		readonly results: readonly DatedResult[];
		readonly events: readonly StoredEvent[];
		readonly now: Instant;
	},
	since: Instant
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
