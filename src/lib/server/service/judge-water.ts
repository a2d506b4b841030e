import { CONVENTIONS } from '$lib/core/caution';
import type { CycleToday, EstimateToday, OpenPanel, ParameterToday } from '$lib/contract/today';
import type { JudgementSettings } from '$lib/contract/judgement';
import { panelFor } from '$lib/contract/event';
import type { LeftOut } from '$lib/contract/left-out';
import {
	afterCycle,
	againstReference,
	baselineOf,
	cycleReadingOf,
	factsOf,
	findingsOf,
	followCycle,
	freeAmmonia,
	goingOf,
	isActedOnEarly,
	isFresh,
	judge,
	judgeResult,
	PANEL_DAYS,
	PANELS,
	PROFILES,
	ReadingsInTime,
	RULES,
	runOnOneSide,
	seaWaterFor,
	stageOf,
	urgencyOf,
	type DueTest,
	type CadenceInput,
	type Facts,
	type Finding,
	type FreeAmmonia,
	type Reference,
	type RuleId,
	type StageId
} from '$lib/core/judgement';
import { parametersOf, type Method } from '$lib/core/method';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { boundsOf, plausibleRangeOf, pointOf, standardUncertaintyOf } from '$lib/core/reading';
import { atReferenceSalinity } from '$lib/core/seawater';
import { addDays, daysBetween, offsetMinutes, type Instant } from '$lib/core/time';
import { daysUntilOutside, type Estimate, type WaterEstimate } from '$lib/core/trend';
import { eventsSince, type StoredEvent } from '../repository/event.ts';
import { notesOfWater, plansOf } from '../repository/correction.ts';
import { adoptedMethods } from '../repository/method.ts';
import type { DatedResult } from '../repository/result.ts';
import type { SiteScope } from '../repository/scope.ts';
import { openSessions, type Sheet } from '../repository/session.ts';
import { shelfItems, type ShelfItem } from '../repository/shelf.ts';
import { targetsOf, type DatedBand, type Water } from '../repository/water.ts';
import type { PlannedTest, PlanWithNotes } from './asked-tests.ts';
import { cadenceInput, mediumRuns, testsDue } from './cadence-input.ts';
import type { Deps } from './deps.ts';
import { judgementSettings } from './judgement-settings.ts';
import { allLeftOut, soundResultsSince } from './sound-results.ts';
import { bandAt, estimateOfWater, estimateSince, isLine, plainBand } from './water-history.ts';

/** A last reading is looked for this far back. */
const LOOK_BACK_DAYS = 120;
const TAIL_DAYS = 7;
/** Free ammonia is judged from readings not older than this. */
const AMMONIA_DAYS = 3;
const BESIDE_DAYS = 3;
/** The cycle is told for so long after it was done. */
const CYCLE_TOLD_DAYS = 60;
const MINUTES_PER_DAY = 1440;
/** Nitrate that the first animals of a tank may meet, mg/L (husbandry convention). */
const AFTER_CYCLE_NITRATE = CONVENTIONS.firstAnimalsNitrate.value;

/** A water with all that is judged of it. */
export interface JudgedWater {
	readonly water: Water;
	readonly now: Instant;
	readonly timeZone: string;
	readonly settings: JudgementSettings;
	readonly results: readonly DatedResult[];
	readonly events: readonly StoredEvent[];
	readonly targets: readonly DatedBand[];
	readonly methods: readonly Method[];
	readonly items: readonly ShelfItem[];
	readonly estimates: WaterEstimate;
	readonly rows: readonly ParameterToday[];
	readonly untested: readonly ParameterId[];
	readonly stage: StageId | null;
	readonly cycle: CycleToday | null;
	readonly findings: readonly Finding<RuleId>[];
	readonly free: FreeAmmonia | null;
	readonly panels: readonly OpenPanel[];
	readonly due: readonly DueTest[];
	/** What the next tests are asked for by. */
	readonly cadence: CadenceInput;
	/** Its corrections, newest first, with what became of them. */
	readonly plans: readonly PlanWithNotes[];
	readonly lastReadAt: Instant | null;
	readonly leftOut: readonly LeftOut[];
}

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

/** What a value is held against besides its own band. */
function referencesFor(
	parameter: ParameterId,
	water: Water,
	own: readonly DatedResult[],
	salinity: number | null,
	now: Instant
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

function rowOf(
	parameter: ParameterId,
	last: DatedResult,
	given: Pick<JudgedWater, 'water' | 'now' | 'results' | 'targets' | 'estimates'>
): ParameterToday {
	const { water, now, results, targets, estimates } = given;
	const band = bandAt(targets, parameter, now);
	const line = estimates.of(parameter);
	const estimate = isLine(parameter, line) ? line : null;
	const own = results.filter((r) => r.result.parameter === parameter);
	const point = pointOf(last.result);
	const single = judgeResult(last.result, plainBand(band));
	const today = estimate && estimateToday(estimate, band, now);
	const verdict = today?.verdict ?? single;
	const salinity = estimates.of('salinity')?.at(now).value ?? null;
	const value = today
		? { value: today.now.value, u: Math.hypot(today.now.uRandom, today.now.uCommon) }
		: point && { value: point.value, u: standardUncertaintyOf(point) };
	const middle =
		band && (band.aim ?? (band.low !== null && band.high !== null ? (band.low + band.high) / 2 : null));
	return {
		parameter,
		band,
		estimate: today,
		last: { at: last.at, result: last.result },
		atS35: atS35(parameter, estimate, estimates.of('salinity'), now),
		single,
		urgency: verdict?.probabilities
			? urgencyOf(parameter, isFresh(water.profile), verdict.probabilities)
			: 'none',
		early: isActedOnEarly(parameter, isFresh(water.profile)),
		going: today && band ? goingOf(today.now.value, today.netChangePerDay, band) : 'not-seen',
		run:
			middle === null || middle === undefined
				? null
				: runOnOneSide(
						own.flatMap((r) => pointOf(r.result) ?? []),
						middle
					),
		references:
			value && value.u > 0
				? referencesFor(parameter, water, own, salinity, now).map((r) =>
						againstReference(value.value, value.u, r)
					)
				: []
	};
}

/** Local minutes after midnight. */
function minuteOfDay(at: Instant, timeZone: string): number {
	const minutes = Math.floor(at / 60_000) + offsetMinutes(at, timeZone);
	return ((minutes % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
}

/** Whether the light was on at a time, by the hours that it had then; null where nobody said. */
function litBy({ lights }: Water, timeZone: string): ((at: Instant) => boolean) | null {
	if (lights.every((l) => l.onMinute === null)) return null;
	return (at) => {
		const { onMinute: on, offMinute: off } = lights.findLast((l) => l.fromAt <= at) ?? lights[0]!;
		if (on === null || off === null) return false;
		const minute = minuteOfDay(at, timeZone);
		return on <= off ? minute >= on && minute < off : minute >= on || minute < off;
	};
}

/** The facts of a water at a time, from what was read and done up to it. */
export function factsAt(
	given: Pick<JudgedWater, 'water' | 'timeZone' | 'results' | 'events' | 'targets'> & {
		/** What the water was at a time, where that is asked of the past. */
		readonly profileAt?: (at: Instant) => Water['profile'];
		/** The results grouped, where many days are asked of. */
		readonly inTime?: ReadingsInTime;
	},
	at: Instant,
	departureZ: number | null
): Facts {
	const { water, timeZone, results, events, targets, inTime } = given;
	const { profile } = given.profileAt ? { profile: given.profileAt(at) } : water;
	const until = events.filter((e) => e.happenedAt <= at);
	return factsOf({
		at,
		readingsOf: (inTime ?? new ReadingsInTime(results)).until(at),
		bandOf: (parameter) => plainBand(bandAt(targets, parameter, at)),
		mediumRuns: mediumRuns(until),
		changes: until.filter((e) => e.kind === 'water-change').map((e) => e.happenedAt),
		fresh: isFresh(profile),
		cycling: profile === 'cycling',
		animals: water.hasAnimals,
		newMix: water.kind === 'new-mix',
		litAt: litBy(water, timeZone),
		departureZ
	});
}

function cycleOf(
	given: Pick<JudgedWater, 'water' | 'now' | 'timeZone' | 'results' | 'settings' | 'targets'>,
	methods: readonly Method[]
): CycleToday | null {
	const { water, now, timeZone, results, settings, targets } = given;
	if (water.profile !== 'cycling') {
		// A tank that has moved on keeps its curve in sight for a while.
		const young = water.profile !== null && daysBetween(water.startedAt, now) < 2 * CYCLE_TOLD_DAYS;
		if (!young || water.kind !== 'tank') return null;
	}
	const methodOf = new Map(methods.map((m) => [m.code, m]));
	const readings = results.flatMap(({ at, result, methodCode }) => {
		const method = methodOf.get(methodCode);
		const reading = method ? cycleReadingOf(at, result, method) : null;
		return reading ? [reading] : [];
	});
	if (readings.length === 0) return null;
	const state = followCycle(readings, water.startedAt, now, timeZone, settings.cycle);
	if (water.profile !== 'cycling' && state.phase === 'not-seen') return null;
	const nitrate = results.findLast(
		(r) => r.result.parameter === 'nitrate' && state.doneAt !== null && r.at >= addDays(state.doneAt, -1)
	);
	const limit = bandAt(targets, 'nitrate', now)?.high ?? null;
	// "Below 60 until the change, then below 20": the first animals want the lower one.
	const wanted = Math.min(limit ?? AFTER_CYCLE_NITRATE, AFTER_CYCLE_NITRATE);
	return {
		state,
		after:
			state.doneAt === null
				? null
				: afterCycle(
						nitrate ? (pointOf(nitrate.result)?.value ?? boundsOf(nitrate.result).lower) : null,
						wanted
					),
		curves: results.flatMap(({ at, result }) => {
			const { parameter } = result;
			return parameter === 'ammonia' || parameter === 'nitrite' || parameter === 'nitrate'
				? [{ parameter, at, ...boundsOf(result) }]
				: [];
		})
	};
}
function openPanels(
	events: readonly StoredEvent[],
	results: readonly DatedResult[],
	possible: ReadonlySet<ParameterId>,
	now: Instant
): OpenPanel[] {
	return events.flatMap(({ id, kind, happenedAt }) => {
		const happening = panelFor(kind);
		if (!happening || happenedAt < addDays(now, -PANEL_DAYS) || happenedAt > now) return [];
		const asked: readonly ParameterId[] = PANELS[happening];
		const missing = asked.filter(
			(p) => possible.has(p) && !results.some((r) => r.result.parameter === p && r.at >= happenedAt)
		);
		return missing.length > 0 ? [{ happening, eventId: id, at: happenedAt, missing }] : [];
	});
}

/** The worst that is plausible of the form of ammonia that harms, from the last days' readings. */
function freeOf(water: Water, results: readonly DatedResult[], now: Instant): FreeAmmonia | null {
	const lastOf = (parameter: ParameterId, days: number) =>
		results.findLast((r) => r.result.parameter === parameter && r.at >= addDays(now, -days))?.result ?? null;
	const total = lastOf('ammonia', AMMONIA_DAYS);
	if (!total) return null;
	const bounds = (result: ReturnType<typeof lastOf>) => (result ? plausibleRangeOf(result) : null);
	const { lower, upper } = boundsOf(total);
	const salt = lastOf('salinity', LOOK_BACK_DAYS);
	// In thinner water more of it is free: of a bound the lower end.
	const read = salt && (pointOf(salt)?.value ?? plausibleRangeOf(salt).lower);
	const salinity = isFresh(water.profile) ? 0 : read;
	return freeAmmonia(
		{ lower, upper },
		bounds(lastOf('ph', BESIDE_DAYS)),
		salinity,
		bounds(lastOf('temperature', BESIDE_DAYS))
	);
}

/**
 * Where a water stands: estimates, verdicts, stage, cycle, findings, open panels and the tests that are due. Within a
 * minute, and as long as nothing is changed, it is judged once where somebody keeps it.
 */
export function judgeWater(deps: Deps, scope: SiteScope, water: Water): Promise<JudgedWater> {
	const { memory } = deps;
	if (!memory || water.revision === undefined) return judgeAnew(deps, scope, water);
	const minute = Math.floor(deps.clock.now() / 60_000);
	return memory.judged(`${water.id} ${water.revision} ${minute}`, () => judgeAnew(deps, scope, water));
}

/** What planned sessions will read of a water itself, and not of a standard. */
function plannedTests(
	sessions: readonly Sheet[],
	water: Water,
	adopted: readonly { readonly method: Method }[]
): PlannedTest[] {
	return sessions.flatMap(({ state, dueAt, tests }) => {
		if (state !== 'planned' || dueAt === null) return [];
		const own = tests.filter((t) => t.waterId === water.id && t.standardId === null && !t.over);
		return own.flatMap((t) => {
			const method = adopted.find((m) => m.method.code === t.methodCode)?.method;
			return method ? parametersOf(method).map((parameter) => ({ parameter, at: dueAt })) : [];
		});
	});
}

async function judgeAnew(deps: Deps, scope: SiteScope, water: Water): Promise<JudgedWater> {
	const now = deps.clock.now();
	const since = estimateSince(now);
	const [read, events, targets, adopted, items, settings, stored, notes, sessions] = await Promise.all([
		soundResultsSince(deps, scope, water.id, since),
		eventsSince(deps.db, scope, water.id, since),
		targetsOf(deps.db, scope, water.id),
		adoptedMethods(deps.db, scope),
		shelfItems(deps.db, scope),
		judgementSettings(deps.db, scope, water.id),
		plansOf(deps.db, scope, water.id),
		notesOfWater(deps.db, scope, water.id),
		openSessions(deps.db, scope, now)
	]);
	const plans = stored.map((plan): PlanWithNotes => ({
		stored: plan,
		notes: notes.filter((n) => n.planId === plan.id)
	}));
	const methods = adopted.map((m) => m.method);
	const { results } = read;
	const estimates = await estimateOfWater(deps, water, { results, events, since }, now);
	const { timeZone } = scope;
	const planned = plannedTests(sessions, water, adopted);
	const base = {
		...{ water, now, timeZone, settings, results, events, targets },
		...{ methods, items, estimates, plans, planned }
	};
	const rows: ParameterToday[] = [];
	const untested: ParameterId[] = [];
	for (const parameter of PARAMETER_IDS) {
		const last = results.findLast(
			(r) => r.result.parameter === parameter && r.at >= addDays(now, -LOOK_BACK_DAYS)
		);
		if (last) rows.push(rowOf(parameter, last, base));
		else if (bandAt(targets, parameter, now)) untested.push(parameter);
	}
	const cadence = cadenceInput({ ...base, rows });
	const lastReadAt = results.at(-1)?.at ?? null;
	const facts = factsAt(base, now, estimates.departure?.z ?? null);
	return {
		...base,
		rows,
		untested,
		stage:
			water.kind === 'tank' && water.endedAt === null
				? stageOf({
						profile: water.profile,
						startedAt: water.startedAt,
						now,
						// That nobody told of it before it was entered is no neglect.
						lastReadAt: lastReadAt ?? water.knownSince
					})
				: null,
		cycle: cycleOf(base, methods),
		findings: findingsOf(RULES, facts, new Set(settings.rulesOff)),
		free: freeOf(water, results, now),
		panels: openPanels(events, results, new Set(cadence.usual), now),
		// Of one that was taken down nothing is asked.
		due: water.endedAt === null ? testsDue(water, cadence) : [],
		cadence,
		lastReadAt,
		leftOut: allLeftOut(read, estimates)
	};
}
