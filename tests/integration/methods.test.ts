import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ShelfHabits } from '../../src/lib/contract/shelf-view.ts';
import { ALK_SYRINGE, CA_MG_PAIR, type TitrationMethod } from '../../src/lib/core/method/index.ts';
import { adoptShipped } from '../../src/lib/server/service/method/adopt-shipped.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { openWorld, testRun, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

const HABITS: ShelfHabits = { trust: 'standards', unused: 'discard' };

let database: OwnDatabase;
let world: World;
let raw: mysql.Connection;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	raw = await mysql.createConnection(database.migrationUrl);
});
afterAll(async () => {
	await Promise.all([world.close(), raw.end()]);
	await database.drop();
});

type Site = Awaited<ReturnType<World['site']>>;
const factorOf = (perUnit: number): TitrationMethod => ({
	...ALK_SYRINGE,
	name: 'Own acid',
	titration: { ...ALK_SYRINGE.titration, worth: { by: 'line', unit: 'dkh', perUnit, atZero: 0 } }
});
async function save({ scope, waterId }: Site, perUnit: number, revises: string | null = null) {
	const command = { id: world.deps.newId(), waterId, method: factorOf(perUnit), revises };
	const saved = await world.services.method.saveMethod(scope, command);
	if (!saved.ok) throw new Error(JSON.stringify(saved.fault));
	return { ...saved.value, command };
}
async function read(site: Site, code: string, version: number): Promise<string> {
	const command = testRun(world, site.waterId, { methodCode: code, methodVersion: version });
	expect(await world.services.reading.saveTestRun(site.scope, command)).toMatchObject({ ok: true });
	return command.readingId;
}
const valueNow = async (site: Site) => {
	const { rows } = (await world.ask('day', site.water.id)).today;
	const { result } = rows[0]!.last;
	return result.kind === 'value' ? result.value : Number.NaN;
};

describe('a method of the site’s own', () => {
	it('is kept once, offered on the bench, and belongs to nobody else', async () => {
		const site = await world.site('own method');
		const other = await world.site('no method');
		const { code, version, command } = await save(site, 14);
		expect(version).toBe(1);
		expect(await world.services.method.saveMethod(site.scope, command)).toEqual({
			ok: true,
			value: { code, version }
		});
		const { offers } = await world.bench(site.water.id, HABITS);
		expect(offers.find((o) => o.method.code === code)).toMatchObject({ own: true });
		expect(await world.services.method.readMethod(other.scope, code)).toBeNull();
		expect(await world.services.method.previewDerivation(other.scope, code)).toBeNull();
		const run = testRun(world, other.waterId, { methodCode: code, methodVersion: 1 });
		expect(await world.services.reading.saveTestRun(other.scope, run)).toMatchObject({
			fault: { code: 'unknown-item' }
		});
		const theft = { ...command, id: world.deps.newId(), waterId: other.waterId, revises: code };
		expect(await world.services.method.saveMethod(other.scope, theft)).toMatchObject({
			fault: { code: 'unknown-item' }
		});
	});
	it('is never the shipped one itself', async () => {
		const site = await world.site('shipped stays');
		const command = {
			id: world.deps.newId(),
			waterId: site.waterId,
			method: factorOf(9),
			revises: 'alk-syringe'
		};
		expect(await world.services.method.saveMethod(site.scope, command)).toMatchObject({
			fault: { code: 'method-shipped' }
		});
	});
	it('changed, moves no result until it is asked to, and then keeps the old ones', async () => {
		const site = await world.site('derived again');
		const { code } = await save(site, 14);
		await read(site, code, 1);
		expect(await world.services.method.previewDerivation(site.scope, code)).toEqual([]);
		expect(await save(site, 15, code)).toMatchObject({ code, version: 2 });
		const before = 14 * (0.59 - 0.0075);
		const after = 15 * (0.59 - 0.0075);
		expect(await valueNow(site)).toBeCloseTo(before, 8);
		const moves = (await world.services.method.previewDerivation(site.scope, code))!;
		expect(moves).toMatchObject([{ version: 1, before: [{ kind: 'value' }], after: [{ kind: 'value' }] }]);
		expect(await valueNow(site)).toBeCloseTo(before, 8);

		const again = { id: world.deps.newId(), waterId: site.waterId, code };
		expect(await world.services.method.deriveAgain(site.scope, again)).toEqual({
			ok: true,
			value: { moved: 1 }
		});
		expect(await valueNow(site)).toBeCloseTo(after, 8);
		expect(await world.services.method.previewDerivation(site.scope, code)).toEqual([]);
		const [rows] = await raw.query<mysql.RowDataPacket[]>(
			'select current, site_method_id is null as own from result where site_id = ? order by derived_at, id',
			[site.siteId]
		);
		expect(rows.map((r) => [Number(r.current ?? 0), Number(r.own)])).toEqual([
			[0, 1],
			[1, 0]
		]);

		// A correction afterwards stays with the version that the result was derived by.
		const { entries } = await world.services.log.readLog(site.scope, {
			waterId: site.waterId,
			what: 'alkalinity',
			before: null
		});
		const [old] = entries;
		if (old?.type !== 'reading' || old.reading.form !== 'syringe') throw new Error();
		expect([old.method.version, old.derivedBy.method.version]).toEqual([1, 2]);
		const fills = old.reading.fills.map((f) => ({ ...f, end: { lowerMl: 0.4, upperMl: 0.4 } }));
		const correction = {
			id: world.deps.newId(),
			supersedes: old.readingId,
			reading: { ...old.reading, fills },
			reason: 'Misread.'
		};
		expect(await world.services.reading.correctReading(site.scope, correction)).toMatchObject({ ok: true });
		expect(await valueNow(site)).toBeCloseTo(15 * (0.6 - 0.0075), 8);
		expect(await world.services.method.previewDerivation(site.scope, code)).toEqual([]);
	});
});

describe('a run that tells two parameters', () => {
	it('has a current result for each, stands once in the log, and twice in the file', async () => {
		const site = await world.site('pair');
		const marks = (ml: number) => ({
			readAs: 'used' as const,
			fills: [{ startMl: 1, end: { lowerMl: ml, upperMl: ml } }],
			sure: true
		});
		const run = {
			...testRun(world, site.waterId, { methodCode: CA_MG_PAIR.code, methodVersion: 1 }),
			reading: { form: 'pair' as const, portion: 'full' as const, first: marks(0.83), second: marks(0.86) }
		};
		const saved = await world.services.reading.saveTestRun(site.scope, run);
		expect(saved).toMatchObject({
			value: { results: [{ parameter: 'calcium' }, { parameter: 'magnesium' }] }
		});
		const filter = { waterId: site.waterId, what: 'magnesium' as const };
		const { entries } = await world.services.log.readLog(site.scope, { ...filter, before: null });
		expect(entries).toMatchObject([{ results: [{ parameter: 'calcium' }, { parameter: 'magnesium' }] }]);
		expect(await world.csvLines(site.scope, filter)).toHaveLength(3);
		const { before } = await world.bench(site.water.id, HABITS);
		expect(before.calcium!.runId).toBe(run.id);
	});
	it('may be of a sample that was tested before, but not of another water’s', async () => {
		const site = await world.site('repeat');
		const elsewhere = await world.site('elsewhere');
		const first = testRun(world, site.waterId);
		await world.services.reading.saveTestRun(site.scope, first);
		const repeat = testRun(world, site.waterId, { sampleId: first.sampleId });
		expect(await world.services.reading.saveTestRun(site.scope, repeat)).toMatchObject({ ok: true });
		const [rows] = await raw.query<mysql.RowDataPacket[]>(
			'select count(*) as n from sample where site_id = ?',
			[site.siteId]
		);
		expect(Number(rows[0]!.n)).toBe(1);
		const wrong = testRun(world, elsewhere.waterId, { sampleId: first.sampleId });
		expect(await world.services.reading.saveTestRun(elsewhere.scope, wrong)).toMatchObject({ ok: true });
	});
});

describe('an update', () => {
	it('brings the shipped methods to every site once', async () => {
		const site = await world.site('updated');
		const count = async () => (await world.services.method.readMethods(site.scope)).length;
		const all = await count();
		await raw.query(
			`delete sm from site_method sm join method_version mv on mv.id = sm.method_version_id
			 where sm.site_id = ? and mv.code in ('no3-card', 'thermometer')`,
			[site.siteId]
		);
		expect(await count()).toBe(all - 2);
		await adoptShipped(world.deps);
		await adoptShipped(world.deps);
		expect(await count()).toBe(all);
	});
});
