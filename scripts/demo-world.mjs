// The built application on a throwaway database that is filled as the demo is, for commands that look at it from outside.
// Only to be loaded once the packages are there.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, fillDemo, serve } from './application.mjs';
import { freePort, startDatabase } from './database.mjs';

/**
 * Fills a demo world, lets `use` have it, and removes it with every server that was asked of it.
 *
 * @param {{ clock?: string, env?: Record<string, string> }} options the clock the world is filled by; of every server, over
 * what it is given anyway: no limit of requests, the demo member signed in
 * @param {(world: { databaseUrl: string, personId: string,
 *   serve: (env?: Record<string, string>) => ReturnType<typeof serve> }) => Promise<void>} use
 */
export async function withDemoWorld({ clock, env = {} }, use) {
	const folder = mkdtempSync(join(tmpdir(), 'tevrik-demo-world-'));
	build();
	const database = await startDatabase({ folder, throwaway: true });
	const servers = [];
	try {
		const { personId } = fillDemo(database, { clock });
		await use({
			databaseUrl: database.url,
			personId,
			serve: async (more = {}) => {
				const server = await serve({
					port: await freePort(),
					quiet: true,
					env: {
						DATABASE_URL: database.url,
						TEVRIK_SIGN_IN_AS: personId,
						TEVRIK_REQUESTS_PER_MINUTE: '1000000',
						...env,
						...more
					}
				});
				servers.push(server);
				return server;
			}
		});
	} finally {
		for (const server of servers) await server.stop();
		await database.stop();
		rmSync(folder, { recursive: true, force: true });
	}
}
