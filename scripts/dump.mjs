// Consistent dumps of a database, and their way back.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
	chmodSync,
	createReadStream,
	createWriteStream,
	existsSync,
	mkdirSync,
	renameSync,
	rmSync
} from 'node:fs';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { findProgram } from './bootstrap.mjs';
import { stop } from './say.mjs';

export function connectionOf(url) {
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

export async function finished(child, what) {
	let said = '';
	child.stderr.on('data', (chunk) => (said += chunk));
	const code = await new Promise((done, failed) => {
		child.once('error', failed);
		child.once('close', done);
	});
	if (code !== 0) stop(`${what} failed: ${said.trim().split('\n')[0] ?? ''}`);
}

function dumping(url) {
	const { args, env, database } = connectionOf(url);
	return spawn(
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
}

/** Who keeps the records must be the only one who can read a copy of them. */
const PRIVATE = 0o600;

/** The last line of a file: by its digest a file that was cut, mended or mixed is told from a whole one. */
const seal = (digest) => `-- Tevrik backup 1, sha256 ${digest}\n`;
const SEAL = /^-- Tevrik backup 1, sha256 ([0-9a-f]{64})$/;

function sealing() {
	const hash = createHash('sha256');
	return new Transform({
		transform(chunk, _encoding, done) {
			hash.update(chunk);
			done(null, chunk);
		},
		flush(done) {
			done(null, seal(hash.digest('hex')));
		}
	});
}

/** Writes one moment's state to a compressed file, which has its name only once it is whole. */
export async function dump(
	url,
	folder,
	name = `tevrik-${new Date().toISOString().replace(/[:.]/g, '-')}.sql.gz`
) {
	mkdirSync(folder, { recursive: true, mode: 0o700 });
	const file = join(folder, name);
	const part = `${file}.part`;
	rmSync(part, { force: true });
	const child = dumping(url);
	try {
		await Promise.all([
			pipeline(child.stdout, sealing(), createGzip(), createWriteStream(part, { mode: PRIVATE })),
			finished(child, 'The backup')
		]);
		chmodSync(part, PRIVATE);
		renameSync(part, file);
	} finally {
		rmSync(part, { force: true });
	}
	return file;
}

/** The same as plain text, for the copies that tests are run on. */
export async function plainDump(url, file) {
	const child = dumping(url);
	await Promise.all([
		pipeline(child.stdout, createWriteStream(file, { mode: PRIVATE })),
		finished(child, 'The copy')
	]);
}

/** The last line that the dump program itself writes when it is done. */
const COMPLETED = '-- Dump completed';

/** How the lines of a dump begin, from MariaDB 10.11 to 11.8. Whatever else stands in a file was not written by the dump program. */
export const LINE =
	/^(--|\/\*M?!\d{5,6}(\\-)? |DROP TABLE IF EXISTS `|CREATE TABLE `|(UN)?LOCK TABLES|INSERT INTO `|\(|\) ENGINE=| {2}|SET @|(set|SET) (autocommit|AUTOCOMMIT)=|(commit|COMMIT);$|$)/;
const LONGEST_START = 64;
/** A row that notes a step of a migration as done. */
const STEP = /\('(\w+)',\d+,'[0-9a-f]{64}'/g;
/** Without these a file holds no records of Tevrik. */
const NEEDED_TABLES = ['schema_step', 'site', 'person', 'water', 'raw_reading'];

const refuse = (file, why) => stop(`${file} is not a whole backup: ${why}. Nothing was changed.`);

/** Calls for each line with its first bytes and all of them. Readings hold no raw line breaks in a dump. */
async function eachLine(stream, act) {
	let rest = Buffer.alloc(0);
	for await (const chunk of stream) {
		const all = rest.length > 0 ? Buffer.concat([rest, chunk]) : chunk;
		let from = 0;
		for (let end = all.indexOf(10); end >= 0; end = all.indexOf(10, from)) {
			act(all.subarray(from, end));
			from = end + 1;
		}
		rest = all.subarray(from);
	}
	if (rest.length > 0) act(rest);
}

/**
 * Reads a file through, before anything is touched: that it can be unpacked to its end, holds what a dump of Tevrik
 * holds and nothing else, and is as it was written. Files of versions before 0.8 bear no digest; the packing's own
 * checksum and the last line of the dump program stand for it.
 *
 * @returns the migrations that it went through
 */
export async function checkBackup(file) {
	if (!existsSync(file)) stop(`There is no file ${file}.`);
	const hash = createHash('sha256');
	const tables = new Set();
	const migrations = new Set();
	let number = 0;
	let stranger = 0;
	let completed = false;
	let sealed = null;
	let filled = null;
	try {
		await eachLine(createReadStream(file).pipe(createGunzip()), (line) => {
			number++;
			const start = line.subarray(0, LONGEST_START).toString('latin1');
			if (sealed !== null) stranger ||= number;
			const digest = SEAL.exec(line.length < 200 ? line.toString('latin1') : '')?.[1];
			if (digest) {
				sealed = digest;
				return;
			}
			hash.update(line).update('\n');
			if (!LINE.test(start)) stranger ||= number;
			completed ||= start.startsWith(COMPLETED);
			const table = /^CREATE TABLE `(\w+)`/.exec(start)?.[1];
			if (table) tables.add(table);
			const into = /^INSERT INTO `(\w+)`/.exec(start)?.[1];
			filled = into ?? (start.startsWith('(') ? filled : null);
			if (filled !== 'schema_step') return;
			for (const [, tag] of line.toString('latin1').matchAll(STEP)) migrations.add(tag);
		});
	} catch (error) {
		refuse(file, error.message);
	}
	if (stranger) refuse(file, `line ${stranger} was not written by a backup`);
	if (!completed) refuse(file, 'its end is missing');
	if (sealed !== null && sealed !== hash.digest('hex')) refuse(file, 'it was changed since it was written');
	const missing = NEEDED_TABLES.find((t) => !tables.has(t));
	if (missing) refuse(file, `it has no table "${missing}"`);
	return { tables, migrations };
}
