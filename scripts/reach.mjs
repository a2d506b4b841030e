// The records as the migrating user reaches them, whether Tevrik runs or not.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { HOME } from './bootstrap.mjs';
import { startDatabase } from './database.mjs';
import { stop } from './say.mjs';

/** The named database, the one of the running demo, or the demo's own one started for a moment. */
export async function reach() {
	if (process.env.MIGRATION_DATABASE_URL)
		return { url: process.env.MIGRATION_DATABASE_URL, done: async () => {} };
	const folder = join(HOME, 'database');
	if (!existsSync(folder)) stop('There are no records yet. Start Tevrik once with: npm run demo');
	const pidFile = join(folder, 'mariadb.pid');
	const pid = existsSync(pidFile) ? readFileSync(pidFile, 'utf8').trim() : '';
	if (pid && existsSync(`/proc/${pid}`)) {
		const { migrationUrl, loadUrl } = JSON.parse(readFileSync(join(HOME, 'connection.json'), 'utf8'));
		return { url: migrationUrl, loadUrl, done: async () => {} };
	}
	const own = await startDatabase({ folder });
	return { url: own.migrationUrl, loadUrl: own.loadUrl, done: () => own.stop() };
}
