import type { ChangePlan, NoteStep, StartPlan } from '$lib/contract/adjust';
import {
	cautiousResponse,
	eventOfStep,
	planDay,
	seenSteps,
	type StoredPlan,
	type StoredPlanNote
} from '$lib/core/correction';
import { makePlan, seenPlan, type SeenPlan } from '$lib/core/judgement/plan';
import type { JudgedWater } from '$lib/core/judgement/water';
import { impossibleEvent } from '$lib/core/record';
import { fail, ok, type Result } from '$lib/core/result';
import { instant, isFuture } from '$lib/core/time';
import {
	addPlan,
	addPlanNote,
	notesOfPlan,
	planById,
	takeTurnOfPlan
} from '../../../repository/correction.ts';
import { addEvent } from '../../../repository/event.ts';
import { takeTurn } from '../../../repository/revision.ts';
import type { ScopeFor, SiteScope } from '../../../repository/scope.ts';
import { waterAt, type Water } from '../../../repository/water.ts';
import type { Deps, PooledDeps } from '../../deps.ts';
import { judgedWater } from '../../judgement/judged-water.ts';
import { once } from '../../once.ts';
import { readBatches } from '../batches.ts';
import { planBase } from './read-plan.ts';

/** A plan may begin on a day that has begun, or within so many days. */
const AHEAD_DAYS = 30;

/** Begins a plan: it is reckoned here, from where the water stands now, and kept as it is. */
export async function startPlan(
	deps: PooledDeps,
	scope: ScopeFor<'decide'>,
	command: StartPlan
): Promise<Result<{ readonly planId: string }>> {
	return once(deps, scope, 'start-plan', command, async (tx, within) => {
		// Two who begin at once must not both take the room that there is in a day for one.
		await takeTurn(tx, command.waterId);
		within.touch({ waterId: command.waterId });
		const now = within.clock.now();
		if (command.startsAt > now + AHEAD_DAYS * 86_400_000) return fail('in-the-future', 'startsAt');
		const water = await waterAt(tx, scope, command.waterId, now);
		if (!water) return fail('unknown-item', 'waterId');
		const judged = await judgedWater(within, scope, water);
		const made = makePlan(await planBase(within, scope, judged), command.request);
		if (!made.ok) return made;
		const acts = made.value.plan.steps.some((s) => s.what.kind !== 'test');
		if (!acts) return fail('nothing-to-plan', 'request');
		await addPlan(tx, scope, {
			id: command.id,
			waterId: water.id,
			plan: made.value.plan,
			startsAt: instant(command.startsAt),
			offsetMinutes: command.offsetMinutes,
			receivedAt: now
		});
		return ok({ planId: command.id });
	});
}

interface OpenedPlan {
	readonly stored: StoredPlan;
	readonly notes: readonly StoredPlanNote[];
	readonly water: Water;
	readonly judged: JudgedWater;
	readonly seen: SeenPlan;
}

async function opened(deps: Deps, scope: SiteScope, planId: string): Promise<OpenedPlan | null> {
	const stored = await planById(deps.db, scope, planId);
	const water = stored && (await waterAt(deps.db, scope, stored.waterId, deps.clock.now()));
	if (!water) return null;
	const [notes, judged] = await Promise.all([
		notesOfPlan(deps.db, scope, planId),
		judgedWater(deps, scope, water)
	]);
	return { stored, notes, water, judged, seen: seenPlan(stored, notes, judged, false) };
}

/** Keeps that a step was done, with what it did to the water, or that it was left out. */
export async function noteStep(
	deps: PooledDeps,
	scope: ScopeFor<'carry-out'>,
	command: NoteStep
): Promise<Result<{ readonly eventId: string | null }>> {
	return once(deps, scope, 'note-step', command, async (tx, within) => {
		const now = within.clock.now();
		if (isFuture(command.happenedAt, now)) return fail('in-the-future', 'happenedAt');
		// Two who give the same dose at once would log it twice.
		await takeTurnOfPlan(tx, scope, command.planId);
		const stored = await planById(tx, scope, command.planId);
		const water = stored && (await waterAt(tx, scope, stored.waterId, now));
		if (!water) return fail('unknown-item', 'planId');
		within.touch({ waterId: water.id });
		const notes = await notesOfPlan(tx, scope, command.planId);
		const seen = seenSteps(stored, notes, { now, timeZone: scope.timeZone, results: [] });
		const step = seen.steps.find((s) => s.id === command.stepId);
		if (!step) return fail('unknown-item', 'stepId');
		if (seen.state === 'reached' || seen.state === 'stopped') return fail('plan-ended', 'planId');
		if (step.state === 'done' || step.state === 'skipped') return fail('already-finished', 'stepId');
		const batches = step.what.kind === 'change' ? await readBatches(within, scope) : [];
		const event = command.outcome === 'done' ? eventOfStep(step, stored.plan, command.amount, batches) : null;
		const eventId = event ? within.newId() : null;
		if (event?.kind === 'water-change' && water.netVolumeL !== null) {
			const { volumeL } = event.details;
			if (volumeL > water.netVolumeL)
				return fail('too-large', 'amount', { most: water.netVolumeL, unit: 'L' });
		}
		const impossible = event && impossibleEvent(event, water.netVolumeL);
		if (impossible) return { ok: false, fault: { ...impossible, field: 'amount' } };
		const happenedAt = instant(command.happenedAt);
		if (event && eventId) {
			await addEvent(tx, scope, {
				id: eventId,
				waterId: water.id,
				...event,
				note: command.note,
				happenedAt,
				offsetMinutes: command.offsetMinutes,
				precision: 'instant',
				receivedAt: now
			});
		}
		await addPlanNote(tx, scope, {
			id: command.id,
			planId: command.planId,
			kind: command.outcome,
			details:
				command.outcome === 'done'
					? { kind: 'done', stepId: step.id, amount: command.amount, eventId }
					: { kind: 'skipped', stepId: step.id },
			note: command.note,
			happenedAt,
			receivedAt: now
		});
		return ok({ eventId });
	});
}

/** What the rest of a plan reckons with: what the water answered, where it answered otherwise than expected. */
function responseOf(seen: SeenPlan, notes: readonly StoredPlanNote[]): number {
	const before = notes.reduce(
		(last, n) => (n.details.kind === 'adapted' && n.details.response !== 1 ? n.details.response : last),
		1
	);
	const off = seen.goals.flatMap(({ followed }) =>
		followed && (followed.course === 'weaker' || followed.course === 'stronger') ? [followed.response] : []
	);
	if (off.length === 0) return before;
	return before * Math.min(...off.map(cautiousResponse));
}

/** Plans the rest anew from where the water stands, or ends a plan. Missed doses are never caught up at once. */
export async function changePlan(
	deps: PooledDeps,
	scope: ScopeFor<'decide'>,
	command: ChangePlan
): Promise<Result<{ readonly steps: number }>> {
	return once(deps, scope, 'change-plan', command, async (tx, within) => {
		await takeTurnOfPlan(tx, scope, command.planId);
		const now = within.clock.now();
		const plan = await opened(within, scope, command.planId);
		if (!plan) return fail('unknown-item', 'planId');
		const { seen, stored, notes, judged } = plan;
		within.touch({ waterId: stored.waterId });
		if (seen.state === 'reached' || seen.state === 'stopped') return fail('plan-ended', 'planId');
		const note = {
			id: command.id,
			planId: command.planId,
			note: command.note,
			happenedAt: now,
			receivedAt: now
		};
		if (command.what !== 'plan-rest') {
			await addPlanNote(tx, scope, {
				...note,
				kind: 'ended',
				details: { kind: 'ended', why: command.what }
			});
			return ok({ steps: 0 });
		}
		const today = planDay(stored.startsAt, now, judged.timeZone);
		// A dose of today is given already where one was noted today: the rest begins tomorrow.
		const given = seen.steps.some((s) => s.day === today && s.state === 'done' && s.what.kind !== 'test');
		const response = responseOf(seen, notes);
		const base = await planBase(within, scope, judged, {
			response,
			replaces: command.planId,
			fromTomorrow: given
		});
		const made = makePlan(base, stored.plan.request);
		if (!made.ok) return made;
		const { steps, courses, goals, days } = made.value.plan;
		if (!steps.some((s) => s.what.kind !== 'test')) return fail('nothing-to-plan', 'request');
		const fromDay = given ? today + 1 : today;
		await addPlanNote(tx, scope, {
			...note,
			kind: 'adapted',
			details: {
				kind: 'adapted',
				fromDay,
				days: fromDay + days,
				steps: steps
					.filter((s) => s.what.kind !== 'test' || s.what.why !== 'before')
					.map((s) => ({ ...s, id: `${notes.length}:${s.id}`, day: s.day + fromDay })),
				courses: courses.map((c) => ({
					...c,
					points: c.points.map((p) => ({ ...p, day: p.day + fromDay }))
				})),
				goals,
				response
			}
		});
		return ok({ steps: steps.length });
	});
}
