// npm run bench   ratios measured in one run; seconds would only tell about this machine
import { mkdtempSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms } from './bootstrap.mjs';
import { main } from './say.mjs';

const WARM_UP = 50;
const REQUESTS = 200;

async function medianMs(url, cookie) {
	const agent = new Agent({ keepAlive: true, maxSockets: 1 });
	const once = () =>
		new Promise((done, failed) => {
			const start = performance.now();
			request(url, { agent, headers: { cookie, accept: 'text/html' } }, (response) => {
				response.resume();
				response.once('end', () =>
					response.statusCode === 200
						? done(performance.now() - start)
						: failed(new Error(`${url}: ${response.statusCode}`))
				);
			})
				.once('error', failed)
				.end();
		});
	for (let i = 0; i < WARM_UP; i++) await once();
	const times = [];
	for (let i = 0; i < REQUESTS; i++) times.push(await once());
	agent.destroy();
	return times.sort((a, b) => a - b)[REQUESTS / 2];
}

await main(async () => {
	ensurePrograms('mariadb');
	ensurePackages();
	const { build, runScript, serve } = await import('./application.mjs');
	const { freePort, startDatabase } = await import('./database.mjs');
	console.log(runScript('bench-results.ts', {}));

	const folder = mkdtempSync(join(tmpdir(), 'tevrik-bench-'));
	build();
	const database = await startDatabase({ folder, throwaway: true });
	let server;
	try {
		runScript('migrate.ts', {
			MIGRATION_DATABASE_URL: database.migrationUrl,
			TEVRIK_APPLICATION_USER: database.applicationUser
		});
		const demo = JSON.parse(runScript('seed.ts', { DATABASE_URL: database.url }));
		server = await serve({
			port: await freePort(),
			quiet: true,
			env: {
				DATABASE_URL: database.url,
				TEVRIK_SIGN_IN_AS: demo.personId,
				TEVRIK_REQUESTS_PER_MINUTE: '1000000'
			}
		});
		const first = await fetch(`${server.origin}/`, { headers: { accept: 'text/html' }, redirect: 'manual' });
		const cookie = first.headers.get('set-cookie').split(';')[0];
		const base = server.origin + first.headers.get('location').replace(/\/today$/, '');
		const empty = await medianMs(`${base}/help`, cookie);
		const today = await medianMs(`${base}/today`, cookie);
		console.log(
			`Today takes ${(today / empty).toFixed(1)} times a page without data under the same layout (aim: at most 5)`
		);
	} finally {
		await server?.stop();
		await database.stop();
		rmSync(folder, { recursive: true, force: true });
	}
});
