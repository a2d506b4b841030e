import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { dump, load } from '../../scripts/dump.mjs';
import { migrate, pendingSteps } from '../../src/lib/server/db/migrator.ts';
import { openWorld, testRun } from '../support/site.ts';
import { MIGRATIONS } from './database.setup.ts';

let raw: mysql.Connection;
let folder: string;
beforeAll(async () => {
	raw = await mysql.createConnection(inject('migrationUrl'));
	folder = mkdtempSync(join(tmpdir(), 'tevrik-migration-'));
});
afterAll(async () => {
	await raw.end();
	rmSync(folder, { recursive: true, force: true });
});
const url = () => inject('migrationUrl');

describe('migrations', () => {
	it('are done once, also when two start together', async () => {
		expect(await Promise.all([migrate(url(), MIGRATIONS), migrate(url(), MIGRATIONS)])).toEqual([0, 0]);
		expect((await pendingSteps(url(), MIGRATIONS)).pending).toBe(0);
	});
	it('go on where the machine stopped between a step and its note', async () => {
		// One step at a time: every step of the newest migration was done, and its note is missing.
		const [{ affectedRows }] = await raw.query<mysql.ResultSetHeader>(
			'delete from schema_step where migration = (select newest from (select max(migration) as newest from schema_step) as s)'
		);
		expect(affectedRows).toBeGreaterThan(1);
		expect(await migrate(url(), MIGRATIONS)).toBe(affectedRows);
	});
	it('refuse one that was edited after it had been run', async () => {
		const edited = join(folder, 'drizzle');
		cpSync(MIGRATIONS, edited, { recursive: true });
		const file = join(edited, '0000_first.sql');
		writeFileSync(file, readFileSync(file, 'utf8').replace('varchar(64)', 'varchar(65)'));
		await expect(migrate(url(), edited)).rejects.toThrow(/was edited/);
	});
});

describe('a backup', () => {
	it('is one moment’s state, and comes back as it was', async () => {
		const world = openWorld(inject('databaseUrl'));
		const { scope, waterId } = await world.site('backup');
		const kept = testRun(world, waterId);
		await world.services.saveTestRun(scope, kept);
		const file = await dump(url(), folder);
		const later = testRun(world, waterId);
		await world.services.saveTestRun(scope, later);
		await load(url(), file);
		const { entries } = await world.services.readLog(scope, { waterId, what: null, before: null });
		expect(entries.map((e) => (e.type === 'reading' ? e.runId : ''))).toEqual([kept.id]);
		// What was undone by the restore can be sent again: its receipt went with it.
		expect(await world.services.saveTestRun(scope, later)).toMatchObject({ ok: true });
		await world.close();
	});
	it('that is cut off or something else is refused before anything is touched', async () => {
		const file = await dump(url(), folder, 'whole.sql.gz');
		const cut = join(folder, 'cut.sql.gz');
		writeFileSync(cut, readFileSync(file).subarray(0, -400));
		const [[before]] = await raw.query<mysql.RowDataPacket[]>('select count(*) as n from result');
		await expect(load(url(), cut)).rejects.toThrow(/not a whole backup/);
		const other = join(folder, 'other.txt');
		writeFileSync(other, 'hello');
		await expect(load(url(), other)).rejects.toThrow(/not a whole backup/);
		await expect(load(url(), join(folder, 'none.gz'))).rejects.toThrow(/no file/);
		const [[after]] = await raw.query<mysql.RowDataPacket[]>('select count(*) as n from result');
		expect(after!.n).toBe(before!.n);
	});
});
