import type { DatedResult } from '../../record/index.ts';
import { addDays, civilDate, type Instant } from '../../time/index.ts';
import type { PlanStep, StoredPlan, StoredPlanNote } from './kept.ts';

export type StepState = 'open' | 'done' | 'skipped' | 'missed';

export interface SeenStep extends PlanStep {
	readonly state: StepState;
	readonly at: Instant;
	/** As given, where it was not as planned. */
	readonly given: number | null;
	readonly note: string;
}

/** Whether a plan still goes on, and why not. */
export type PlanState = 'running' | 'over' | 'reached' | 'stopped';

/** A plan that nobody closed is over so many days after its last step. */
export const OVER_DAYS = 2;

/** Calendar days from the plan's first day to a time, in the site's zone. */
export function planDay(startsAt: Instant, at: Instant, timeZone: string): number {
	const day = (t: Instant) => Date.parse(`${civilDate(t, timeZone)}T00:00:00Z`);
	return Math.round((day(at) - day(startsAt)) / 86_400_000);
}

/** The steps in force: those of the plan, and from each time that the rest was planned anew, the new ones. */
function stepsInForce(plan: StoredPlan['plan'], notes: readonly StoredPlanNote[]): PlanStep[] {
	let steps: PlanStep[] = [...plan.steps];
	const told = new Set<string>();
	for (const { details } of notes) {
		if (details.kind === 'done' || details.kind === 'skipped') told.add(details.stepId);
		if (details.kind !== 'adapted') continue;
		const kept = steps.filter((s) => told.has(s.id) || s.day < details.fromDay);
		steps = [...kept, ...details.steps];
	}
	return steps.sort((a, b) => a.day - b.day);
}

/** As planned is what differs by no more than this from it. */
const AS_PLANNED = 0.02;

/** An amount that was given, where it was not as planned. */
function differing({ what }: PlanStep, given: number | null): number | null {
	const planned =
		what.kind === 'dose'
			? what.amount
			: what.kind === 'daily-dose'
				? what.toPerDay
				: what.kind === 'change'
					? what.litres
					: null;
	if (given === null || planned === null) return given;
	return Math.abs(given - planned) <= AS_PLANNED * planned ? null : given;
}

/** The steps of a plan as they stand, and whether it still runs. */
export interface SeenSteps {
	readonly steps: readonly SeenStep[];
	readonly state: PlanState;
	readonly endedAt: Instant | null;
	readonly lastDay: number;
}

/**
 * What was done of a plan and what was missed.
 *
 * @param given results tell which tests were made; without them tests stay open unless they were noted
 */
export function seenSteps(
	{ plan, startsAt }: StoredPlan,
	notes: readonly StoredPlanNote[],
	{
		now,
		timeZone,
		results
	}: {
		readonly now: Instant;
		readonly timeZone: string;
		readonly results: readonly Pick<DatedResult, 'at' | 'result'>[];
	}
): SeenSteps {
	const today = planDay(startsAt, now, timeZone);
	const steps = stepsInForce(plan, notes);
	const noteOf = new Map(
		notes.flatMap((n) =>
			n.details.kind === 'done' || n.details.kind === 'skipped' ? [[n.details.stepId, n] as const] : []
		)
	);
	const end = notes.find((n) => n.kind === 'ended') ?? null;
	const lastDay = Math.max(0, ...steps.map((s) => s.day));
	const state: PlanState =
		end?.details.kind === 'ended' ? end.details.why : today > lastDay + OVER_DAYS ? 'over' : 'running';
	const seen = steps.map((step): SeenStep => {
		const note = noteOf.get(step.id);
		const at = addDays(startsAt, step.day);
		const given = note?.details.kind === 'done' ? differing(step, note.details.amount) : null;
		const base = { ...step, at: note?.happenedAt ?? at, given, note: note?.note ?? '' };
		if (note) return { ...base, state: note.details.kind === 'done' ? 'done' : 'skipped' };
		if (step.what.kind === 'test') {
			// The second reading is one made after the plan; others count from their day on.
			const since = step.day === 0 ? startsAt : addDays(startsAt, step.day - 0.5);
			const read = step.what.parameters.every((p) =>
				results.some((r) => r.result.parameter === p && r.at >= since)
			);
			return { ...base, state: read ? 'done' : 'open' };
		}
		// A dose that was missed is not caught up; a setting or a remedy is still to be made.
		const late = step.day < today && step.what.kind !== 'remedy' && step.what.kind !== 'daily-dose';
		return { ...base, state: late ? 'missed' : 'open' };
	});
	return { steps: seen, state, endedAt: end?.happenedAt ?? null, lastDay };
}
