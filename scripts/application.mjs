// Building, preparing and serving the application; shared by the demo, the tests, the pictures and the bench.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { ROOT } from './bootstrap.mjs';
import { stop } from './say.mjs';
import { sourceDigest } from './sources.mjs';

const bin = (name) => join(ROOT, 'node_modules/.bin', name);

/** Runs one of our TypeScript scripts and returns what it printed; its last complaint on failure. */
export function runScript(script, env) {
	const done = spawnSync(bin('tsx'), [join(ROOT, 'scripts', script)], {
		cwd: ROOT,
		env: { ...process.env, ...env },
		encoding: 'utf8'
	});
	if (done.status !== 0) {
		const line =
			done.stderr.split('\n').find((l) => /^\w*Error/.test(l)) ?? done.stderr.trim().split('\n').at(-1) ?? '';
		stop(`${script} failed: ${line}`);
	}
	return done.stdout.trim();
}

/** Brings a database to the newest schema; what was in it is copied to a file first. */
export function migrateDatabase({ migrationUrl, applicationUser }, dumps) {
	runScript('migrate.ts', {
		MIGRATION_DATABASE_URL: migrationUrl,
		TEVRIK_APPLICATION_USER: applicationUser,
		...(dumps ? { TEVRIK_DUMPS: dumps } : {})
	});
}

/** Runs one of our scripts beside everything else; whoever started it need not wait. */
export function startScript(script, env) {
	const child = spawn(bin('tsx'), [join(ROOT, 'scripts', script)], {
		cwd: ROOT,
		env: { ...process.env, ...env },
		stdio: ['ignore', 'ignore', 'inherit']
	});
	return new Promise((done) => child.once('exit', (status) => done(status === 0)));
}

/**
 * Brings a database to the newest schema and fills it with the demo world, unless that is there.
 *
 * @param {{ migrationUrl: string, applicationUser: string, url: string }} database
 * @param {{ dumps?: string, clock?: string }} options where records are kept before they are changed; a clock of one's own
 * @returns who the demo member is, and how old the world
 */
export function fillDemo(database, { dumps, clock } = {}) {
	migrateDatabase(database, dumps);
	return JSON.parse(
		runScript('seed.ts', { DATABASE_URL: database.url, ...(clock ? { TEVRIK_CLOCK: clock } : {}) })
	);
}

/** Builds into `folder` unless what is there was made from the same sources. */
export function build(folder = join(ROOT, 'build'), kitFolder = join(ROOT, '.svelte-kit')) {
	const mark = join(folder, 'sources.sha256');
	const digest = sourceDigest();
	if (existsSync(mark) && readFileSync(mark, 'utf8') === digest) return false;
	const env = { ...process.env, NODE_ENV: 'production', TEVRIK_BUILD_DIR: folder, TEVRIK_KIT_DIR: kitFolder };
	const made = (...args) => {
		const done = spawnSync(bin('vite'), ['build', '--logLevel', 'warn', ...args], {
			cwd: ROOT,
			encoding: 'utf8',
			env
		});
		if (done.status !== 0) stop(`Building the application failed:\n${(done.stderr || done.stdout).trim()}`);
	};
	made();
	// The threads that reckon run a program of their own.
	made('--config', 'vite.reckon.config.ts', '--outDir', join(folder, 'reckon'));
	mkdirSync(folder, { recursive: true });
	writeFileSync(mark, digest);
	return true;
}

export async function portIsFree(port, host) {
	return new Promise((done) => {
		const server = createServer();
		server.once('error', () => done(false));
		server.listen(port, host, () => server.close(() => done(true)));
	});
}

/**
 * The heaps of all threads are swept when they have grown by half, and not by several times what they hold, and their
 * nurseries are half as large as usual: a third less memory for an eighth more of the processor. A machine with little
 * memory trades more of it (docs/performance.md).
 */
const MEMORY = process.env.TEVRIK_SMALL_MEMORY
	? ['--optimize-for-size']
	: ['--heap-growing-percent=50', '--max-semi-space-size=8'];

/** Threads share two arenas of the C library: one for each holds on to what none of them uses, a fifteenth of all. */
const ARENAS = { MALLOC_ARENA_MAX: '2' };

/** The machine itself; it is called by its name, which a passkey can be bound to. */
export const isLoopback = (host) => host === '127.0.0.1' || host === '::1' || host === 'localhost';

/** Starts the built server and waits until it answers. */
export async function serve({
	folder = join(ROOT, 'build'),
	/** What is run instead of the built server alone. */
	entry = join(folder, 'index.js'),
	host = '127.0.0.1',
	port,
	env,
	quiet = false,
	log = /** @type {number | undefined} */ (undefined),
	movable = false,
	/** What the server asks of whoever started it. */
	onmessage = /** @type {((said: any) => void) | undefined} */ (undefined)
}) {
	const origin = env.ORIGIN ?? `http://${isLoopback(host) ? 'localhost' : host}:${port}`;
	const child = spawn(process.execPath, [...MEMORY, entry, folder], {
		cwd: ROOT,
		env: {
			...ARENAS,
			...process.env,
			NODE_ENV: 'production',
			HOST: host,
			PORT: String(port),
			// Reached under several names, it is told by each request which of them was meant.
			...(env.TEVRIK_HOUSE ? {} : { ORIGIN: origin }),
			BODY_SIZE_LIMIT: '3M',
			SHUTDOWN_TIMEOUT: '5',
			...env
		},
		stdio: [
			'ignore',
			log ?? (quiet ? 'ignore' : 'inherit'),
			log ?? 'inherit',
			...(movable || onmessage ? ['ipc'] : [])
		],
		detached: true
	});
	if (onmessage) child.on('message', onmessage);
	let ended = false;
	child.once('exit', () => (ended = true));
	for (let i = 0; ; i++) {
		if (ended) stop('The server did not start; what it said stands above.');
		try {
			// At its own address: the origin may be that of a proxy in front of it.
			await fetch(`http://${host}:${port}/icon.svg`);
			break;
		} catch {
			if (i > 600) {
				child.kill('SIGKILL');
				stop('The server did not answer within a minute.');
			}
			await sleep(100);
		}
	}
	return {
		origin,
		pid: child.pid,
		ended: new Promise((done) => (ended ? done() : child.once('exit', () => done()))),
		kill: (signal) => child.kill(signal),
		/** Moves a clock that was set; only a parent that asked for it can. */
		moveClock: (ms) => child.connected && child.send({ moveClockMs: ms }),
		async stop() {
			if (ended) return;
			if (child.connected) child.disconnect();
			child.kill('SIGTERM');
			await new Promise((done) => child.once('exit', done));
		}
	};
}
