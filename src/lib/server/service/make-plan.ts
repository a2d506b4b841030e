import type {
	KeptPlan,
	MixSeen,
	NamedSupplement,
	PlanGoal,
	PlanPreview,
	PlanRequest,
	PlanStep
} from '$lib/contract/adjust';
import type { RecurringDoseDetails } from '$lib/contract/event';
import type { SupplementStrength } from '$lib/core/balance';
import {
	beforeAndAfter,
	bestMix,
	driftOf,
	HUSBANDRY,
	limitFor,
	LIMITED,
	movesOfChange,
	NO_EFFECT,
	planDoses,
	RAISED,
	raisedBy,
	salinityDays,
	seriesOf,
	strengthOf,
	unitOf,
	type Goal,
	type LevelsOf,
	type Limited,
	type OwnLimit,
	type RaisedParameter,
	type Supplement,
	type WaterNow
} from '$lib/core/correction';
import { PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import type { Static } from '@sinclair/typebox';
import type { Batch } from './batches.ts';
import type { JudgedWater } from './judge-water.ts';
import { isLine } from './water-history.ts';
import { readingUOf, waterNow } from './water-now.ts';

/** What a plan stands on besides the water. */
export interface PlanBase {
	readonly judged: JudgedWater;
	readonly supplements: readonly NamedSupplement[];
	readonly limits: readonly OwnLimit[];
	readonly batches: readonly Batch[];
	/** What the water answers to a dose, as a share of what was expected. */
	readonly response: number;
}

/** A drift that nobody has seen yet may be so much of what a day may change (convention). */
const UNSEEN_DRIFT = 0.2;

/** A change is seen when it is more than twice its standard uncertainty. */
const SEEN_Z = 2;

/** The daily dose of a parameter that runs now, with its strength. */
function runningDose(
	judged: JudgedWater,
	parameter: RaisedParameter
): {
	readonly name: string;
	readonly perDay: number;
	readonly rise: number;
	readonly unit: 'ml' | 'g';
	readonly strength: readonly SupplementStrength[];
} | null {
	const regimes = judged.events.filter((e) => e.kind === 'recurring-dose' && e.happenedAt <= judged.now);
	const newest = new Map<string, Static<typeof RecurringDoseDetails>>();
	for (const { details } of regimes) {
		const regime = details as Static<typeof RecurringDoseDetails>;
		newest.set(regime.supplement, regime);
	}
	for (const regime of [...newest.values()].reverse()) {
		const rise = regime.strength.find((s) => s.parameter === parameter)?.risePerMlIn100L;
		if (rise !== undefined && regime.amountMlPerDay > 0) {
			return {
				name: regime.supplement,
				perDay: regime.amountMlPerDay,
				rise,
				unit: regime.unit ?? 'ml',
				strength: regime.strength
			};
		}
	}
	return null;
}

const round = (value: number) => Number(value.toPrecision(3));

function goalFor(
	base: PlanBase,
	water: WaterNow,
	wanted: { readonly parameter: RaisedParameter; readonly aim: number },
	named: NamedSupplement
): { readonly goal: Goal; readonly kept: PlanGoal } | null {
	const { judged, limits } = base;
	const { parameter, aim } = wanted;
	const from = water.levels[parameter];
	if (!from || named.what.kind === 'table') return null;
	const line = judged.estimates.of(parameter);
	const limit = limitFor(parameter, 'up', limits, water.animals);
	const drift = isLine(parameter, line)
		? driftOf(line, judged.now)
		: { value: 0, u: UNSEEN_DRIFT * (limit ?? PARAMETERS[parameter].plausibleSpread / 10) };
	const fromU = isLine(parameter, line) ? line.at(judged.now).uRandom : from.u;
	return {
		goal: {
			parameter,
			from,
			aim,
			drift,
			readingU: readingUOf(judged, parameter) ?? from.u,
			supplementId: named.id,
			supplement: named.what
		},
		kept: { parameter, from, fromU, aim, drift, limitPerDay: limit }
	};
}

function surprisingOf(judged: JudgedWater): ParameterId[] {
	return judged.rows.flatMap(({ parameter, last }) =>
		judged.estimates.of(parameter)?.doubts.some((d) => !d.settled && d.at >= last.at) ? [parameter] : []
	);
}

function dosesPlan(base: PlanBase, request: Extract<PlanRequest, { kind: 'doses' }>): Result<PlanPreview> {
	const { judged, limits } = base;
	const believed = waterNow(judged, request.volumeKnown);
	if (!believed) return fail('volume-unknown', 'volumeL');
	// A product that is weaker than its label, or a larger volume: either way a dose does less.
	const water: WaterNow = {
		...believed,
		volumeL: {
			...believed.volumeL,
			value: believed.volumeL.value / base.response,
			u: believed.volumeL.u / base.response
		}
	};
	const goals: Goal[] = [];
	const kept: PlanGoal[] = [];
	const used = new Map<string, NamedSupplement & { what: Supplement }>();
	for (const wanted of request.goals) {
		const named = base.supplements.find((s) => s.id === wanted.supplementId);
		if (!named || named.what.kind === 'table') return fail('unknown-item', 'supplementId');
		if (!raisedBy(named.what).includes(wanted.parameter)) return fail('worth-nothing', 'supplementId');
		const made = goalFor(base, water, wanted, named);
		if (!made) return fail('never-read', wanted.parameter);
		goals.push(made.goal);
		kept.push(made.kept);
		used.set(named.id, { ...named, what: named.what });
	}
	const plan = planDoses({
		water,
		goals,
		limits: Object.fromEntries(RAISED.map((p) => [p, limitFor(p, 'up', limits, water.animals)])),
		surprising: surprisingOf(judged)
	});
	const steps: PlanStep[] = [];
	for (const test of plan.tests) {
		const { why, day, parameters, repeats } = test;
		steps.push({ id: `${day}-test-${why}`, day, what: { kind: 'test', parameters, repeats, why } });
	}
	for (const retune of plan.retunes) {
		const running = runningDose(judged, retune.parameter);
		const volume = water.volumeL.value;
		const { drift } = goals.find((g) => g.parameter === retune.parameter)!;
		// What runs is tuned by what is likely; what was never dosed daily is begun only for what is seen.
		if (!running && Math.abs(drift.value) <= SEEN_Z * drift.u) continue;
		const step = running
			? {
					name: running.name,
					unit: running.unit,
					strength: running.strength,
					fromPerDay: running.perDay,
					toPerDay: round(Math.max(0, running.perDay + (retune.risePerDay * volume) / 100 / running.rise))
				}
			: {
					name: used.get(retune.supplementId)!.name,
					unit: retune.unit,
					strength: strengthOf(used.get(retune.supplementId)!.what),
					fromPerDay: 0,
					toPerDay: round(Math.max(0, retune.amountPerDay))
				};
		if (step.fromPerDay === step.toPerDay) continue;
		steps.push({
			id: `0-daily-${retune.parameter}`,
			day: 0,
			what: { kind: 'daily-dose', parameter: retune.parameter, ...step }
		});
	}
	for (const dose of plan.doses) {
		const { day, parameter, supplementId, amount, unit, portions, rise } = dose;
		steps.push({
			id: `${day}-dose-${parameter}`,
			day,
			what: {
				kind: 'dose',
				parameter,
				supplementId,
				name: used.get(supplementId)!.name,
				amount: round(amount),
				unit,
				portions,
				rise
			}
		});
	}
	return ok({
		plan: {
			request,
			volumeL: water.volumeL,
			days: plan.days,
			goals: kept,
			supplements: [...used.values()].map(({ id, name, what }) => ({ id, name, what })),
			steps: inOrder(steps),
			courses: plan.courses,
			moves: plan.moves,
			remarks: plan.remarks
		},
		refusals: plan.refusals,
		warnings: [...used.values()]
			.filter((s) => s.notWith !== '' && used.size > 1)
			.map(({ name, notWith }) => ({ name, notWith })),
		mix: goals.length > 1 ? mixFor(base, water, goals) : null
	});
}

/** No change of more than this share is proposed in a mix (convention). */
const MIX_CHANGE_SHARE = 0.2;

/** The same rises by the best mix of everything at hand, with a change where the newest batch was tested. */
function mixFor(
	{ supplements, batches, limits }: PlanBase,
	water: WaterNow,
	goals: readonly Goal[]
): MixSeen {
	const atHand = supplements.flatMap(({ id, what }) =>
		what.kind === 'table' || what.kind === 'limewater' ? [] : [{ id, supplement: what }]
	);
	const [batch] = batches;
	const newWater = batch
		? Object.fromEntries(RAISED.flatMap((p) => (batch.levels[p] ? [[p, batch.levels[p].value]] : [])))
		: {};
	const mix = bestMix({
		water,
		rises: Object.fromEntries(goals.map((g) => [g.parameter, g.aim - g.from.value])),
		scale: Object.fromEntries(RAISED.map((p) => [p, limitFor(p, 'up', limits, true) ?? 1])) as Readonly<
			Record<RaisedParameter, number>
		>,
		atHand,
		...(batch && !water.fresh ? { change: { most: MIX_CHANGE_SHARE, newWater } } : {})
	});
	return {
		change:
			batch && mix.changeShare > 0.01
				? { litres: round(mix.changeShare * water.volumeL.value), batch: batch.name }
				: null,
		amounts: mix.amounts.map(({ id, amount }) => {
			const named = supplements.find((s) => s.id === id)!;
			return { name: named.name, amount: round(amount), unit: unitOf(named.what as Supplement) };
		}),
		short: mix.short.map(({ parameter }) => ({ parameter, reached: mix.reached[parameter]! })),
		salinityRise: mix.salinityRise
	};
}

/** Of a day first the test, then the daily dose, then what is added. */
function inOrder(steps: readonly PlanStep[]): PlanStep[] {
	const rank = { test: 0, 'daily-dose': 1, change: 2, salinity: 2, dose: 3, remedy: 4 } as const;
	return [...steps].sort((a, b) => a.day - b.day || rank[a.what.kind] - rank[b.what.kind]);
}

const NO_REFUSALS = { refusals: [], warnings: [], mix: null } as const;

function salinityPlan(
	base: PlanBase,
	request: Extract<PlanRequest, { kind: 'salinity' }>
): Result<PlanPreview> {
	const { judged, limits } = base;
	const water = waterNow(judged, request.volumeKnown);
	if (!water) return fail('volume-unknown', 'volumeL');
	const from = water.levels.salinity;
	if (!from) return fail('never-read', 'salinity');
	const up = request.aim > from.value;
	const limit = limitFor('salinity', up ? 'up' : 'down', limits, water.animals);
	const temperatureC = water.levels.temperature?.value ?? 25;
	const days = salinityDays(from.value, request.aim, water.volumeL.value, temperatureC, limit);
	if (days.length === 0) return fail('nothing-to-plan', 'aim');
	const steps: PlanStep[] = days.map(({ day, from: before, to, saltKg, exchangeL }) => ({
		id: `${day}-salinity`,
		day,
		what: { kind: 'salinity', from: before, to, saltKg, exchangeL }
	}));
	steps.push(...testSteps(['salinity'], days.length));
	return ok({
		plan: {
			request,
			volumeL: water.volumeL,
			days: days.length,
			goals: [
				{
					parameter: 'salinity',
					from,
					fromU: from.u,
					aim: request.aim,
					drift: { value: 0, u: 0.03 },
					limitPerDay: limit
				}
			],
			supplements: [],
			steps: inOrder(steps),
			courses: [
				{
					parameter: 'salinity',
					points: Array.from({ length: days.length + 4 }, (_, day) => ({
						day,
						value: days[day]?.from ?? request.aim,
						u: from.u
					}))
				}
			],
			moves: beforeAndAfter(water, NO_EFFECT, NO_EFFECT, 0),
			remarks: days.length > 1 ? ['second-reading'] : []
		},
		...NO_REFUSALS
	});
}

function testSteps(parameters: readonly ParameterId[], days: number): PlanStep[] {
	const test = (day: number, why: 'before' | 'midway' | 'end'): PlanStep => ({
		id: `${day}-test-${why}`,
		day,
		what: { kind: 'test', parameters, repeats: 1, why }
	});
	return [
		...(days > 1 ? [test(0, 'before')] : []),
		...(days >= 3 ? [test(Math.ceil(days / 2), 'midway')] : []),
		test(days, 'end')
	];
}

/** What new water brings, measured where its batch was tested. */
export function newWaterOf(batches: readonly Batch[], name: string): LevelsOf {
	const batch = batches.find((b) => b.name === name);
	if (!batch) return {};
	return Object.fromEntries(Object.entries(batch.levels).map(([p, known]) => [p, known.value]));
}

/** Levels of a water as plain numbers. */
export function levelsOf(water: WaterNow): LevelsOf {
	return Object.fromEntries(Object.entries(water.levels).map(([p, known]) => [p, known.value]));
}

/** Net change of a parameter between two changes, by the estimate. */
export function betweenChanges(judged: JudgedWater, everyDays: number): (parameter: ParameterId) => number {
	return (parameter) => {
		const line = judged.estimates.of(parameter);
		if (!isLine(parameter, line)) return 0;
		const { value, u } = line.netChangePerDay;
		return Math.abs(value) > u ? value * everyDays : 0;
	};
}

function changesPlan(
	base: PlanBase,
	request: Extract<PlanRequest, { kind: 'changes' }>
): Result<PlanPreview> {
	const { judged, limits, batches } = base;
	const water = waterNow(judged, true);
	if (!water) return fail('volume-unknown', 'volumeL');
	if (request.litres > water.volumeL.value) {
		return fail('too-large', 'litres', { most: water.volumeL.value, unit: 'L' });
	}
	const fraction = request.litres / water.volumeL.value;
	const tank = levelsOf(water);
	const fresh = newWaterOf(batches, request.batch);
	const limitOf = (parameter: Limited, direction: 'up' | 'down') =>
		LIMITED.includes(parameter) ? limitFor(parameter, direction, limits, water.animals) : null;
	const beyond = movesOfChange(tank, fresh, fraction, limitOf).find((m) => !m.within);
	if (beyond) {
		return fail('beyond-daily-limit', 'litres', {
			parameter: PARAMETERS[beyond.parameter].name,
			most: round((beyond.limit! / Math.abs(beyond.after - beyond.before)) * request.litres)
		});
	}
	const series = seriesOf(tank, fresh, fraction, request.count, betweenChanges(judged, request.everyDays));
	const days = (request.count - 1) * request.everyDays + 1;
	const followed = (Object.keys(fresh) as ParameterId[]).filter((p) => tank[p] !== undefined && p !== 'ph');
	const steps: PlanStep[] = series.map(({ number }) => ({
		id: `${(number - 1) * request.everyDays}-change`,
		day: (number - 1) * request.everyDays,
		what: { kind: 'change', number, litres: request.litres, batch: request.batch }
	}));
	steps.push(...testSteps(followed.length > 0 ? followed : ['salinity'], days).filter((t) => t.day > 0));
	return ok({
		plan: {
			request,
			volumeL: water.volumeL,
			days,
			goals: followed.map((parameter) => ({
				parameter,
				from: water.levels[parameter]!,
				fromU: water.levels[parameter]!.u,
				aim: series.at(-1)!.levels[parameter]!,
				drift: { value: 0, u: 0 },
				limitPerDay: null
			})),
			supplements: [],
			steps: inOrder(steps),
			courses: followed.map((parameter) => ({
				parameter,
				points: [
					{ day: 0, value: tank[parameter]!, u: water.levels[parameter]!.u },
					...series.map(({ number, levels }) => ({
						day: (number - 1) * request.everyDays + 0.5,
						value: levels[parameter]!,
						u: water.levels[parameter]!.u
					}))
				]
			})),
			moves: null,
			remarks: []
		},
		...NO_REFUSALS
	});
}

function husbandryPlan(
	judged: JudgedWater,
	request: Extract<PlanRequest, { kind: 'husbandry' }>
): Result<PlanPreview> {
	const { remedies, tests, testEveryDays, overDays } = HUSBANDRY[request.id];
	const steps: PlanStep[] = remedies.map((remedy) => ({
		id: `0-remedy-${remedy}`,
		day: 0,
		what: { kind: 'remedy', remedy }
	}));
	for (let day = testEveryDays; day <= overDays; day += testEveryDays) {
		steps.push({
			id: `${day}-test-regular`,
			day,
			what: { kind: 'test', parameters: tests, repeats: 1, why: 'regular' }
		});
	}
	const plan: KeptPlan = {
		request,
		volumeL: null,
		days: overDays,
		goals: tests.flatMap((parameter) => {
			const line = judged.estimates.of(parameter);
			if (!isLine(parameter, line)) return [];
			const { value, uRandom, uCommon } = line.at(judged.now);
			const aim = judged.rows.find((r) => r.parameter === parameter)?.band?.aim ?? value;
			const goal: PlanGoal = {
				parameter,
				from: { value, u: Math.hypot(uRandom, uCommon) },
				fromU: uRandom,
				aim,
				drift: line.netChangePerDay,
				limitPerDay: null
			};
			return [goal];
		}),
		supplements: [],
		steps: inOrder(steps),
		courses: [],
		moves: null,
		remarks: []
	};
	return ok({ plan, ...NO_REFUSALS });
}

/** What a plan would be, from where the water stands now. */
export function makePlan(base: PlanBase, request: PlanRequest): Result<PlanPreview> {
	switch (request.kind) {
		case 'doses':
			return dosesPlan(base, request);
		case 'salinity':
			return salinityPlan(base, request);
		case 'changes':
			return changesPlan(base, request);
		case 'husbandry':
			return husbandryPlan(base.judged, request);
	}
}
