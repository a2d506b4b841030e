// Puts a backup in the place of all records: checked whole, loaded aside, and exchanged in one step.
import { spawn } from 'node:child_process';
import { createReadStream, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { runScript } from './application.mjs';
import { findProgram, ROOT } from './bootstrap.mjs';
import { checkBackup, connectionOf, finished } from './dump.mjs';
import { stop } from './say.mjs';

/** What was there before a restore is kept under such a name. */
export const BEFORE = /^tevrik_before_\w+$/;

const withDatabase = (url, database) => {
	const other = new URL(url);
	other.pathname = `/${database}`;
	return other.href;
};

/** Runs statements and returns what they answer, a line each. */
async function ask(url, statements, database = '') {
	const { args, env } = connectionOf(url);
	const child = spawn(
		findProgram('mariadb'),
		[...args, '--batch', '--skip-column-names', ...(database ? [database] : [])],
		{ env, stdio: ['pipe', 'pipe', 'pipe'] }
	);
	let said = '';
	child.stdout.on('data', (chunk) => (said += chunk));
	child.stdin.end(statements);
	await finished(child, 'Restoring');
	return said.split('\n').filter(Boolean);
}

const tablesOf = (url, schema) =>
	ask(url, `select table_name from information_schema.tables where table_schema = '${schema}'`);

/** Exchanges all tables in one statement: whoever reads meanwhile sees the old ones or the new ones, never some of each. */
async function exchange(url, from, into, aside) {
	const [old, fresh] = await Promise.all([tablesOf(url, into), tablesOf(url, from)]);
	if (fresh.length === 0) stop(`There is nothing in ${from}. Nothing was changed.`);
	await ask(url, `create database \`${aside}\` character set utf8mb4 collate utf8mb4_unicode_ci`);
	const moves = [
		...old.map((t) => `\`${into}\`.\`${t}\` to \`${aside}\`.\`${t}\``),
		...fresh.map((t) => `\`${from}\`.\`${t}\` to \`${into}\`.\`${t}\``)
	];
	try {
		await ask(url, `rename table ${moves.join(', ')}`);
	} catch (error) {
		await ask(url, `drop database \`${aside}\``);
		throw error;
	}
	await ask(url, `drop database \`${from}\``);
}

/** While this file is there and its process runs, the application answers that the records are being restored. */
function closeRecords(home) {
	const mark = join(home, 'restoring');
	writeFileSync(mark, String(process.pid));
	return () => rmSync(mark, { force: true });
}

function known() {
	const { entries } = JSON.parse(readFileSync(join(ROOT, 'drizzle/meta/_journal.json'), 'utf8'));
	return new Set(entries.map((e) => e.tag));
}

/** A name that says when, and that no earlier restore has. */
const stamp = () => new Date().toISOString().replace(/\D/g, '').slice(0, 17);

/**
 * @param {{ url: string, loadUrl?: string, file: string, home: string }} given `url` of the migrating user; `loadUrl` of
 *   one who may use scratch schemas only, so that a file cannot reach anything else
 * @returns the schema in which the records before it are kept
 */
export async function restore({ url, loadUrl = url, file, home }) {
	const { database } = connectionOf(url);
	const aside = `tevrik_before_${stamp()}`;
	if (BEFORE.test(file)) {
		const reopen = closeRecords(home);
		try {
			await exchange(url, file, database, aside);
		} finally {
			reopen();
		}
		return aside;
	}
	const { migrations } = await checkBackup(file);
	const newer = [...migrations].find((tag) => !known().has(tag));
	if (newer) {
		stop(
			`${file} was written by a newer Tevrik ("${newer}" is not known here). Update first. Nothing was changed.`
		);
	}
	const scratch = `tevrik_restore_${stamp()}`;
	const reopen = closeRecords(home);
	try {
		await ask(loadUrl, `create database \`${scratch}\` character set utf8mb4 collate utf8mb4_unicode_ci`);
		const { args, env } = connectionOf(loadUrl);
		const child = spawn(findProgram('mariadb'), [...args, '--sandbox', scratch], {
			env,
			stdio: ['pipe', 'ignore', 'pipe']
		});
		const ended = finished(child, 'Restoring');
		// When the program fails, its own words matter, not that the pipe broke.
		await pipeline(createReadStream(file), createGunzip(), child.stdin).catch(() => undefined);
		await ended;
		runScript('migrate.ts', {
			MIGRATION_DATABASE_URL: withDatabase(url, scratch),
			TEVRIK_APPLICATION_USER: ''
		});
		await exchange(url, scratch, database, aside);
	} catch (error) {
		await ask(loadUrl, `drop database if exists \`${scratch}\``).catch(() => undefined);
		throw error;
	} finally {
		reopen();
	}
	return aside;
}
