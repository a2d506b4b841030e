// Consistent dumps of a database, and their way back.
import { spawn } from 'node:child_process';
import { createReadStream, createWriteStream, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { findProgram } from './bootstrap.mjs';
import { stop } from './say.mjs';

function connectionOf(url) {
	const { hostname, port, username, password, pathname } = new URL(url);
	return {
		args: [
			'--no-defaults',
			'--protocol=tcp',
			`--host=${hostname}`,
			`--port=${port || 3306}`,
			`--user=${decodeURIComponent(username)}`
		],
		env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
		database: pathname.slice(1)
	};
}

async function finished(child, what) {
	let said = '';
	child.stderr.on('data', (chunk) => (said += chunk));
	const code = await new Promise((done, failed) => {
		child.once('error', failed);
		child.once('close', done);
	});
	if (code !== 0) stop(`${what} failed: ${said.trim().split('\n')[0] ?? ''}`);
}

/** Writes one moment's state to a compressed file, which has its name only once it is whole. */
export async function dump(
	url,
	folder,
	name = `tevrik-${new Date().toISOString().replace(/[:.]/g, '-')}.sql.gz`
) {
	const { args, env, database } = connectionOf(url);
	mkdirSync(folder, { recursive: true });
	const file = join(folder, name);
	const part = `${file}.part`;
	const child = spawn(
		findProgram('mariadb-dump'),
		[
			...args,
			'--single-transaction',
			'--quick',
			'--hex-blob',
			'--skip-lock-tables',
			'--add-drop-table',
			database
		],
		{ env, stdio: ['ignore', 'pipe', 'pipe'] }
	);
	try {
		await Promise.all([
			pipeline(child.stdout, createGzip(), createWriteStream(part)),
			finished(child, 'The backup')
		]);
		renameSync(part, file);
	} finally {
		rmSync(part, { force: true });
	}
	return file;
}

/** The last line that the dump program writes when it is done. */
const LAST_LINE = '-- Dump completed';

/** Reads the file through once: a cut or foreign file is refused before anything is touched. */
async function ensureWhole(file) {
	let tail = '';
	try {
		await pipeline(createReadStream(file), createGunzip(), async (chunks) => {
			for await (const chunk of chunks) tail = (tail + chunk.toString('utf8')).slice(-400);
		});
	} catch (error) {
		stop(`${file} is not a whole backup: ${error.message}. Nothing was changed.`);
	}
	if (!tail.includes(LAST_LINE))
		stop(`${file} is not a whole backup: its end is missing. Nothing was changed.`);
}

/** Puts a dump in the place of all that the database holds. */
export async function load(url, file) {
	if (!existsSync(file)) stop(`There is no file ${file}.`);
	await ensureWhole(file);
	const { args, env, database } = connectionOf(url);
	const child = spawn(findProgram('mariadb'), [...args, database], {
		env,
		stdio: ['pipe', 'ignore', 'pipe']
	});
	const ended = finished(child, 'Restoring');
	// When the program fails, its own words matter, not that the pipe broke.
	await pipeline(createReadStream(file), createGunzip(), child.stdin).catch(() => undefined);
	await ended;
}
