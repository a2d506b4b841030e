import { CONVENTIONS } from '../../caution/index.ts';
import {
	answerOfDoses,
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
	type Goal,
	type Known,
	type PlanGoal,
	type PlannedDose,
	type PlanRequest,
	type PlanStep,
	type RaisedParameter,
	type Retune,
	type Supplement,
	type WaterNow
} from '../../correction/index.ts';
import { PARAMETERS, type ParameterId } from '../../quantity/index.ts';
import { pointOf } from '../../reading/index.ts';
import { fail, ok, type Result } from '../../result/index.ts';
import { addDays, daysBetween, type Instant } from '../../time/index.ts';
import { isLine } from '../../trend/index.ts';
import { readingUOf, waterNow, type JudgedWater } from '../water/index.ts';
import { mixFor } from './mix.ts';
import { inOrder, round, type PlanBase } from './plan-base.ts';
import type { NamedSupplement, PlanPreview } from './plan-types.ts';

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

/** What is wanted, with what, and from where: the same as the plan keeps it. */
interface Asked {
	readonly goals: readonly Goal[];
	readonly kept: readonly PlanGoal[];
	readonly used: ReadonlyMap<string, NamedSupplement & { readonly what: Supplement }>;
}

function askedOf(
	base: PlanBase,
	water: WaterNow,
	wishes: Extract<PlanRequest, { kind: 'doses' }>['goals']
): Result<Asked> {
	const goals: Goal[] = [];
	const kept: PlanGoal[] = [];
	const used = new Map<string, NamedSupplement & { what: Supplement }>();
	for (const wanted of wishes) {
		const named = base.supplements.find((s) => s.id === wanted.supplementId);
		if (!named || named.what.kind === 'table') return fail('unknown-item', 'supplementId');
		if (!offeredFor(named.what).includes(wanted.parameter)) return fail('worth-nothing', 'supplementId');
		const made = goalFor(base, water, wanted, named);
		if (!made) return fail('never-read', wanted.parameter);
		goals.push(made.goal);
		kept.push(made.kept);
		used.set(named.id, { ...named, what: named.what });
	}
	return ok({ goals, kept, used });
}

/** A daily dose as it is set anew: that which runs, or with the plan's supplement where none does. */
function dailyStep(retune: Retune, judged: JudgedWater, volumeL: number, used: Asked['used']): PlanStep[] {
	const running = runningDose(judged, retune.parameter);
	const named = used.get(retune.supplementId)!;
	const step = running
		? {
				name: running.name,
				unit: running.unit,
				strength: running.strength,
				fromPerDay: running.perDay,
				toPerDay: round(Math.max(0, running.perDay + (retune.risePerDay * volumeL) / 100 / running.rise))
			}
		: {
				name: named.name,
				unit: retune.unit,
				strength: strengthOf(named.what),
				fromPerDay: 0,
				toPerDay: round(Math.max(0, retune.amountPerDay))
			};
	if (step.fromPerDay === step.toPerDay) return [];
	return [
		{
			id: `0-daily-${retune.parameter}`,
			day: 0,
			what: { kind: 'daily-dose', parameter: retune.parameter, ...step }
		}
	];
}

function doseStep(dose: PlannedDose, used: Asked['used']): PlanStep {
	const { day, parameter, supplementId, amount, unit, portions, rise } = dose;
	const { name } = used.get(supplementId)!;
	return {
		id: `${day}-dose-${parameter}`,
		day,
		what: { kind: 'dose', parameter, supplementId, name, amount: round(amount), unit, portions, rise }
	};
}

/** A product that is weaker than its label, or a larger volume: either way a dose does less. */
function answering(believed: WaterNow, response: number): WaterNow {
	const { value, u } = believed.volumeL;
	return { ...believed, volumeL: { ...believed.volumeL, value: value / response, u: u / response } };
}

/** Doses day by day, the daily dose set anew, tests between. */
export function dosesPlan(
	base: PlanBase,
	request: Extract<PlanRequest, { kind: 'doses' }>
): Result<PlanPreview> {
	const { judged, limits } = base;
	const believed = waterNow(judged, request.volumeKnown);
	if (!believed) return fail('volume-unknown', 'volumeL');
	const water = answering(believed, base.response);
	const asked = askedOf(base, water, request.goals);
	if (!asked.ok) return asked;
	const { goals, kept, used } = asked.value;
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
	const tests = plan.tests.map(({ why, day, parameters, repeats }): PlanStep => ({
		id: `${day}-test-${why}`,
		day,
		what: { kind: 'test', parameters, repeats, why }
	}));
	const daily = plan.retunes.flatMap((r) => dailyStep(r, judged, water.volumeL.value, used));
	const doses = plan.doses.map((dose) => doseStep(dose, used));
	const { days, courses, moves, remarks, refusals } = plan;
	return ok({
		plan: {
			request,
			volumeL: water.volumeL,
			days,
			goals: kept,
			supplements: [...used.values()].map(({ id, name, what, notWith }) => ({ id, name, what, notWith })),
			steps: inOrder([...tests, ...daily, ...doses]),
			courses,
			moves,
			remarks
		},
		refusals,
		mix: goals.length > 1 ? mixFor(base, water, goals) : null
	});
}
