import { PARAMETERS, type ParameterId } from '../../quantity/index.ts';
import { pointOf, type TestResult } from '../../reading/index.ts';
import { bandAt, plainBand, resultsOf, type DatedResult, type SourcedBand } from '../../record/index.ts';
import { atReferenceSalinity } from '../../seawater/index.ts';
import { addDays, type Instant } from '../../time/index.ts';
import {
	daysUntilOutside,
	isLine,
	type Estimate,
	type Prediction,
	type RatePerDay,
	type WaterEstimate
} from '../../trend/index.ts';
import { standardUncertaintyOf } from '../../uncertainty/index.ts';
import {
	againstReference,
	aimOf,
	baselineOf,
	goingOf,
	isActedOnEarly,
	isFresh,
	judge,
	judgeResult,
	PROFILES,
	runOnOneSide,
	seaWaterFor,
	isTakenForOutside,
	urgencyOf,
	type AgainstReference,
	type Going,
	type Reference,
	type RunOfSide,
	type Urgency,
	type Verdict
} from '../index.ts';
import { estimateSince } from './history.ts';
import type { WaterRecord } from './record.ts';

const TAIL_DAYS = 7;
const COURSE_DAYS = 42;
const COURSE_EVERY_DAYS = 3;

/** What is estimated of a parameter, canonical units. */
export interface EstimateToday {
	readonly now: Prediction;
	readonly inAWeek: Prediction;
	/** What is believed now of the last six weeks, every third day and the last now; null before its first reading. */
	readonly course: readonly (number | null)[];
	readonly verdict: Verdict;
	readonly netChangePerDay: RatePerDay;
	readonly consumptionPerDay: RatePerDay;
	readonly leavesInDays: number | null;
	readonly basedOn: number;
	/** Nothing lives in it: it is what was read, and has no rate. */
	readonly isStill?: boolean;
}

/** One parameter as Today shows it. Without an estimate there were only bounds so far. */
export interface ParameterToday {
	readonly parameter: ParameterId;
	readonly band: SourcedBand | null;
	readonly estimate: EstimateToday | null;
	readonly last: { readonly at: Instant; readonly result: TestResult };
	/** A major ion brought to S = 35, where salinity was read lately. */
	readonly atS35: { readonly value: number; readonly u: number; readonly salinity: number } | null;
	/** The last reading by itself; null of a bound, which is no number. */
	readonly single: Verdict | null;
	readonly urgency: Urgency;
	/** It is acted on while it is only likely: it harms within days. */
	readonly early: boolean;
	/**
	 * It may harm the animals, and is taken for outside while that is only possible. The banner, what is due and what is
	 * put right all go by it.
	 */
	readonly asOutside: boolean;
	readonly going: Going;
	/** The last readings, where they all lie on one side. */
	readonly run: RunOfSide | null;
	readonly references: readonly AgainstReference[];
}

function courseOf(estimate: Estimate, now: Instant): readonly (number | null)[] {
	return Array.from({ length: COURSE_DAYS / COURSE_EVERY_DAYS + 1 }, (_, i) => {
		const at = addDays(now, i * COURSE_EVERY_DAYS - COURSE_DAYS);
		return at < estimate.from ? null : estimate.at(at).value;
	});
}

function estimateToday(estimate: Estimate, band: SourcedBand | null, now: Instant): EstimateToday {
	const present = estimate.at(now);
	const u = standardUncertaintyOf(present);
	return {
		now: present,
		inAWeek: estimate.at(addDays(now, TAIL_DAYS)),
		course: courseOf(estimate, now),
		verdict: judge(present.value, u, plainBand(band), null),
		netChangePerDay: estimate.netChangePerDay,
		consumptionPerDay: estimate.consumptionPerDay,
		leavesInDays: band ? daysUntilOutside(estimate, band, now) : null,
		basedOn: estimate.basedOn,
		...(estimate.isStill ? { isStill: true } : {})
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

/** What a value is held against besides its own band. */
function referencesFor(
	parameter: ParameterId,
	water: WaterRecord['water'],
	{
		own,
		salinity,
		now
	}: { readonly own: readonly DatedResult[]; readonly salinity: number | null; readonly now: Instant }
): Reference[] {
	const points = own.flatMap(({ result }) => {
		const point = pointOf(result);
		return point ? [{ value: point.value, u: standardUncertaintyOf(point) }] : [];
	});
	const published = water.profile
		? (
				PROFILES[water.profile].bands as Partial<
					Record<ParameterId, { low: number | null; high: number | null }>
				>
			)[parameter]
		: undefined;
	const found: (Reference | null)[] = [
		published && water.profile
			? { kind: 'published', name: PROFILES[water.profile].name, low: published.low, high: published.high }
			: null,
		salinity === null ? null : seaWaterFor(parameter, salinity),
		// Of an older tank the first readings are not at hand: only what is looked back on is.
		water.startedAt >= estimateSince(now) ? baselineOf(points) : null
	];
	return found.filter((r): r is Reference => r !== null);
}

export function rowOf(
	parameter: ParameterId,
	last: DatedResult,
	given: Pick<WaterRecord, 'water' | 'results' | 'targets'> & {
		readonly now: Instant;
		readonly estimates: WaterEstimate;
	}
): ParameterToday {
	const { water, now, results, targets, estimates } = given;
	const band = bandAt(targets, parameter, now);
	const line = estimates.of(parameter);
	const estimate = isLine(parameter, line) ? line : null;
	const own = resultsOf(results, parameter);
	const point = pointOf(last.result);
	const single = judgeResult(last.result, plainBand(band));
	const today = estimate && estimateToday(estimate, band, now);
	const verdict = today?.verdict ?? single;
	const early = isActedOnEarly(parameter, isFresh(water.profile));
	const urgency = verdict?.probabilities
		? urgencyOf(parameter, isFresh(water.profile), verdict.probabilities)
		: 'none';
	const salinity = estimates.of('salinity')?.at(now).value ?? null;
	const value = today
		? { value: today.now.value, u: standardUncertaintyOf(today.now) }
		: point && { value: point.value, u: standardUncertaintyOf(point) };
	const aim = aimOf(band);
	return {
		parameter,
		band,
		estimate: today,
		last: { at: last.at, result: last.result },
		atS35: atS35(parameter, estimate, estimates.of('salinity'), now),
		single,
		urgency,
		early,
		asOutside: isTakenForOutside(verdict, { early, urgency, hasAnimals: water.hasAnimals }),
		going: today && band ? goingOf(today.now.value, today.netChangePerDay, band) : 'not-seen',
		run:
			aim === null
				? null
				: runOnOneSide(
						own.flatMap((r) => pointOf(r.result) ?? []),
						aim
					),
		references:
			value && value.u > 0
				? referencesFor(parameter, water, { own, salinity, now }).map((r) =>
						againstReference(value.value, value.u, r)
					)
				: []
	};
}
