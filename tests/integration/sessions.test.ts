import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { SaveSession } from '../../src/lib/contract/session.ts';
import type { ShelfHabits } from '../../src/lib/contract/shelf-view.ts';
import { NO3_CARD } from '../../src/lib/core/method/index.ts';
import { addDays, addSeconds } from '../../src/lib/core/time/index.ts';
import { checkSession } from '../../src/lib/server/validation/session.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { NOON, openWorld, testRun, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

const HABITS: ShelfHabits = { trust: 'standards', unused: 'discard' };
let database: OwnDatabase;
let world: World;
let asApplication: mysql.Connection;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	asApplication = await mysql.createConnection(database.url);
});
afterAll(async () => {
	await Promise.all([world.close(), asApplication.end()]);
	await database.drop();
});

function sheet(waterId: string, change: Partial<SaveSession> = {}): SaveSession {
	const id = () => world.deps.newId();
	return {
		id: id(),
		waterId,
		sessionId: id(),
		revision: 1,
		state: 'under-way',
		dueAt: null,
		startedAt: world.now,
		tests: [
			{
				runId: id(),
				sampleId: id(),
				readingId: id(),
				waterId,
				methodCode: NO3_CARD.code,
				methodVersion: NO3_CARD.version,
				portion: 'full',
				dilutionParts: null,
				kitId: null,
				standardId: null,
				drawnAt: world.now,
				startedAt: world.now,
				log: [{ at: world.now, kind: 'step-done' }],
				over: false
			}
		],
		...change
	};
}

describe('a session', () => {
	it('is known on every device by its newest revision, until it is finished', async () => {
		const { scope, waterId } = await world.site('session');
		const first = sheet(waterId);
		expect(checkSession(first)).toMatchObject({ ok: true });
		expect(await world.services.bench.saveSession(scope, first)).toMatchObject({ ok: true });
		const second = { ...first, id: world.deps.newId(), revision: 4 };
		expect(await world.services.bench.saveSession(scope, second)).toMatchObject({ ok: true });
		const open = await world.services.bench.readSessions(scope);
		expect(open).toMatchObject([
			{ sessionId: first.sessionId, revision: 4, waters: [{ id: waterId, name: 'session tank' }] }
		]);
		// A device that was left behind does not undo what another one did.
		const older = { ...first, id: world.deps.newId(), revision: 3 };
		expect(await world.services.bench.saveSession(scope, older)).toMatchObject({
			ok: false,
			fault: { code: 'session-elsewhere' }
		});
		const done = { ...first, id: world.deps.newId(), revision: 5, state: 'finished' as const };
		await world.services.bench.saveSession(scope, done);
		expect(await world.services.bench.readSessions(scope)).toEqual([]);
	});
	it('of another site’s water is refused, and seen by nobody else', async () => {
		const mine = await world.site('mine');
		const theirs = await world.site('theirs');
		const foreign = sheet(theirs.waterId, { waterId: mine.waterId });
		expect(await world.services.bench.saveSession(mine.scope, foreign)).toMatchObject({
			ok: false,
			fault: { code: 'unknown-item' }
		});
		await world.services.bench.saveSession(theirs.scope, sheet(theirs.waterId));
		expect(await world.services.bench.readSessions(mine.scope)).toEqual([]);
	});
	it('is due on its day where it was planned, until it is begun, dropped or read', async () => {
		const { scope, waterId } = await world.site('planned');
		const day = async () => {
			const { today, dueToday } = await world.ask('day', waterId);
			return { due: today.due.map((d) => d.why.kind), dueToday };
		};
		expect(await day()).toEqual({ due: [], dueToday: [] });
		const tomorrow = sheet(waterId, { state: 'planned', dueAt: addDays(NOON, 1) });
		await world.services.bench.saveSession(scope, tomorrow);
		expect(await day()).toEqual({ due: ['session'], dueToday: [] });
		const tonight = { ...tomorrow, id: world.deps.newId(), revision: 2, dueAt: addDays(NOON, 0.3) };
		await world.services.bench.saveSession(scope, tonight);
		expect(await day()).toEqual({ due: ['session'], dueToday: ['nitrate'] });
		expect((await world.bench(waterId, HABITS)).due).toMatchObject([
			{ parameter: 'nitrate', why: { kind: 'session' } }
		]);
		const begun = { ...tonight, id: world.deps.newId(), revision: 3, state: 'under-way' as const };
		await world.services.bench.saveSession(scope, begun);
		expect(await day()).toEqual({ due: [], dueToday: [] });
	});
	it('is forgotten after a week, and kept for ever all the same', async () => {
		const { scope, waterId } = await world.site('forgotten');
		await world.services.bench.saveSession(
			scope,
			sheet(waterId, { state: 'planned', dueAt: addDays(NOON, 1) })
		);
		expect(await world.services.bench.readSessions(scope)).toHaveLength(1);
		world.now = addDays(NOON, 9);
		expect(await world.services.bench.readSessions(scope)).toEqual([]);
		world.now = NOON;
		await expect(asApplication.query("update session_sheet set state = 'dropped'")).rejects.toThrow(/denied/);
		await expect(asApplication.query('delete from session_sheet')).rejects.toThrow(/denied/);
	});
	it('gathers the runs that were made in it', async () => {
		const { scope, waterId } = await world.site('gathered');
		const sessionId = world.deps.newId();
		for (let i = 0; i < 2; i++) {
			const saved = await world.services.reading.saveTestRun(scope, testRun(world, waterId, { sessionId }));
			expect(saved).toMatchObject({ ok: true });
		}
		const [rows] = await asApplication.query<mysql.RowDataPacket[]>(
			'select count(*) as n from test_run where session_id = ?',
			[sessionId]
		);
		expect(rows[0]!.n).toBe(2);
	});
	it('with nonsense in it is refused in words', () => {
		const good = sheet('01a209a2-e488-7836-b0bd-43f783dac3d6');
		for (const nonsense of [
			{ ...good, tests: [] },
			{ ...good, revision: 0 },
			{ ...good, state: 'asleep' },
			{ ...good, tests: [{ ...good.tests[0]!, log: [{ at: NOON, kind: 'mishap', what: 'bored' }] }] },
			{ ...good, extra: true }
		]) {
			expect(checkSession(nonsense)).toMatchObject({ ok: false, fault: { code: 'invalid-field' } });
		}
	});
});

describe('what the bench is told of a water', () => {
	it('says what is due and why, who has done a method before, and what is left of a kit', async () => {
		const { scope, waterId, water } = await world.site('due');
		const fresh = await world.bench(water.id, HABITS);
		expect(fresh.due).toEqual([]);
		await world.services.reading.saveTestRun(
			scope,
			testRun(world, waterId, { finishedAt: addDays(NOON, -8) })
		);
		const bench = await world.bench(water.id, HABITS);
		expect(bench.due).toMatchObject([
			{ parameter: 'alkalinity', why: { kind: 'interval', everyDays: 7, phase: 'learning' } }
		]);
		const practised = bench.offers.filter((o) => o.practised).map((o) => o.method.code);
		expect(practised).toEqual(['alk-syringe']);
	});
});

describe('a step that was not done as written', () => {
	it('makes the stored result less certain, and leaves the value', async () => {
		const { scope, waterId } = await world.site('deviant');
		const at = (s: number) => addSeconds(world.now, s - 900);
		const log = (wait: number) => [
			...[30, 60].map((s) => ({ at: at(s), kind: 'step-done' as const })),
			...Array.from({ length: 8 }, (_, i) => ({ at: at(62 + i), kind: 'drop' as const })),
			{ at: at(72), kind: 'step-done' as const },
			{ at: at(73), kind: 'timer-started' as const },
			{ at: at(89), kind: 'step-done' as const },
			{ at: at(100), kind: 'step-done' as const },
			{ at: at(101), kind: 'timer-started' as const },
			{ at: at(152), kind: 'step-done' as const },
			{ at: at(152 + wait), kind: 'step-done' as const }
		];
		const save = async (wait: number) => {
			const run = {
				...testRun(world, waterId),
				methodCode: NO3_CARD.code,
				methodVersion: NO3_CARD.version,
				reading: {
					form: 'step' as const,
					portion: 'full' as const,
					at: { kind: 'on' as const, index: 2 },
					between: 'interpolate' as const,
					blank: false
				},
				stepLog: log(wait)
			};
			const saved = await world.services.reading.saveTestRun(scope, run);
			if (!saved.ok) throw new Error(saved.fault.code);
			const result = saved.value.results[0]!;
			if (result.kind !== 'interval') throw new Error(result.kind);
			return result;
		};
		const right = await save(365);
		const late = await save(540);
		expect(late.best).toBe(right.best);
		// Half again as long: a quarter of the value to either side.
		expect(late.upper).toBeCloseTo(1.25 * right.upper, 6);
		expect(late.lower).toBeCloseTo(0.75 * right.lower, 6);
		expect(late.uRandom).toBeGreaterThan(right.uRandom);
	});
});
