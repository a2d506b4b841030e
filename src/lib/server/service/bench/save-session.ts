import type { OpenSession, SaveSession } from '$lib/contract/session';
import { fail, ok, type Result } from '$lib/core/result';
import { inOrderByNow, instant, type NamedTime } from '$lib/core/time';
import type { Reader } from '../../repository/database.ts';
import { adoptedMethod } from '../../repository/method.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { addSheet, newestSheet, openSession, openSessions } from '../../repository/session.ts';
import { shelfItemsByIds } from '../../repository/shelf.ts';
import { watersOf } from '../../repository/water.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Keeps a session as it stands, so that it can be gone on with on another device or on another day. */
export async function saveSession(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: SaveSession
): Promise<Result<{ readonly revision: number }>> {
	return once(deps, scope, 'save-session', command, async (tx, within) => {
		const now = within.clock.now();
		const waters = new Set((await watersOf(tx, scope)).map((w) => w.id));
		if (!command.tests.every((t) => waters.has(t.waterId))) return fail('unknown-item', 'tests');
		const unknown = await unknownIn(tx, scope, command);
		if (unknown) return fail('unknown-item', unknown);
		const times = timesOf(command);
		const latest = inOrderByNow(
			[...times].sort((a, b) => a.at - b.at),
			now
		);
		if (!latest.ok) return latest;
		await openSession(tx, scope, command.sessionId, instant(command.startedAt), now);
		const before = await newestSheet(tx, scope, command.sessionId);
		if (before && before.revision >= command.revision) return fail('session-elsewhere', 'revision');
		// What is planned is due; what goes on changes nothing of what is believed or asked for.
		within.touch('nothing');
		for (const sheet of [before, command]) {
			if (sheet?.state !== 'planned') continue;
			for (const waterId of new Set(sheet.tests.map((t) => t.waterId))) within.touch({ waterId });
		}
		await addSheet(tx, scope, {
			id: command.id,
			sessionId: command.sessionId,
			revision: command.revision,
			state: command.state,
			dueAt: command.dueAt === null ? null : instant(command.dueAt),
			startedAt: instant(command.startedAt),
			tests: command.tests,
			receivedAt: now
		});
		return ok({ revision: command.revision });
	});
}

/** Every time at which something is said to have happened. */
function timesOf({ startedAt, tests }: SaveSession): NamedTime[] {
	const at = (field: string, time: number): NamedTime => ({ field, at: time, name: 'that' });
	return [
		at('startedAt', startedAt),
		...tests.flatMap((t, i) => [
			at(`tests.${i}.drawnAt`, t.drawnAt),
			at(`tests.${i}.startedAt`, t.startedAt),
			...t.log.map((entry, n) => at(`tests.${i}.log.${n}.at`, entry.at))
		])
	];
}

/** The first thing that a session names and this site does not have; null where all is there. */
async function unknownIn(tx: Reader, scope: SiteScope, { tests }: SaveSession): Promise<string | null> {
	const there = new Map<string, boolean>();
	for (const [i, { methodCode, methodVersion }] of tests.entries()) {
		const key = `${methodCode}@${methodVersion}`;
		if (!there.has(key)) there.set(key, (await adoptedMethod(tx, scope, methodCode, methodVersion)) !== null);
		if (!there.get(key)) return `tests.${i}.methodCode`;
	}
	const ids = [...new Set(tests.flatMap((t) => [t.kitId, t.standardId].filter((id) => id !== null)))];
	const items = new Map((await shelfItemsByIds(tx, scope, ids)).map((item) => [item.id, item]));
	for (const [i, { kitId, standardId }] of tests.entries()) {
		if (kitId !== null && items.get(kitId)?.kind !== 'kit') return `tests.${i}.kitId`;
		if (standardId !== null && items.get(standardId)?.kind !== 'standard') return `tests.${i}.standardId`;
	}
	return null;
}

/** Sessions of this site that were planned or left unfinished. */
export async function readSessions(deps: Deps, scope: SiteScope): Promise<readonly OpenSession[]> {
	const [sheets, waters] = await Promise.all([
		openSessions(deps.db, scope, deps.clock.now()),
		watersOf(deps.db, scope)
	]);
	const names = new Map(waters.map((w) => [w.id, w.name]));
	return sheets.map(({ id: _, receivedAt, ...sheet }) => ({
		...sheet,
		tests: [...sheet.tests],
		savedAt: receivedAt,
		waters: [...new Set(sheet.tests.map((t) => t.waterId))].flatMap((id) => {
			const name = names.get(id);
			return name === undefined ? [] : [{ id, name }];
		})
	}));
}
