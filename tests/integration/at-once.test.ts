import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sql } from 'drizzle-orm';
import { PROFILES } from '../../src/lib/core/judgement/index.ts';
import type { ParameterId } from '../../src/lib/core/quantity/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { connect } from '../../src/lib/server/db/connect.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { NOON, openWorld, testRun, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

/** More than the pool has connections. */
const MANY = 24;

let database: OwnDatabase;
let world: World;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
});
afterAll(async () => {
	await world.close();
	await database.drop();
});
/** How often the records had to break up two who waited for each other. */
async function deadlocks(): Promise<number> {
	const [rows] = await world.deps.db.execute(sql`show global status like 'Innodb_deadlocks'`);
	return Number((rows as unknown as { Value: string }[])[0]!.Value);
}
const id = () => world.deps.newId();

/** A tank that runs low, with bands, so that a correction can be planned. */
async function lowTank(name: string) {
	const site = await world.site(name);
	for (const [parameter, band] of Object.entries(PROFILES['mixed-reef'].bands)) {
		await world.services.water.setTarget(site.scope, {
			id: id(),
			waterId: site.waterId,
			parameter: parameter as ParameterId,
			...band,
			source: 'A convention',
			fromAt: addDays(NOON, -399)
		});
	}
	for (const [days, left] of [
		[-9, 0.55],
		[-6, 0.56],
		[-1, 0.56]
	] as const) {
		const run = testRun(world, site.waterId, { finishedAt: addDays(NOON, days) });
		run.reading.fills = [{ startMl: 1, end: { lowerMl: left, upperMl: left } }];
		expect(await world.services.reading.saveTestRun(site.scope, run)).toMatchObject({ ok: true });
	}
	return site;
}
const startsAt = (waterId: string) => ({
	id: id(),
	waterId,
	startsAt: NOON,
	offsetMinutes: 0,
	request: {
		kind: 'doses' as const,
		volumeKnown: true,
		goals: [{ parameter: 'alkalinity' as const, aim: 7, supplementId: 'salt:NaHCO3' }]
	}
});

describe('more commands at once than there are connections', () => {
	it('begin plans, note their steps and plan the rest anew, all of them', { timeout: 60_000 }, async () => {
		const { scope, waterId, water } = await lowTank('crowd');
		const beyond = startsAt(waterId);
		beyond.request.goals[0]!.aim = 80;
		expect(await world.services.correction.startPlan(scope, beyond)).toMatchObject({
			ok: false,
			fault: { code: 'beyond-scale', field: 'aim.alkalinity' }
		});
		// Doses of one plan leave less room for another's: one that has none is refused, and says so.
		const first = await world.services.correction.startPlan(scope, startsAt(waterId));
		const doses = first.ok ? first.value.planId : '';
		const dose = (await world.ask('plan', water.id, doses))!.steps.find((s) => s.what.kind === 'dose')!;
		const more = await Promise.all(
			Array.from({ length: 4 }, () => world.services.correction.startPlan(scope, startsAt(waterId)))
		);
		expect(more.filter((m) => !m.ok && m.fault.code !== 'nothing-to-plan')).toEqual([]);
		const begun = await Promise.all(
			Array.from({ length: MANY }, () =>
				world.services.correction.startPlan(scope, {
					...startsAt(waterId),
					request: { kind: 'husbandry', id: 'nitrate-high' }
				})
			)
		);
		const planIds = begun.map((b) => (b.ok ? b.value.planId : ''));
		expect(planIds).not.toContain('');
		const plan = (await world.ask('plan', water.id, planIds[0]!))!;
		const step = plan.steps.find((s) => s.what.kind === 'remedy')!;
		// As much as a tenth of the water is no dose, whoever notes it.
		const much = {
			id: id(),
			planId: doses,
			stepId: dose.id,
			outcome: 'done',
			amount: 900_000
		} as const;
		expect(
			await world.services.correction.noteStep(scope, {
				...much,
				happenedAt: NOON,
				offsetMinutes: 0,
				note: ''
			})
		).toMatchObject({ ok: false, fault: { code: 'beyond-scale', field: 'amount' } });
		const noted = await Promise.all(
			planIds.map((planId) =>
				world.services.correction.noteStep(scope, {
					id: id(),
					planId,
					stepId: step.id,
					outcome: 'done',
					amount: null,
					happenedAt: NOON,
					offsetMinutes: 0,
					note: ''
				})
			)
		);
		expect(noted.every((n) => n.ok)).toBe(true);
		const changed = await Promise.all(
			planIds.map((planId) =>
				world.services.correction.changePlan(scope, { id: id(), planId, what: 'stopped', note: '' })
			)
		);
		expect(changed.every((c) => c.ok)).toBe(true);
	});
});

describe('doses that two people plan at once', () => {
	/** What the plans of a tank add, day by day and product by product, all together. */
	async function added(waterId: string, planIds: readonly string[]): Promise<Record<string, number>> {
		const sums: Record<string, number> = {};
		for (const planId of planIds) {
			for (const { day, what } of (await world.ask('plan', waterId, planId))!.steps) {
				if (what.kind !== 'dose') continue;
				const key = `${day} ${what.supplementId}`;
				sums[key] = Math.round(1000 * ((sums[key] ?? 0) + what.amount)) / 1000;
			}
		}
		return sums;
	}
	const idsOf = (begun: readonly Awaited<ReturnType<World['services']['correction']['startPlan']>>[]) =>
		begun.flatMap((b) => (b.ok ? [b.value.planId] : []));

	it('are no more in a day than when one comes after the other', { timeout: 60_000 }, async () => {
		const [together, inTurn] = [await lowTank('two hands'), await lowTank('one after the other')];
		const atOnce = await Promise.all(
			[1, 2, 3].map(() => world.services.correction.startPlan(together.scope, startsAt(together.waterId)))
		);
		const turns = [];
		for (let i = 0; i < 3; i++)
			turns.push(await world.services.correction.startPlan(inTurn.scope, startsAt(inTurn.waterId)));
		const expected = await added(inTurn.water.id, idsOf(turns));
		expect(Object.keys(expected).length).toBeGreaterThan(0);
		expect(await added(together.water.id, idsOf(atOnce))).toEqual(expected);
	});
});

describe('a dose that two people note at once', () => {
	it('is given once, and the other is told', async () => {
		const { scope, waterId, water } = await lowTank('one dose');
		const begun = await world.services.correction.startPlan(scope, startsAt(waterId));
		const planId = begun.ok ? begun.value.planId : '';
		const dose = (await world.ask('plan', water.id, planId))!.steps.find((s) => s.what.kind === 'dose')!;
		const note = () =>
			world.services.correction.noteStep(scope, {
				id: id(),
				planId,
				stepId: dose.id,
				outcome: 'done',
				amount: null,
				happenedAt: NOON,
				offsetMinutes: 0,
				note: ''
			});
		const noted = await Promise.all([note(), note(), note()]);
		expect(noted.filter((n) => n.ok)).toHaveLength(1);
		expect(noted.flatMap((n) => (n.ok ? [] : [n.fault.code]))).toEqual([
			'already-finished',
			'already-finished'
		]);
		const log = await world.services.log.readLog(scope, { waterId, what: 'events', before: null });
		expect(log.entries.filter((e) => e.type === 'event' && e.kind === 'dose')).toHaveLength(1);
	});
});

describe('what an outbox sends when the server is back', () => {
	it('is kept, every reading, however many devices send at once', { timeout: 60_000 }, async () => {
		const { scope, waterId } = await world.site('outboxes');
		const before = await deadlocks();
		const ROUNDS = 12;
		for (let round = 0; round < ROUNDS; round++) {
			const kept = await Promise.all(
				Array.from({ length: MANY }, (_, i) =>
					world.services.reading.saveTestRun(
						scope,
						testRun(world, waterId, { finishedAt: addDays(NOON, -300 + round * 20 + i * 0.5) })
					)
				)
			);
			expect(kept.map((k) => k.ok)).not.toContain(false);
		}
		expect(await world.csvLines(scope, { waterId, what: null })).toHaveLength(1 + ROUNDS * MANY);
		// Each would be tried again, and one that loses too often is lost. Other tests beside this one may have a few.
		expect((await deadlocks()) - before).toBeLessThan(12);
	});
});

describe('a pool of which all connections are taken', () => {
	it('tells who waits too long, and gives to the next what comes too late', async () => {
		const small = connect(database.url, 1, 100);
		const answers = () =>
			small.db.execute(sql`select 1`).then(
				() => true,
				() => false
			);
		// Connecting may take longer on a busy machine than anybody waits here; a connection that came late stays.
		while (!(await answers()));
		let letGo = () => {};
		const until = new Promise<void>((done) => (letGo = done));
		let isTaken = () => {};
		const taken = new Promise<void>((done) => (isTaken = done));
		const held = small.db.transaction(async (tx) => {
			await tx.execute(sql`select 1`);
			isTaken();
			await until;
		});
		await taken;
		await expect(small.db.execute(sql`select 1`)).rejects.toMatchObject({ cause: { code: 'RECORDS_BUSY' } });
		await expect(small.db.transaction((tx) => tx.execute(sql`select 1`))).rejects.toMatchObject({
			code: 'RECORDS_BUSY'
		});
		letGo();
		await held;
		// The connection that came too late for both is free again.
		await expect(small.db.execute(sql`select 1`)).resolves.toBeDefined();
		await small.close();
	});
});
