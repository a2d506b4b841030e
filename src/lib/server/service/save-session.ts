import type { OpenSession, SaveSession } from '$lib/contract/session';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays, instant } from '$lib/core/time';
import type { SiteScope } from '../repository/scope.ts';
import { addSheet, openSession, openSessions, revisionOf } from '../repository/session.ts';
import { watersOf } from '../repository/water.ts';
import type { Deps, PooledDeps } from './deps.ts';
import { once } from './once.ts';

/** A session that was not heard of for so long is over. */
const FORGOTTEN_DAYS = 8;

/** Keeps a session as it stands, so that it can be gone on with on another device or on another day. */
export async function saveSession(
	deps: PooledDeps,
	scope: SiteScope,
	command: SaveSession
): Promise<Result<{ readonly revision: number }>> {
	return once(deps, scope, 'save-session', command, async (tx, within) => {
		const now = within.clock.now();
		const waters = new Set((await watersOf(tx, scope)).map((w) => w.id));
		if (!command.tests.every((t) => waters.has(t.waterId))) return fail('unknown-item', 'tests');
		await openSession(tx, scope, command.sessionId, instant(command.startedAt), now);
		if ((await revisionOf(tx, scope, command.sessionId)) >= command.revision) {
			return fail('session-elsewhere', 'revision');
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

/** Sessions of this site that were planned or left unfinished. */
export async function readSessions(deps: Deps, scope: SiteScope): Promise<readonly OpenSession[]> {
	const since = addDays(deps.clock.now(), -FORGOTTEN_DAYS);
	const [sheets, waters] = await Promise.all([openSessions(deps.db, scope, since), watersOf(deps.db, scope)]);
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
