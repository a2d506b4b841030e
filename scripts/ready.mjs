// Before a command that runs TypeScript as it stands: the packages are there, and so are the types and paths that Kit makes.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, ROOT } from './bootstrap.mjs';
import { main, stop } from './say.mjs';

await main(() => {
	ensurePackages();
	const synced = spawnSync(join(ROOT, 'node_modules/.bin/svelte-kit'), ['sync'], {
		cwd: ROOT,
		encoding: 'utf8'
	});
	if (synced.status !== 0) stop(`The types of the routes could not be made: ${synced.stderr.trim()}`);
});
