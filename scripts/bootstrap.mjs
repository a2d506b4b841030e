// Installs what a fresh Debian machine lacks. Plain Node: it runs before any package is there.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, statfsSync, writeFileSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import { stop } from './say.mjs';

export const ROOT = new URL('..', import.meta.url).pathname.replace(/\/$/, '');
/** Where the demo keeps its records. */
export const HOME = process.env.TEVRIK_HOME ?? join(ROOT, '.tevrik');
/** Where one's own water is kept: apart, so that whatever is done with the demo leaves it alone. */
export const OWN_HOME = process.env.TEVRIK_HOME ?? join(ROOT, '.tevrik-own');

const PROGRAMS = {
	mariadb: { programs: ['mariadbd', 'mariadb-install-db', 'mariadb-dump'], package: 'mariadb-server' },
	chromium: { programs: ['chromium-headless-shell'], package: 'chromium-headless-shell' }
};
const LEAST_FREE_MB = 500;

/** Debian keeps servers in sbin, which an ordinary user's PATH often lacks. */
export function findProgram(name) {
	const folders = [...(process.env.PATH ?? '').split(delimiter), '/usr/sbin', '/usr/bin', '/usr/local/bin'];
	return folders.map((f) => join(f, name)).find((p) => existsSync(p)) ?? null;
}

function run(command, args, options = {}) {
	return spawnSync(command, args, {
		cwd: ROOT,
		stdio: ['ignore', 'pipe', 'pipe'],
		encoding: 'utf8',
		...options
	});
}

/** Installs Debian packages where a program is missing; an ordinary user is told the one line to run. */
export function ensurePrograms(...names) {
	const missing = names
		.filter((n) => PROGRAMS[n].programs.some((p) => !findProgram(p)))
		.map((n) => PROGRAMS[n].package);
	if (missing.length === 0) return;
	const line = `apt-get update && apt-get install --yes --no-install-recommends ${missing.join(' ')}`;
	if (process.getuid?.() !== 0) {
		stop(
			`Tevrik needs ${missing.join(' and ')} from Debian. Run this one line, then start again:\n\n  sudo sh -c '${line}'`
		);
	}
	console.log(`Installing ${missing.join(' and ')} …`);
	const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
	const done = run('sh', ['-c', line], { env });
	// The package may fail to start its own service (no init here); what counts is whether the programs are there.
	if (names.some((n) => PROGRAMS[n].programs.some((p) => !findProgram(p)))) {
		stop(
			`Installing ${missing.join(' and ')} failed:\n${(done.stderr || done.stdout || '').trim().split('\n').slice(-4).join('\n')}`
		);
	}
}

/** Installs the packages of the lock file once, and again when it changes. */
export function ensurePackages() {
	const lock = createHash('sha256')
		.update(readFileSync(join(ROOT, 'package-lock.json')))
		.digest('hex');
	const mark = join(ROOT, 'node_modules/.tevrik-lock');
	if (!existsSync(mark) || readFileSync(mark, 'utf8') !== lock) {
		console.log('Installing packages …');
		const done = run('npm', ['ci', '--no-audit', '--no-fund']);
		if (done.status !== 0)
			stop(
				`Installing the packages failed:\n${(done.stderr || done.stdout).trim().split('\n').slice(-6).join('\n')}`
			);
		writeFileSync(mark, lock);
	}
	if (!existsSync(join(ROOT, '.svelte-kit/tsconfig.json'))) {
		const synced = run(join(ROOT, 'node_modules/.bin/svelte-kit'), ['sync']);
		if (synced.status !== 0) stop(`Preparing the project failed:\n${synced.stderr}`);
	}
}

export function ensureRoom(folder = ROOT) {
	mkdirSync(folder, { recursive: true });
	const { bavail, bsize } = statfsSync(folder);
	const freeMb = Math.floor((bavail * bsize) / 1e6);
	if (freeMb < LEAST_FREE_MB) {
		stop(
			`The disk that holds ${folder} has ${freeMb} MB free; Tevrik needs ${LEAST_FREE_MB} MB. Make room and start again.`
		);
	}
}
