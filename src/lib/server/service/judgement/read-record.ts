import type { PlanWithNotes } from '$lib/core/correction';
import { estimateSince, type PlannedTest, type WaterRecord } from '$lib/core/judgement/water';
import { parametersOf, type Method } from '$lib/core/method';
import type { Instant } from '$lib/core/time';
import { notesOfWater, plansOf } from '../../repository/correction.ts';
import { eventsSince } from '../../repository/event.ts';
import { adoptedMethods } from '../../repository/method.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { openSessions, type Sheet } from '../../repository/session.ts';
import { shelfItems, type ShelfItem } from '../../repository/shelf.ts';
import { targetsOf, type Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { soundResultsSince } from '../reading/sound-results.ts';
import { judgementSettings } from './judgement-settings.ts';

/** A water's record with what the server knows besides. */
export interface ReadRecord extends WaterRecord {
	readonly water: Water;
	readonly items: readonly ShelfItem[];
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

/** All that a judgement of a water at a time stands on. */
export async function readRecord(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	now: Instant
): Promise<ReadRecord> {
	const { db } = deps;
	const since = estimateSince(now);
	const [read, events, targets, adopted, items, settings, stored, notes, sessions] = await Promise.all([
		soundResultsSince(deps, scope, water.id, since),
		eventsSince(db, scope, water.id, since),
		targetsOf(db, scope, water.id),
		adoptedMethods(db, scope),
		shelfItems(db, scope),
		judgementSettings(db, scope, water.id),
		plansOf(db, scope, water.id),
		notesOfWater(db, scope, water.id),
		openSessions(db, scope, now)
	]);
	return {
		...{ water, since, events, targets, items, settings },
		...read,
		timeZone: scope.timeZone,
		methods: adopted.map((m) => m.method),
		plans: stored.map((plan): PlanWithNotes => ({
			stored: plan,
			notes: notes.filter((n) => n.planId === plan.id)
		})),
		planned: plannedTests(sessions, water, adopted)
	};
}
