// What the demo and one's own Tevrik have in common: a database, the built server, and somebody who looks after both.
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, ensureRoom, ROOT } from './bootstrap.mjs';
import { build, portIsFree, serve } from './application.mjs';
import { endLeftover, startDatabase } from './database.mjs';
import { browsersOpen, OWN_PORT } from './ports.mjs';
import { stop } from './say.mjs';
import { supervise } from './supervise.mjs';

/** Tests serve a build of their own. */
export const BUILD = process.env.TEVRIK_TEST_BUILD ?? join(ROOT, 'build');

/**
 * Options of a command line, by what each is: a word alone or a word with a value behind it.
 *
 * @param {string[]} args
 * @param {Record<string, 'flag' | 'value'>} known
 * @returns {Record<string, string | true>}
 */
export function optionsOf(args, known) {
	const found = {};
	for (let i = 0; i < args.length; i++) {
		const kind = Object.hasOwn(known, args[i]) ? known[args[i]] : undefined;
		if (!kind) {
			const all = Object.entries(known).map(([name, k]) =>
				k === 'flag' ? name : `${name} ${name === '--port' ? 'N' : 'ADDRESS'}`
			);
			stop(`"${args[i]}" is not an option. There are: ${all.join(', ')}.`);
		}
		if (kind === 'flag') found[args[i]] = true;
		else {
			if (args[i + 1] === undefined) stop(`${args[i]} needs a value behind it.`);
			found[args[i]] = args[++i];
		}
	}
	return found;
}

/** Signs the cookies of all who are signed in; made once. */
export function secretOf(home) {
	const file = join(home, 'secret');
	if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
	return readFileSync(file, 'utf8').trim();
}

export function portOf(text) {
	const port = Number(text);
	if (!Number.isInteger(port) || port < 1 || port > 65535)
		stop('The port must be a whole number from 1 to 65535.');
	if (!browsersOpen(port)) {
		stop(
			`Browsers open no page at port ${port}: another service speaks there by custom. Choose another, such as ${OWN_PORT}.`
		);
	}
	return port;
}

/** The database that was named, or an own one in a folder of the home. */
async function database(home, fresh, anew) {
	const { DATABASE_URL: url, MIGRATION_DATABASE_URL: migrationUrl } = process.env;
	if (url) {
		if (fresh) stop('--fresh only empties the database of this folder, never one named by DATABASE_URL.');
		return {
			url,
			migrationUrl: migrationUrl ?? url,
			applicationUser: '',
			ended: new Promise(() => {}),
			again: () =>
				stop('The named database ended. Start it, then start Tevrik again: what was saved is kept.'),
			stop: async () => {}
		};
	}
	ensurePrograms('mariadb');
	const folder = join(home, 'database');
	if (fresh && existsSync(folder)) {
		await endLeftover(join(folder, 'mariadb.pid'), join(folder, 'data'));
		const kept = join(home, 'database-before-fresh');
		rmSync(kept, { recursive: true, force: true });
		renameSync(folder, kept);
		console.log(`The records before this are kept in ${kept} until the next fresh start.`);
	}
	const started = await startDatabase({ folder, anew });
	return { ...started, again: () => startDatabase({ folder, port: started.port, anew }) };
}

/**
 * Sets up, serves and looks after a Tevrik until somebody ends it.
 *
 * @param {{
 *   command: string,
 *   home: string,
 *   host?: string,
 *   port: number,
 *   fresh?: boolean,
 *   anew?: string,
 *   prepare: (database: any) => Promise<{ env: Record<string, string>, say: (origin: string) => string[] }>,
 *   options?: object
 * }} given how it is called, where it keeps its records, and what is done once the database is there
 */
export async function launch({
	command,
	home,
	host = '127.0.0.1',
	port,
	fresh = false,
	anew,
	prepare,
	options = {}
}) {
	ensureRoom(home);
	ensurePackages();
	const serverPid = join(home, 'server.pid');
	await endLeftover(serverPid, BUILD);
	if (!(await portIsFree(port, host))) {
		stop(
			`Port ${port} on ${host} is in use by another program. Choose another: ${command} -- --port ${port + 1}`
		);
	}
	const own = await database(home, fresh, anew);
	if (!process.env.DATABASE_URL) {
		const connection = JSON.stringify({ migrationUrl: own.migrationUrl, loadUrl: own.loadUrl });
		writeFileSync(join(home, 'connection.json'), connection, { mode: 0o600 });
	}
	let server;
	let current = own;
	let finishing = null;
	/** Ends both, once; everybody who asks waits for the same end. */
	const finish = () =>
		(finishing ??= (async () => {
			await server?.stop();
			rmSync(serverPid, { force: true });
			await current.stop();
		})());
	const leave = () => void finish().then(() => process.exit());
	process.on('SIGINT', leave);
	process.on('SIGTERM', leave);

	try {
		const prepared = await prepare(own);
		mkdirSync(home, { recursive: true });
		build(BUILD);
		const serveIt = async () => {
			server = await serve({
				folder: BUILD,
				host,
				port,
				...options,
				env: {
					DATABASE_URL: own.url,
					TEVRIK_RESTORING: join(home, 'restoring'),
					...(process.env.ORIGIN ? { ORIGIN: process.env.ORIGIN } : {}),
					...prepared.env
				}
			});
			writeFileSync(serverPid, String(server.pid));
			// For whoever asks from another window where it is reached.
			writeFileSync(join(home, 'address'), server.origin);
		};
		await serveIt();
		console.log(`\nTevrik is at ${server.origin}\n`);
		for (const line of prepared.say(server.origin)) console.log(`${line}\n`);
		console.log('Ctrl-C ends it; what was entered is kept.');
		await supervise({
			parts: [
				{ name: 'server', ended: () => server.ended, again: serveIt },
				{
					name: 'database',
					ended: () => current.ended,
					// At the same port: the server finds it again by itself.
					again: async () => (current = await own.again())
				}
			],
			finishing: () => finishing !== null
		});
	} finally {
		await finish();
	}
}
