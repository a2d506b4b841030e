// npm test         every check, within ten minutes on two cores. Own build folder, own databases: neither a running demo
//                  nor a second run is disturbed.
// npm run check    types, lint, rules, unit and component tests, for the small loop
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, ensureRoom, ROOT } from './bootstrap.mjs';
import { main } from './say.mjs';
import { bin, createStages, QUICK } from './stages.mjs';

const onlySmall = process.argv.includes('--small');
const stages = createStages();
for (const signal of ['SIGINT', 'SIGTERM']) {
	process.on(signal, () => {
		stages.end();
		process.exit(1);
	});
}

const node = (...args) => [process.execPath, args];

async function quick(checks) {
	for (const [name, program, args, remembering = []] of checks) {
		await stages.check(name, bin(program), onlySmall ? [...args, ...remembering] : args);
	}
}

/** The longest check and the tests that need nothing else. */
async function slowOnes(folder) {
	await quick(QUICK.filter(([name]) => name === 'lint'));
	await stages.vitest('unit', folder);
	await stages.vitest('component', folder);
}

async function otherOnes() {
	await quick(QUICK.filter(([name]) => name !== 'lint'));
	await stages.check('schema and migrations fit', ...node('scripts/check-migrations.mjs'));
}

/** Without a database and a browser: both halves at once. */
const small = (folder) => Promise.all([otherOnes(), slowOnes(folder)]);

/** Two lanes of about the same length: what needs a browser, and everything else beside it. */
async function whole(folder) {
	const build = join(folder, 'build');
	let engine;
	const ready = (async () => {
		await stages.check('build', ...node('scripts/build.mjs', build, join(folder, 'kit')));
		await stages.check('templates of the databases', bin('tsx'), ['scripts/make-templates.mjs']);
		const { startEngine } = await import('./test-engine.mjs');
		engine = await startEngine();
		return { TEVRIK_TEST_BUILD: build, TEVRIK_TEST_ENGINE: engine.setting };
	})();
	const browserLane = async () => stages.vitest('e2e', folder, await ready);
	const otherLane = async () => {
		await otherOnes();
		await slowOnes(folder);
		await stages.vitest('integration', folder, await ready);
	};
	try {
		await Promise.all([browserLane(), otherLane()]);
	} finally {
		await engine?.stop();
	}
}

await main(async () => {
	const since = Date.now();
	ensureRoom();
	if (!onlySmall) ensurePrograms('mariadb', 'chromium');
	ensurePackages();
	mkdirSync(join(ROOT, '.test'), { recursive: true });
	const folder = mkdtempSync(join(ROOT, '.test/run-'));
	try {
		await stages.check('generated types', bin('svelte-kit'), ['sync']);
		await (onlySmall ? small(folder) : whole(folder));
	} finally {
		stages.end();
		rmSync(folder, { recursive: true, force: true });
	}
	stages.close(since);
});
