// One throwaway database server for a run of tests. The demo world is made once; every file of tests gets a copy of it
// in a database of its own.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
	closeSync,
	existsSync,
	mkdirSync,
	mkdtempSync,
	openSync,
	readFileSync,
	rmSync,
	writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { findProgram, ROOT } from './bootstrap.mjs';
import { runScript } from './application.mjs';
import { startDatabase } from './database.mjs';
import { connectionOf, plainDump } from './dump.mjs';
import { digestOf } from './sources.mjs';

/** The moment of which the demo world of the tests tells. */
export const TEST_START = '2026-11-23T18:20:00Z';

/** What a copy is made from, made anew when anything it comes from has changed. */
function templateFolder() {
	const digest = digestOf([
		'src/lib',
		'drizzle',
		'scripts/seed.ts',
		'scripts/seed',
		'scripts/migrate.ts',
		'package-lock.json'
	]);
	return join(ROOT, '.test', `template-${createHash('sha256').update(digest).digest('hex').slice(0, 16)}`);
}

/**
 * Makes the templates on a server of their own: `schema.sql`, the tables as an update leaves them, and `demo.sql`, the
 * demo world. Told as a folder.
 */
export async function ensureTemplates() {
	const folder = templateFolder();
	const done = join(folder, 'demo.json');
	if (existsSync(done)) return folder;
	mkdirSync(folder, { recursive: true });
	const home = mkdtempSync(join(tmpdir(), 'tevrik-template-'));
	const database = await startDatabase({ folder: home, throwaway: true });
	try {
		const env = { MIGRATION_DATABASE_URL: database.migrationUrl };
		runScript('migrate.ts', { ...env, TEVRIK_APPLICATION_USER: database.applicationUser });
		await plainDump(database.migrationUrl, join(folder, 'schema.sql'));
		const demo = runScript('seed.ts', { DATABASE_URL: database.url, TEVRIK_CLOCK: TEST_START });
		await plainDump(database.migrationUrl, join(folder, 'demo.sql'));
		writeFileSync(done, demo);
	} finally {
		await database.stop();
		rmSync(home, { recursive: true, force: true });
	}
	return folder;
}

/** Reads a plain dump into a database that is there and empty. */
export async function readInto(url, file) {
	const { args, env, database } = connectionOf(url);
	const input = openSync(file, 'r');
	const child = spawn(findProgram('mariadb'), [...args, database], { env, stdio: [input, 'ignore', 'pipe'] });
	let said = '';
	child.stderr.on('data', (chunk) => (said += chunk));
	const status = await new Promise((ended) => child.once('close', ended));
	closeSync(input);
	if (status !== 0) throw new Error(`the template could not be read in: ${said}`);
}

/** Starts the server that all files share; what they need to know of it is told as text for their environment. */
export async function startEngine() {
	const home = mkdtempSync(join(tmpdir(), 'tevrik-tests-'));
	const database = await startDatabase({ folder: home, throwaway: true });
	const { url, migrationUrl, loadUrl, applicationUser } = database;
	return {
		setting: JSON.stringify({ url, migrationUrl, loadUrl, applicationUser }),
		async stop() {
			await database.stop();
			rmSync(home, { recursive: true, force: true });
		}
	};
}

/** The demo member whom the templates' world signs in. */
export function demoMember(templates) {
	return JSON.parse(readFileSync(join(templates, 'demo.json'), 'utf8')).personId;
}
