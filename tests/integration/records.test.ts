import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ShelfHabits } from '../../src/lib/contract/shelf-view.ts';
import { daysOfWindow } from '../../src/lib/contract/trends.ts';
import { STAGES } from '../../src/lib/core/judgement/index.ts';
import { SHIPPED_METHODS } from '../../src/lib/core/method/index.ts';
import { USUAL_PRIORS } from '../../src/lib/core/plausibility/index.ts';
import { addDays, instant } from '../../src/lib/core/time/index.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { openWorld, testRun, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

const HABITS: ShelfHabits = { trust: 'standards', unused: 'discard' };

let database: OwnDatabase;
let world: World;
let raw: mysql.Connection;
let asApplication: mysql.Connection;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	raw = await mysql.createConnection(database.migrationUrl);
	asApplication = await mysql.createConnection(database.url);
});
afterAll(async () => {
	await Promise.all([world.close(), raw.end(), asApplication.end()]);
	await database.drop();
});

async function count(table: string, siteId: string): Promise<number> {
	const [rows] = await raw.query<mysql.RowDataPacket[]>('select count(*) as n from ?? where site_id = ?', [
		table,
		siteId
	]);
	return Number(rows[0]!.n);
}

describe('a test run', () => {
	it('is stored whole, with a result derived on the server', async () => {
		const { scope, waterId, water, siteId } = await world.site('whole');
		const command = testRun(world, waterId, { note: 'a doubt; “quoted”' });
		const saved = await world.services.reading.saveTestRun(scope, command);
		expect(saved).toMatchObject({ ok: true, value: { runId: command.id } });
		const today = (await world.ask('day', water.id)).today;
		expect(today.rows.map((r) => r.parameter)).toEqual(['alkalinity']);
		expect(today.rows[0]!.last.result).toMatchObject({ kind: 'value', value: expect.closeTo(8.1663, 3) });
		// Without a band nothing is missed.
		expect(today.untested).toEqual([]);
		const log = await world.services.log.readLog(scope, { waterId, what: null, before: null });
		expect(log.entries[0]).toMatchObject({ type: 'reading', reading: command.reading, note: command.note });
		expect(await count('sample', siteId)).toBe(1);
	});
	it('sent again is stored once and answered the same, also by two at once', async () => {
		const { scope, waterId, siteId } = await world.site('twice');
		const command = testRun(world, waterId);
		const answers = await Promise.all(
			[1, 2, 3].map(() => world.services.reading.saveTestRun(scope, command))
		);
		const again = await world.services.reading.saveTestRun(scope, command);
		for (const answer of answers) expect(answer).toEqual(again);
		expect(again.ok).toBe(true);
		expect(await count('raw_reading', siteId)).toBe(1);
		expect(await count('result', siteId)).toBe(1);
	});
	it('under an id that has another content is refused', async () => {
		const { scope, waterId } = await world.site('conflict');
		const command = testRun(world, waterId);
		await world.services.reading.saveTestRun(scope, command);
		const other = await world.services.reading.saveTestRun(scope, { ...command, note: 'changed' });
		expect(other).toMatchObject({ ok: false, fault: { code: 'id-taken' } });
		const sameReading = testRun(world, waterId, { readingId: command.readingId });
		expect(await world.services.reading.saveTestRun(scope, sameReading)).toMatchObject({
			ok: false,
			fault: { code: 'id-taken' }
		});
	});
	it('that cannot be is refused, and nothing of it stays', async () => {
		const { scope, waterId, siteId } = await world.site('refused');
		const beyond = testRun(world, waterId);
		beyond.reading.fills = [{ startMl: 1, end: { lowerMl: 4.1, upperMl: 4.1 } }];
		expect(await world.services.reading.saveTestRun(scope, beyond)).toMatchObject({
			ok: false,
			fault: { code: 'beyond-syringe', field: 'reading.fills.0.end.lowerMl' }
		});
		const future = testRun(world, waterId, { finishedAt: addDays(world.now, 1) });
		expect(await world.services.reading.saveTestRun(scope, future)).toMatchObject({
			ok: false,
			fault: { code: 'in-the-future' }
		});
		const noMethod = testRun(world, waterId, { methodCode: 'moon' });
		expect(await world.services.reading.saveTestRun(scope, noMethod)).toMatchObject({
			ok: false,
			fault: { code: 'unknown-item' }
		});
		expect(await count('sample', siteId)).toBe(0);
		expect(await count('command_receipt', siteId)).toBe(0);
	});
});

describe('a correction', () => {
	it('leaves the old reading, struck with its reason, and moves the result', async () => {
		const { scope, waterId, water, siteId } = await world.site('corrected');
		const command = testRun(world, waterId);
		command.reading.readAs = 'used';
		await world.services.reading.saveTestRun(scope, command);
		const correction = {
			id: world.deps.newId(),
			supersedes: command.readingId,
			reading: { ...command.reading, readAs: 'left' as const },
			reason: 'Entered left as used.'
		};
		expect(await world.services.reading.correctReading(scope, correction)).toMatchObject({ ok: true });
		const { entries } = await world.services.log.readLog(scope, {
			waterId,
			what: 'alkalinity',
			before: null
		});
		expect(entries).toHaveLength(2);
		expect(
			entries.find((e) => e.type === 'reading' && e.replacedBecause === correction.reason)
		).toMatchObject({
			reading: command.reading
		});
		const { rows } = (await world.ask('day', water.id)).today;
		expect(rows[0]!.last.result).toMatchObject({ value: expect.closeTo(8.1663, 3) });
		const [current] = await raw.query<mysql.RowDataPacket[]>(
			'select count(*) as n from result where site_id = ? and current = 1',
			[siteId]
		);
		expect(Number(current[0]!.n)).toBe(1);
	});
	it('of a reading corrected already, unchanged, or not there, is refused', async () => {
		const { scope, waterId } = await world.site('refused corrections');
		const command = testRun(world, waterId);
		await world.services.reading.saveTestRun(scope, command);
		const correct = (supersedes: string, lowerMl: number) =>
			world.services.reading.correctReading(scope, {
				id: world.deps.newId(),
				supersedes,
				reading: { ...command.reading, fills: [{ startMl: 1, end: { lowerMl, upperMl: lowerMl } }] },
				reason: 'misread'
			});
		expect(await correct(command.readingId, 0.41)).toMatchObject({ fault: { code: 'unchanged' } });
		expect(await correct(command.readingId, 0.43)).toMatchObject({ ok: true });
		expect(await correct(command.readingId, 0.44)).toMatchObject({ fault: { code: 'already-corrected' } });
		expect(await correct(world.deps.newId(), 0.44)).toMatchObject({ fault: { code: 'unknown-item' } });
	});
});

describe('another site', () => {
	it('is as if it did not exist, for reading, writing and correcting', async () => {
		const mine = await world.site('mine');
		const theirs = await world.site('theirs');
		const theirRun = testRun(world, theirs.waterId);
		await world.services.reading.saveTestRun(theirs.scope, theirRun);
		expect(await world.services.water.openWater(mine.person, theirs.waterId)).toBeNull();
		expect(await world.services.reading.readingById(mine.scope, theirRun.readingId)).toBeNull();
		expect(
			await world.services.reading.saveTestRun(mine.scope, testRun(world, theirs.waterId))
		).toMatchObject({
			fault: { code: 'unknown-item' }
		});
		const log = await world.services.log.readLog(mine.scope, {
			waterId: theirs.waterId,
			what: null,
			before: null
		});
		expect(log.entries).toEqual([]);
	});
	it('cannot be linked to, even past the application', async () => {
		const mine = await world.site('linker');
		const theirs = await world.site('linked');
		await expect(
			raw.query(
				`insert into water_volume (site_id, id, water_id, net_volume_l, from_at, received_at)
				 values (?, uuid(), ?, 10, now(3), now(3))`,
				[mine.siteId, theirs.waterId]
			)
		).rejects.toMatchObject({ errno: 1452 });
	});
	it('is left with the day the membership ends', async () => {
		const { person, waterId, siteId } = await world.site('left');
		await raw.query('update membership set until_at = ? where site_id = ?', [
			new Date(world.now - 1000),
			siteId
		]);
		expect(await world.services.water.openWater(person, waterId)).toBeNull();
		expect(await world.services.water.firstWater(person)).toBeNull();
	});
});

describe('events and targets', () => {
	it('are kept, and enter the estimate', async () => {
		const { scope, waterId, water } = await world.site('events');
		for (let n = 20; n >= 0; n -= 4) {
			await world.services.reading.saveTestRun(
				scope,
				testRun(world, waterId, { finishedAt: addDays(world.now, -n) })
			);
		}
		const before = (await world.ask('day', water.id)).today.rows[0]!;
		expect(before.estimate!.consumptionPerDay.value).toBeCloseTo(0, 1);
		const dose = {
			id: world.deps.newId(),
			waterId,
			kind: 'recurring-dose' as const,
			happenedAt: addDays(world.now, -30),
			offsetMinutes: 0,
			details: {
				supplement: 'Part one',
				amountMlPerDay: 27,
				strength: [{ parameter: 'alkalinity' as const, risePerMlIn100L: 0.14 }]
			},
			note: ''
		};
		expect(await world.services.log.recordEvent(scope, dose)).toMatchObject({ ok: true });
		const after = (await world.ask('day', water.id)).today.rows[0]!;
		expect(after.estimate!.consumptionPerDay.value).toBeCloseTo(0.7, 1);
		expect(
			await world.services.log.recordEvent(scope, {
				...dose,
				id: world.deps.newId(),
				happenedAt: addDays(world.now, 2)
			})
		).toMatchObject({
			fault: { code: 'in-the-future' }
		});
		const tooMuch = {
			...dose,
			id: world.deps.newId(),
			kind: 'water-change' as const,
			details: { volumeL: 700, batch: '', newWater: [] }
		};
		expect(await world.services.log.recordEvent(scope, tooMuch)).toMatchObject({
			fault: { code: 'too-large', field: 'volumeL' }
		});
	});
	it('a band counts from its date on, and the newest in force wins', async () => {
		const { scope, waterId, water } = await world.site('targets');
		await world.services.reading.saveTestRun(scope, testRun(world, waterId));
		const set = (low: number, high: number, days: number, aim: number | null = null) =>
			world.services.water.setTarget(scope, {
				id: world.deps.newId(),
				waterId,
				parameter: 'alkalinity',
				low,
				high,
				aim,
				source: 'test',
				fromAt: addDays(world.now, days)
			});
		await set(7, 8, -10);
		await set(8.5, 9.5, 5);
		expect((await world.ask('day', water.id)).today.rows[0]!.band).toMatchObject({ low: 7, high: 8 });
		world.now = addDays(world.now, 6);
		expect((await world.ask('day', water.id)).today.rows[0]!.band).toMatchObject({ low: 8.5 });
		world.now = addDays(world.now, -6);
		expect(await set(9, 7, 0)).toMatchObject({ fault: { code: 'target-reversed', field: 'high' } });
		expect(await set(7, 9, 0, 12)).toMatchObject({ fault: { code: 'target-reversed', field: 'aim' } });
		expect(await set(7, 900, 0)).toMatchObject({ fault: { code: 'too-large' } });
	});
});

describe('the log', () => {
	it('gives every entry once, page by page, and all of them to the file', async () => {
		const { scope, waterId } = await world.site('long log');
		const ids = new Set<string>();
		for (let n = 0; n < 90; n++) {
			const command = testRun(world, waterId, {
				finishedAt: instant(world.now - Math.floor(n / 2) * 3_600_000)
			});
			ids.add(command.readingId);
			await world.services.reading.saveTestRun(scope, command);
		}
		const seen: string[] = [];
		let before = null as ReturnType<typeof instant> | null;
		do {
			const page = await world.services.log.readLog(scope, { waterId, what: null, before });
			seen.push(...page.entries.map((e) => (e.type === 'reading' ? e.readingId : e.id)));
			before = page.older;
		} while (before !== null);
		expect(seen).toHaveLength(90);
		expect(new Set(seen)).toEqual(ids);
		expect(await world.csvLines(scope, { waterId, what: null })).toHaveLength(91);
	});
});

describe('the application’s own user', () => {
	it.each([
		['update raw_reading set reason = null'],
		['delete from raw_reading'],
		['update event set note = "x"'],
		['update result set value = 1'],
		['delete from site'],
		['drop table water'],
		['create table x (id int)']
	])('may not: %s', async (statement) => {
		await expect(asApplication.query(statement)).rejects.toMatchObject({
			errno: expect.toSatisfy((n) => [1142, 1143].includes(Number(n))) as number
		});
	});
});

describe('what the views are given', () => {
	it('begins empty, and says nothing that it does not know', async () => {
		const { scope, water } = await world.site('empty');
		expect((await world.ask('day', water.id)).today).toEqual({
			shown: [],
			folded: [],
			due: [],
			// Four hundred days old and never tested.
			stage: 'neglected',
			advice: STAGES.neglected.advice,
			cycle: null,
			lastSession: null,
			rows: [],
			untested: [],
			leftOut: [],
			bottles: [],
			doses: [],
			plans: []
		});
		expect(
			(await world.ask('trends', water.id, daysOfWindow(addDays(world.now, -399), world.now))).rows
		).toEqual([]);
		expect(
			(await world.services.log.readLog(scope, { waterId: null, what: null, before: null })).older
		).toBeNull();
		const { offers, usual, before } = await world.bench(water.id, HABITS);
		expect(offers.map((o) => o.method.code).sort()).toEqual(
			SHIPPED_METHODS.filter((m) => m.kind !== 'stated')
				.map((m) => m.code)
				.sort()
		);
		expect(
			offers.every((o) => o.lastUsedAt === null && o.contexts[o.method.parameter]?.expected === null)
		).toBe(true);
		expect([usual, before]).toEqual([[], {}]);
	});
	it('expects nothing from one reading, and something from two', async () => {
		const { scope, waterId, water } = await world.site('few');
		const alkalinity = async () =>
			(await world.bench(water.id, HABITS)).offers.find((o) => o.method.code === 'alk-syringe')!;
		await world.services.reading.saveTestRun(
			scope,
			testRun(world, waterId, { finishedAt: addDays(world.now, -4) })
		);
		expect((await alkalinity()).contexts.alkalinity!.expected).toBeNull();
		await world.services.reading.saveTestRun(
			scope,
			testRun(world, waterId, { finishedAt: addDays(world.now, -1) })
		);
		const { contexts, lastUsedAt } = await alkalinity();
		expect(lastUsedAt).toBe(addDays(world.now, -1));
		expect(contexts.alkalinity!.expected!.value).toBeCloseTo(8.17, 1);
	});
	it('shows every reading with its kit, the superseded ones apart, and a line from the first one on', async () => {
		const { scope, waterId, water } = await world.site('spans');
		const commands = [300, 80, 40, 33, 20, 10, 2].map((days) =>
			testRun(world, waterId, { finishedAt: addDays(world.now, -days) })
		);
		for (const command of commands) await world.services.reading.saveTestRun(scope, command);
		const last = commands.at(-1)!;
		await world.services.reading.correctReading(scope, {
			id: world.deps.newId(),
			supersedes: last.readingId,
			reading: { ...last.reading, sure: false },
			reason: 'not sure of it'
		});
		const { rows, from, to } = await world.ask(
			'trends',
			water.id,
			daysOfWindow(addDays(world.now, -399), world.now)
		);
		const [row] = rows;
		expect(row!.readings.at).toHaveLength(8);
		expect(row!.readings.superseded.filter((s) => s === 1)).toHaveLength(1);
		expect(row!.kits).toEqual([expect.objectContaining({ code: 'alk-syringe', laboratory: false })]);
		expect(row!.estimate!.basedOn).toBe(7);
		expect([...row!.line.at]).toEqual([...row!.line.at].sort((a, b) => a - b));
		expect(row!.line.at[0]! * 60_000).toBeGreaterThanOrEqual(from);
		expect(row!.line.at.at(-1)! * 60_000).toBeGreaterThan(world.now);
		expect(row!.line.at.at(-1)! * 60_000).toBeLessThanOrEqual(to + 60_000);
	});
});

describe('a reading that was asked about', () => {
	it('stands as entered once somebody says so, with or without a slip named, and the site learns from what is confirmed', async () => {
		const { scope, waterId, water } = await world.site('asked');
		const command = {
			...testRun(world, waterId),
			slip: { kind: 'portion' as const, answer: 'that-is-it' as const }
		};
		await world.services.reading.saveTestRun(scope, command);
		const keep = (kind: 'unit' | null) =>
			world.services.reading.keepReading(scope, { id: world.deps.newId(), runId: command.id, kind });
		expect(await keep(null)).toEqual({ ok: true, value: { runId: command.id } });
		expect(await keep('unit')).toMatchObject({ ok: true });
		const { slipPriors } = await world.bench(water.id, HABITS);
		expect(slipPriors.portion).toBeGreaterThan(USUAL_PRIORS.portion);
		expect(slipPriors.unit).toBeLessThan(USUAL_PRIORS.unit);
		expect(
			await world.services.reading.keepReading(scope, {
				id: world.deps.newId(),
				runId: world.deps.newId(),
				kind: null
			})
		).toMatchObject({ ok: false, fault: { code: 'unknown-item' } });
	});
});

describe('a bound', () => {
	it('is stored and given back as a bound, and never as a number', async () => {
		const { scope, waterId, water } = await world.site('bound');
		const command = testRun(world, waterId);
		command.reading.readAs = 'used';
		command.reading.fills = [{ startMl: 1, end: { lowerMl: 0, upperMl: 0 } }];
		const saved = await world.services.reading.saveTestRun(scope, command);
		const bound = { kind: 'bound', sense: '<', parameter: 'alkalinity', limit: expect.closeTo(0.2103, 3) };
		expect(saved).toMatchObject({ ok: true, value: { results: [bound] } });
		const { entries } = await world.services.log.readLog(scope, {
			waterId,
			what: 'alkalinity',
			before: null
		});
		expect(entries[0]).toMatchObject({ results: [bound] });
		const [, row] = await world.csvLines(scope, { waterId, what: 'alkalinity' });
		expect(row).toContain(',bound,,0,0.21');
		// A line needs values: with a bound alone nothing is estimated, and the bound is shown.
		const { rows } = (await world.ask('day', water.id)).today;
		expect(rows).toMatchObject([{ parameter: 'alkalinity', estimate: null, last: { result: bound } }]);
	});
});
