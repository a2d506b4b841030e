// npm test         every check, within ten minutes on two cores. Own build folder, own databases: neither a running demo
//                  nor a second run is disturbed.
// npm run check    types, lint, rules and unit tests, for the small loop
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, ensureRoom, ROOT } from './bootstrap.mjs';
import { main } from './say.mjs';
import { bin, createStages, QUICK } from './stages.mjs';

const stages = createStages();
for (const signal of ['SIGINT', 'SIGTERM']) {
	process.on(signal, () => {
		stages.end();
		process.exit(1);
	});
}

const node = (...args) => [process.execPath, args];

/** The longest check and the tests that need nothing else. */
async function slowOnes(folder) {
	const [[name, program, args]] = QUICK.filter(([name]) => name === 'lint');
	await stages.check(name, bin(program), args);
	await stages.vitest('unit', folder);
}

async function otherOnes() {
	for (const [name, program, args] of QUICK.filter(([name]) => name !== 'lint')) {
		await stages.check(name, bin(program), args);
	}
	await stages.check('schema and migrations fit', ...node('scripts/check-migrations.mjs'));
}

/** Both at once where nothing else runs; one after the other beside the tests that need a browser. */
async function quick(folder, atOnce) {
	if (atOnce) await Promise.all([otherOnes(), slowOnes(folder)]);
	else {
		await otherOnes();
		await slowOnes(folder);
	}
}

/** What needs a database, then what needs a browser as well. */
async function whole(folder) {
	const build = join(folder, 'build');
	await stages.check('build', ...node('scripts/build.mjs', build, join(folder, 'kit')));
	await stages.check('templates of the databases', bin('tsx'), ['scripts/make-templates.mjs']);
	const { startEngine } = await import('./test-engine.mjs');
	const engine = await startEngine();
	try {
		const env = { TEVRIK_TEST_BUILD: build, TEVRIK_TEST_ENGINE: engine.setting };
		await stages.vitest('integration', folder, env);
		await stages.vitest('e2e', folder, env);
	} finally {
		await engine.stop();
	}
}

await main(async () => {
	const since = Date.now();
	const small = process.argv.includes('--small');
	ensureRoom();
	if (!small) ensurePrograms('mariadb', 'chromium');
	ensurePackages();
	mkdirSync(join(ROOT, '.test'), { recursive: true });
	const folder = mkdtempSync(join(ROOT, '.test/run-'));
	try {
		await stages.check('generated types', bin('svelte-kit'), ['sync']);
		await (small ? quick(folder, true) : Promise.all([whole(folder), quick(folder, false)]));
	} finally {
		stages.end();
		rmSync(folder, { recursive: true, force: true });
	}
	stages.close(since);
});
