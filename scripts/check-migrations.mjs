// The committed migrations must be what the schema asks for: generating again must add nothing.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ROOT } from './bootstrap.mjs';

const folder = mkdtempSync(join(ROOT, '.test/drizzle-'));
try {
	cpSync(join(ROOT, 'drizzle'), folder, { recursive: true });
	const before = readdirSync(folder).length;
	const done = spawnSync(
		join(ROOT, 'node_modules/.bin/drizzle-kit'),
		[
			'generate',
			'--dialect',
			'mysql',
			'--schema',
			'./src/lib/server/db/schema/index.ts',
			'--out',
			relative(ROOT, folder)
		],
		{ cwd: ROOT, encoding: 'utf8' }
	);
	if (done.status !== 0 || readdirSync(folder).length !== before) {
		console.error(
			`The schema has changed without a migration. Run: npm run generate\n${done.stdout}${done.stderr}`
		);
		process.exitCode = 1;
	}
} finally {
	rmSync(folder, { recursive: true, force: true });
}
