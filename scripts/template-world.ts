// The built application on a throwaway database with the demo world, for commands that ask it from outside.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { grantToApplication } from '../src/lib/server/db/grants.ts';
import { build, serve } from './application.mjs';
import { ensurePackages, ensurePrograms, ROOT } from './bootstrap.mjs';
import { freePort, startDatabase } from './database.mjs';
import { demoMember, ensureTemplates, readInto } from './test-engine.mjs';

export interface TemplateWorld {
	readonly origin: string;
	/** For looking at the tables themselves. */
	readonly migrationUrl: string;
}

/**
 * Serves the demo world of the tests while `use` runs, and removes it afterwards.
 *
 * @param env of the server, over what it is given anyway: no limit of requests, the demo member signed in
 * @param log where the server writes; quiet without
 */
export async function withTemplateWorld(
	{ env, log }: { env: Record<string, string>; log?: number },
	use: (world: TemplateWorld) => Promise<void>
): Promise<void> {
	ensurePrograms('mariadb');
	ensurePackages();
	const templates = await ensureTemplates();
	const built = join(ROOT, '.test/build');
	build(built, join(ROOT, '.test/kit'));
	const folder = mkdtempSync(join(tmpdir(), 'tevrik-template-world-'));
	const database = await startDatabase({ folder, throwaway: true });
	let server: Awaited<ReturnType<typeof serve>> | undefined;
	try {
		await readInto(database.migrationUrl, join(templates, 'demo.sql'));
		await grantToApplication(database.migrationUrl, database.applicationUser);
		server = await serve({
			folder: built,
			port: await freePort(),
			quiet: true,
			...(log === undefined ? {} : { log }),
			env: {
				DATABASE_URL: database.url,
				TEVRIK_REQUESTS_PER_MINUTE: '1000000',
				TEVRIK_SIGN_IN_AS: demoMember(templates),
				TEVRIK_SECRET: 'a secret for tests, of no use to anybody',
				...env
			}
		});
		await use({ origin: server.origin, migrationUrl: database.migrationUrl });
	} finally {
		await server?.stop();
		await database.stop();
		rmSync(folder, { recursive: true, force: true });
	}
}
