import type { MixSeen, NamedSupplement, PlanPreview, PlanRequest } from '$lib/contract/adjust';
import { CONVENTIONS } from '$lib/core/caution';
import {
	answerOfDoses,
	bestMix,
	dosedPerDay,
	driftOf,
	givenToday,
	limitFor,
	offeredFor,
	planDoses,
	RAISED,
	runningDoses,
	singleDoses,
	strengthOf,
	unitOf,
	type Goal,
	type Known,
	type PlanGoal,
	type PlanStep,
	type RaisedParameter,
	type Supplement,
	type WaterNow
} from '$lib/core/correction';
import { readingUOf, waterNow, type JudgedWater } from '$lib/core/judgement/water';
import { PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { pointOf } from '$lib/core/reading';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays, daysBetween, type Instant } from '$lib/core/time';
import { isLine } from '$lib/core/trend';
import { inOrder, round, type PlanBase } from './plan-base.ts';

/** A drift that nobody has seen yet may be so much of what a day may change (convention). */
const UNSEEN_DRIFT = CONVENTIONS.unseenDrift.value;

/** The daily dose of a parameter that runs now, with its strength. */
function runningDose(judged: JudgedWater, parameter: RaisedParameter) {
	for (const regime of runningDoses(judged).reverse()) {
		const rise = regime.strength.find((s) => s.parameter === parameter)?.risePerMlIn100L;
		if (rise === undefined) continue;
		const { supplement: name, amountMlPerDay: perDay, unit = 'ml', strength } = regime;
		return { name, perDay, rise, unit, strength };
	}
	return null;
}

/** Doses and readings of so many days tell what the water answers. */
const ANSWER_DAYS = 120;

/** What the water answered to earlier doses of each parameter. */
function answersOf(judged: JudgedWater): Readonly<Partial<Record<RaisedParameter, Known>>> {
	const since = addDays(judged.now, -ANSWER_DAYS);
	const dayOf = (at: Instant) => daysBetween(since, at);
	return Object.fromEntries(
		RAISED.flatMap((parameter) => {
			const doses = singleDoses(judged, parameter).filter((d) => d.at >= since);
			if (doses.length === 0) return [];
			const readings = judged.results.flatMap(({ at, result }) => {
				const point = at >= since && result.parameter === parameter ? pointOf(result) : null;
				return point ? [{ day: dayOf(at), value: point.value, u: point.uRandom }] : [];
			});
			const answer = answerOfDoses(
				doses.map((d) => ({ day: dayOf(d.at), rise: d.rise })),
				readings
			);
			return answer ? [[parameter, answer]] : [];
		})
	);
}

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

/** Doses day by day, the daily dose set anew, tests between. */
export function dosesPlan(
	base: PlanBase,
	request: Extract<PlanRequest, { kind: 'doses' }>
): Result<PlanPreview> {
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
		if (!offeredFor(named.what).includes(wanted.parameter)) return fail('worth-nothing', 'supplementId');
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
		surprising: surprisingOf(judged),
		dosed: dosedPerDay(judged),
		besides: base.besides,
		givenToday: base.fromTomorrow ? {} : givenToday(judged),
		// The rest of a plan is followed by its own answer.
		answers: base.response === 1 ? answersOf(judged) : {},
		looked: request.looked ?? false
	});
	const steps: PlanStep[] = [];
	for (const test of plan.tests) {
		const { why, day, parameters, repeats } = test;
		steps.push({ id: `${day}-test-${why}`, day, what: { kind: 'test', parameters, repeats, why } });
	}
	for (const retune of plan.retunes) {
		const running = runningDose(judged, retune.parameter);
		const volume = water.volumeL.value;
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
			supplements: [...used.values()].map(({ id, name, what, notWith }) => ({ id, name, what, notWith })),
			steps: inOrder(steps),
			courses: plan.courses,
			moves: plan.moves,
			remarks: plan.remarks
		},
		refusals: plan.refusals,
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
	const wanted = goals.map((g) => g.parameter);
	const atHand = supplements.flatMap(({ id, what }) =>
		what.kind === 'table' || what.kind === 'limewater' || !offeredFor(what).some((p) => wanted.includes(p))
			? []
			: [{ id, supplement: what }]
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
