// npm run dev   the pages with reload as files are saved, on the demo's own database and clock
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { fillDemo } from './application.mjs';
import { ensurePackages, ensurePrograms, ensureRoom, HOME, ROOT } from './bootstrap.mjs';
import { startDatabase } from './database.mjs';
import { main, stop } from './say.mjs';

await main(async () => {
	ensureRoom(HOME);
	ensurePackages();
	ensurePrograms('mariadb');
	const folder = join(HOME, 'database');
	const pidFile = join(folder, 'mariadb.pid');
	if (existsSync(pidFile))
		stop('The demo is running, or was killed. End it first: its database has one user at a time.');
	const database = await startDatabase({ folder });
	try {
		const demo = fillDemo(database, { dumps: join(HOME, 'dumps') });
		const vite = spawn(
			join(ROOT, 'node_modules/.bin/vite'),
			['dev', '--host', '127.0.0.1', ...process.argv.slice(2)],
			{
				cwd: ROOT,
				stdio: 'inherit',
				env: { ...process.env, DATABASE_URL: database.url, TEVRIK_SIGN_IN_AS: demo.personId }
			}
		);
		for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => vite.kill(signal));
		await new Promise((ended) => vite.once('exit', ended));
	} finally {
		await database.stop();
	}
});
process.exit();
