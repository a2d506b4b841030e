import {
	effectOf,
	follow,
	OVER_DAYS,
	planDay,
	RAISED,
	riseIn,
	seenSteps,
	sharedReason,
	strangeMoves,
	type FollowReading,
	type GivenDose,
	type PlanGoal,
	type PlanNoteDetails,
	type PlanRequest,
	type PlanStep,
	type RaisedParameter,
	type StoredPlan,
	type StoredPlanNote
} from '../../correction/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { pointOf } from '../../reading/index.ts';
import { addDays, daysBetween, type Instant } from '../../time/index.ts';
import { isLine } from '../../trend/index.ts';
import { standardUncertaintyOf } from '../../uncertainty/index.ts';
import type { JudgedWater } from '../water/index.ts';
import type { PlanLine, SeenGoal, SeenPlan } from './plan-types.ts';

/** The curve begins so many days before the plan. */
const BEFORE_DAYS = 4;
const CURVE_STEP_DAYS = 0.5;
/** A course is followed by what a day may change; where nothing limits it, by this part of the way. */
const PART_OF_WAY = 3;

type Adapted = Extract<PlanNoteDetails, { kind: 'adapted' }>;
type Done = Extract<PlanNoteDetails, { kind: 'done' }>;

interface DoneStep {
	readonly step: PlanStep;
	readonly details: Done;
	readonly at: Instant;
}

/** What a step that was done raised of a parameter, as it was believed to. */
function riseOf(
	{ step, details }: DoneStep,
	parameter: ParameterId,
	plan: StoredPlan['plan'],
	volumeL: number
): number {
	const { what } = step;
	if (what.kind === 'salinity') return parameter === 'salinity' ? what.to - what.from : 0;
	if (what.kind !== 'dose' || !(RAISED as readonly string[]).includes(parameter)) return 0;
	const supplement = plan.supplements.find((s) => s.id === what.supplementId);
	if (!supplement) return 0;
	return riseIn(
		effectOf(supplement.what, details.amount ?? what.amount, volumeL),
		parameter as RaisedParameter
	);
}

interface Since {
	readonly at: Instant;
	/** What is read later tells nothing of the plan any more. */
	readonly until: Instant;
	readonly goals: readonly PlanGoal[];
	readonly response: number;
}

/** What is followed: a plan, what was done of it, and the water it was done to. */
interface Course {
	readonly since: Since;
	readonly stored: StoredPlan;
	readonly done: readonly DoneStep[];
	readonly judged: JudgedWater;
}

/** What was added of a parameter since the plan, or its rest, began. */
function givenOf({ since, stored, done }: Course, parameter: ParameterId, until: Instant): GivenDose[] {
	const volumeL = (stored.plan.volumeL?.value ?? 1) / since.response;
	const given: GivenDose[] = done
		.filter((d) => d.at >= since.at)
		.map((d) => ({ day: daysBetween(since.at, d.at), rise: riseOf(d, parameter, stored.plan, volumeL) }))
		.filter((d) => d.rise !== 0);
	// A daily dose that was set anew brings its difference every day.
	for (const { step, at, details } of done) {
		const { what } = step;
		if (what.kind !== 'daily-dose' || at < since.at) continue;
		const rise = what.strength.find((s) => s.parameter === parameter)?.risePerMlIn100L ?? 0;
		const perDay = (((details.amount ?? what.toPerDay) - what.fromPerDay) * rise * 100) / volumeL;
		if (perDay === 0) continue;
		for (let day = daysBetween(since.at, at) + 0.5; day < daysBetween(since.at, until); day++)
			given.push({ day, rise: perDay });
	}
	return given;
}

/** The estimate of a parameter over the days of a plan. */
function curveOf({ estimates }: JudgedWater, parameter: ParameterId, from: Instant, until: Instant) {
	const line = estimates.of(parameter);
	const points: { at: Instant; value: number; u: number }[] = [];
	if (!isLine(parameter, line)) return points;
	for (let at = from; at <= until; at = addDays(at, CURVE_STEP_DAYS)) {
		const { value, uRandom, uCommon } = line.at(at);
		points.push({ at, value, u: standardUncertaintyOf({ uRandom, uCommon }) });
	}
	return points;
}

function seenGoal(goal: PlanGoal, course: Course, withCurve: boolean): SeenGoal {
	const { since, stored, judged } = course;
	const { parameter } = goal;
	const until = judged.now < since.until ? judged.now : since.until;
	const from = addDays(stored.startsAt, -BEFORE_DAYS);
	const read = judged.results.flatMap(({ at, result }) => {
		const point = result.parameter === parameter && at <= until ? pointOf(result) : null;
		return point ? [{ at, point }] : [];
	});
	const readings: FollowReading[] = read
		.filter(({ at }) => at >= since.at)
		.map(({ at, point }) => ({ day: daysBetween(since.at, at), value: point.value, u: point.uRandom }));
	const { kind } = stored.plan.request;
	const origin = {
		start: { value: goal.from.value, u: goal.fromU },
		drift: goal.drift,
		limitPerDay: goal.limitPerDay ?? Math.abs(goal.aim - goal.from.value) / PART_OF_WAY
	};
	return {
		...goal,
		followed:
			kind === 'doses' || kind === 'salinity'
				? follow(origin, givenOf(course, parameter, until), readings)
				: null,
		readings: read
			.filter(({ at }) => at >= from)
			.map(({ at, point }) => ({ at, value: point.value, u: standardUncertaintyOf(point) })),
		estimate: withCurve ? curveOf(judged, parameter, from, until) : []
	};
}

/** Whether what a plan raises moves as no tank moves it, and nobody has looked since. */
function isHeld(request: PlanRequest, goals: readonly SeenGoal[], judged: JudgedWater): boolean {
	if (request.kind === 'doses' && request.looked) return false;
	return strangeMoves(judged).some((move) => goals.some((g) => g.parameter === move.parameter));
}

/**
 * A plan as it stands: what was done of it, what was missed, whether it runs as it should.
 *
 * @param withCurve with the estimate over its days, which a list of plans does not show
 */
export function seenPlan(
	stored: StoredPlan,
	notes: readonly StoredPlanNote[],
	judged: JudgedWater,
	withCurve: boolean
): SeenPlan {
	const { results } = judged;
	const { plan, startsAt } = stored;
	const { steps, state, endedAt, lastDay } = seenSteps(stored, notes, judged);
	const noteOf = new Map(
		notes.flatMap((n) => (n.details.kind === 'done' ? [[n.details.stepId, n] as const] : []))
	);
	const done: DoneStep[] = steps.flatMap((step) => {
		const note = noteOf.get(step.id);
		return note?.details.kind === 'done' ? [{ step, details: note.details, at: note.happenedAt }] : [];
	});
	const adaptations = notes.flatMap((n) =>
		n.details.kind === 'adapted' ? [{ at: n.happenedAt, details: n.details }] : []
	);
	// Where the rest was planned by another answer of the water, it is followed from there.
	const turned = adaptations.findLast((a) => a.details.response !== 1);
	const until = endedAt ?? addDays(startsAt, lastDay + OVER_DAYS + 1);
	const since: Since = turned
		? { at: turned.at, until, goals: turned.details.goals, response: turned.details.response }
		: { at: startsAt, until, goals: plan.goals, response: 1 };
	const course = { since, stored, done, judged };
	const goals = since.goals.map((goal) => seenGoal(goal, course, withCurve));
	const off = goals.flatMap(({ followed }) =>
		followed && (followed.course === 'weaker' || followed.course === 'stronger') ? [followed.response] : []
	);
	const answers = goals.flatMap(({ followed }) =>
		followed && followed.course !== 'too-early' ? [followed.response] : []
	);
	const latest: Adapted | undefined = adaptations.at(-1)?.details;
	return {
		id: stored.id,
		startsAt,
		plan,
		steps,
		courses: latest ? latest.courses : plan.courses,
		goals,
		state,
		endedAt,
		reason: off.length > 0 && plan.volumeL ? sharedReason(answers, plan.volumeL.value) : null,
		held: state === 'running' && isHeld(plan.request, goals, judged),
		adapted: adaptations.length,
		kits: Object.fromEntries(results.map((r) => [r.result.parameter, r.methodCode]))
	};
}

/** The same in a line. */
export function planLine(seen: SeenPlan, judged: JudgedWater): PlanLine {
	const { now, timeZone } = judged;
	const day = planDay(seen.startsAt, now, timeZone);
	const days = Math.max(0, ...seen.steps.map((s) => s.day)) + 1;
	const off = seen.goals.find(
		(g) => g.followed && g.followed.course !== 'on-course' && g.followed.course !== 'too-early'
	);
	return {
		id: seen.id,
		title: seen.goals.map((g) => g.parameter),
		request: seen.plan.request,
		startsAt: seen.startsAt,
		day: Math.min(day + 1, days),
		days,
		state: seen.state,
		offCourse: off?.followed ? { parameter: off.parameter, followed: off.followed } : null,
		today:
			seen.state === 'running'
				? seen.steps.filter(
						(s) =>
							(s.day === day && s.state !== 'skipped') || (s.state === 'open' && s.day < day && s.day >= 0)
					)
				: [],
		held: seen.held,
		missed: seen.steps.filter((s) => s.state === 'missed').length
	};
}
