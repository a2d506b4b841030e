import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { startDatabase } from '../../scripts/database.mjs';
import { grantToApplication } from '../../src/lib/server/db/grants.ts';
import { migrate } from '../../src/lib/server/db/migrator.ts';

export const MIGRATIONS = join(import.meta.dirname, '../../drizzle');

declare module 'vitest' {
	interface ProvidedContext {
		databaseUrl: string;
		migrationUrl: string;
	}
}

/** One throwaway MariaDB for all integration tests; each test makes a site of its own. */
export default async function setup(project: TestProject) {
	const folder = mkdtempSync(join(tmpdir(), 'tevrik-integration-'));
	const database = await startDatabase({ folder, throwaway: true });
	await migrate(database.migrationUrl, MIGRATIONS);
	await grantToApplication(database.migrationUrl, database.applicationUser);
	project.provide('databaseUrl', database.url);
	project.provide('migrationUrl', database.migrationUrl);
	return async () => {
		await database.stop();
		rmSync(folder, { recursive: true, force: true });
	};
}
