// npm run demo [-- --fresh] [--host ADDRESS] [--port N] [--sign-in-demo-member]
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, ensureRoom, HOME, ROOT } from './bootstrap.mjs';
import { build, portIsFree, fillDemo, serve } from './application.mjs';
import { endLeftover, startDatabase } from './database.mjs';
import { main, stop } from './say.mjs';
import { supervise } from './supervise.mjs';

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);
const DEFAULT_PORT = 4180;
/** Tests serve a build of their own. */
const BUILD = process.env.TEVRIK_TEST_BUILD ?? join(ROOT, 'build');
/** From this age on the demo's dates look stale. */
const OLD_DAYS = 3;

function options(args) {
	const value = (name) => {
		const i = args.indexOf(name);
		return i < 0 ? undefined : args[i + 1];
	};
	const known = new Set([
		'--fresh',
		'--host',
		'--port',
		'--sign-in-demo-member',
		value('--host'),
		value('--port')
	]);
	const unknown = args.find((a) => !known.has(a));
	if (unknown)
		stop(
			`"${unknown}" is not an option. There are: --fresh, --host ADDRESS, --port N, --sign-in-demo-member.`
		);
	const port = Number(value('--port') ?? process.env.PORT ?? DEFAULT_PORT);
	if (!Number.isInteger(port) || port < 1 || port > 65535)
		stop('The port must be a whole number from 1 to 65535.');
	const asked = value('--host') ?? '127.0.0.1';
	return {
		fresh: args.includes('--fresh'),
		host: asked === 'localhost' ? '127.0.0.1' : asked,
		port,
		signIn: args.includes('--sign-in-demo-member')
	};
}

/** The database that was named, or an own one in the project's folder. */
async function database(fresh) {
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
	const folder = join(HOME, 'database');
	if (fresh && existsSync(folder)) {
		await endLeftover(join(folder, 'mariadb.pid'), join(folder, 'data'));
		const kept = join(HOME, 'database-before-fresh');
		rmSync(kept, { recursive: true, force: true });
		renameSync(folder, kept);
		console.log(`The records before this are kept in ${kept} until the next fresh start.`);
	}
	const started = await startDatabase({ folder });
	return { ...started, again: () => startDatabase({ folder, port: started.port }) };
}

await main(async () => {
	const { fresh, host, port, signIn } = options(process.argv.slice(2));
	ensureRoom(HOME);
	ensurePackages();
	const serverPid = join(HOME, 'server.pid');
	await endLeftover(serverPid, BUILD);
	if (!(await portIsFree(port, host))) {
		stop(
			`Port ${port} on ${host} is in use by another program. Choose another: npm run demo -- --port ${port + 1}`
		);
	}
	const own = await database(fresh);
	if (!process.env.DATABASE_URL) {
		const connection = JSON.stringify({ migrationUrl: own.migrationUrl, loadUrl: own.loadUrl });
		writeFileSync(join(HOME, 'connection.json'), connection, { mode: 0o600 });
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
		const demo = fillDemo(own, { dumps: join(HOME, 'dumps') });
		if (demo.ageDays >= OLD_DAYS) {
			console.log(
				`The demo world was made on ${demo.madeOn}, ${demo.ageDays} days ago. To make it afresh: npm run demo -- --fresh`
			);
		}
		mkdirSync(HOME, { recursive: true });
		build(BUILD);
		const signsIn = LOOPBACK.has(host) || signIn;
		const serveIt = async () => {
			server = await serve({
				folder: BUILD,
				host,
				port,
				env: {
					DATABASE_URL: own.url,
					TEVRIK_RESTORING: join(HOME, 'restoring'),
					...(process.env.ORIGIN ? { ORIGIN: process.env.ORIGIN } : {}),
					...(signsIn ? { TEVRIK_SIGN_IN_AS: demo.personId } : {})
				}
			});
			writeFileSync(serverPid, String(server.pid));
		};
		await serveIt();
		console.log(`\nTevrik is at ${server.origin}\n`);
		if (!signsIn) {
			console.log(
				'It answers beyond this machine, so nobody is signed in. To let everybody be the demo keeper: --sign-in-demo-member\n'
			);
		}
		console.log('Ctrl-C ends it; what was entered is kept.');
		await supervise({
			parts: [
				{
					name: 'server',
					ended: () => server.ended,
					again: serveIt
				},
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
});
process.exit();
