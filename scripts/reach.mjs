// The records as the migrating user reaches them, whether Tevrik runs or not.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { HOME, OWN_HOME } from './bootstrap.mjs';
import { startDatabase } from './database.mjs';
import { stop } from './say.mjs';

/** One's own records where there are any, else the demo's; the demo's where they are asked for. */
function homeOf(args) {
	return !args.includes('--demo') && existsSync(join(OWN_HOME, 'database')) ? OWN_HOME : HOME;
}

/**
 * The named database, the one that runs, or an own one started for a moment.
 *
 * @param {string[]} args of the command line: `--demo` means the demo's records and not one's own
 */
export async function reach(args = process.argv.slice(2)) {
	if (process.env.MIGRATION_DATABASE_URL)
		return { url: process.env.MIGRATION_DATABASE_URL, home: homeOf(args), done: async () => {} };
	const home = homeOf(args);
	const folder = join(home, 'database');
	if (!existsSync(folder))
		stop('There are no records yet. Start Tevrik once with: npm start, or npm run demo');
	const pidFile = join(folder, 'mariadb.pid');
	const pid = existsSync(pidFile) ? readFileSync(pidFile, 'utf8').trim() : '';
	if (pid && existsSync(`/proc/${pid}`)) {
		const { migrationUrl, loadUrl } = JSON.parse(readFileSync(join(home, 'connection.json'), 'utf8'));
		return { url: migrationUrl, loadUrl, home, done: async () => {} };
	}
	const own = await startDatabase({ folder });
	return { url: own.migrationUrl, loadUrl: own.loadUrl, home, done: () => own.stop() };
}
