// npm run backup [-- FOLDER]      writes one moment's state of all records to a file
// npm run restore -- FILE --yes   puts such a file in the place of all records, or what an earlier restore kept
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, HOME, ROOT } from './bootstrap.mjs';
import { startDatabase } from './database.mjs';
import { dump } from './dump.mjs';
import { restore } from './restore.mjs';
import { main, stop } from './say.mjs';

/** The named database, the one of the running demo, or the demo's own one started for a moment. */
async function reach() {
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

await main(async () => {
	const [what, ...args] = process.argv.slice(2);
	const file = args.find((a) => !a.startsWith('--'));
	if (what === 'restore' && (!file || !args.includes('--yes'))) {
		stop('Say which file, and that all present records may be replaced: npm run restore -- FILE --yes');
	}
	ensurePrograms('mariadb');
	ensurePackages();
	const { url, loadUrl, done } = await reach();
	try {
		if (what === 'restore') {
			const kept = await restore({ url, loadUrl, file, home: HOME });
			console.log(`Restored ${file}. The records before it are kept as ${kept}.`);
			console.log(`To have them back: npm run restore -- ${kept} --yes`);
		} else {
			console.log(`Saved to ${await dump(url, file ?? join(ROOT, 'backups'))}`);
		}
	} finally {
		await done();
	}
});
