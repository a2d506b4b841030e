import mysql from 'mysql2/promise';
import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { dump } from '../../scripts/dump.mjs';
import { restore } from '../../scripts/restore.mjs';
import { migrate, pendingSteps } from '../../src/lib/server/db/migrator.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { openWorld, testRun } from '../support/site.ts';
import { MIGRATIONS, ownDatabase } from './database.ts';

let database: OwnDatabase;
let raw: mysql.Connection;
let folder: string;
beforeAll(async () => {
	database = await ownDatabase();
	raw = await mysql.createConnection(database.migrationUrl);
	folder = mkdtempSync(join(tmpdir(), 'tevrik-migration-'));
});
afterAll(async () => {
	await raw.end();
	await database.drop();
	rmSync(folder, { recursive: true, force: true });
});
const url = () => database.migrationUrl;

describe('migrations', () => {
	it('are done once, also when two start together', async () => {
		expect(await Promise.all([migrate(url(), MIGRATIONS), migrate(url(), MIGRATIONS)])).toEqual([0, 0]);
		expect((await pendingSteps(url(), MIGRATIONS)).pending).toBe(0);
	});
	it('go on where the machine stopped between a step and its note', async () => {
		// One step at a time: the steps of the two newest migrations were done, and their notes are missing.
		const [{ affectedRows }] = await raw.query<mysql.ResultSetHeader>(
			'delete from schema_step where migration in (select migration from (select distinct migration from schema_step order by migration desc limit 2) as newest)'
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
	const put = (file: string) =>
		restore({ url: url(), loadUrl: inject('engine').loadUrl, file, home: folder });
	/** A file of our own making, packed as a backup is. */
	const packed = (name: string, text: string) => {
		const file = join(folder, name);
		writeFileSync(file, gzipSync(text));
		return file;
	};
	const textOf = (file: string) => gunzipSync(readFileSync(file)).toString('utf8');
	const results = async () => {
		const [[row]] = await raw.query<mysql.RowDataPacket[]>('select count(*) as n from result');
		return Number(row!.n);
	};

	it('is one moment’s state, only its owner reads it, and it comes back as it was', async () => {
		const world = openWorld(database.url);
		const { scope, waterId } = await world.site('backup');
		const kept = testRun(world, waterId, { note: 'line\nbreak; “quoted” \u2028 and \\! a backslash' });
		await world.services.reading.saveTestRun(scope, kept);
		const file = await dump(url(), folder);
		expect(statSync(file).mode & 0o777).toBe(0o600);
		const later = testRun(world, waterId);
		await world.services.reading.saveTestRun(scope, later);
		const before = await put(file);
		const runs = async () => {
			const { entries } = await world.services.log.readLog(scope, { waterId, what: null, before: null });
			return entries.map((e) => (e.type === 'reading' ? e.runId : ''));
		};
		expect(await runs()).toEqual([kept.id]);
		// What was undone by the restore can be sent again: its receipt went with it.
		expect(await world.services.reading.saveTestRun(scope, later)).toMatchObject({ ok: true });
		expect(existsSync(join(folder, 'restoring'))).toBe(false);
		// What was there is kept, and can be had back.
		const again = await put(before);
		expect((await runs()).sort()).toEqual([kept.id, later.id].sort());
		await raw.query(`drop database \`${again}\``);
		await world.close();
	});
	it('that was cut, mended, mixed or never was one is refused before anything is touched', async () => {
		const file = await dump(url(), folder, 'whole.sql.gz');
		const text = textOf(file);
		const before = await results();
		const cut = join(folder, 'cut.sql.gz');
		writeFileSync(cut, readFileSync(file).subarray(0, -400));
		const other = join(folder, 'other.txt');
		writeFileSync(other, 'hello');
		const end = /-- Dump completed[^\n]*\n/.exec(text)![0];
		const unsealed = text.slice(0, text.lastIndexOf('-- Tevrik backup'));
		const middle = Math.floor(unsealed.length / 2);
		const touched = join(folder, 'touched');
		const command = `\\! touch ${touched}\n`;
		const wrong: readonly (readonly [file: string, why: RegExp])[] = [
			[cut, /not a whole backup/],
			[other, /not a whole backup/],
			[join(folder, 'none.gz'), /no file/],
			[packed('end-only.gz', end), /no table/],
			[packed('half.gz', unsealed.slice(0, middle) + '\n' + end), /not a whole backup|changed|has no table/],
			[
				packed('edited.gz', text.replace('insert', 'insert').replace(/'0000_first',0/, "'0000_first',9")),
				/changed/
			],
			[packed('command.gz', unsealed.replace(end, command + end)), /line \d+ was not written/],
			[packed('more.gz', `${text}drop table result;\n`), /line \d+ was not written/],
			[
				packed('reach.gz', unsealed.replace(end, `DROP DATABASE tevrik;\n${end}`)),
				/line \d+ was not written/
			],
			[packed('newer.gz', unsealed.replaceAll("'0001_every_form'", "'9999_later'")), /newer Tevrik/]
		];
		for (const [path, why] of wrong) await expect(put(path), path).rejects.toThrow(why);
		expect(await results()).toBe(before);
		expect(existsSync(touched)).toBe(false);
	});
	it('whose statements fail half way leaves all as it was', async () => {
		const text = textOf(await dump(url(), folder, 'breaks.sql.gz'));
		const unsealed = text.slice(0, text.lastIndexOf('-- Tevrik backup'));
		const before = await results();
		const schemas = async () =>
			(await raw.query<mysql.RowDataPacket[]>("show databases like 'tevrik\\_restore%'"))[0].length;
		const breaking = [
			// A row too many for its table; a command and a foreign schema behind an innocent beginning.
			unsealed.replace(/INSERT INTO `site` VALUES/, 'INSERT INTO `nowhere` VALUES'),
			unsealed.replace(/UNLOCK TABLES;/, `UNLOCK TABLES; \\! touch ${join(folder, 'touched')}\n`),
			unsealed.replace(
				/UNLOCK TABLES;/,
				`UNLOCK TABLES; drop table ${new URL(url()).pathname.slice(1)}.result;`
			)
		];
		for (const [i, broken] of breaking.entries()) {
			await expect(put(packed(`breaks-${i}.gz`, broken)), `${i}`).rejects.toThrow(/Restoring failed/);
		}
		expect(await results()).toBe(before);
		expect(existsSync(join(folder, 'touched'))).toBe(false);
		expect(await schemas()).toBe(0);
	});
});
