// npm test   every check. Own build folder, own databases: neither a running demo nor a second run is disturbed.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, ensureRoom, ROOT } from './bootstrap.mjs';
import { main } from './say.mjs';

const bin = (name) => join(ROOT, 'node_modules/.bin', name);
const seconds = (since) => `${((Date.now() - since) / 1000).toFixed(0)} s`;
const running = new Set();

/** Runs a program in a process group of its own, so that nothing of it outlives us. */
function run(command, args, env = {}) {
	return new Promise((done) => {
		const child = spawn(command, args, { cwd: ROOT, env: { ...process.env, ...env }, detached: true });
		running.add(child);
		let output = '';
		child.stdout.on('data', (chunk) => (output += chunk));
		child.stderr.on('data', (chunk) => (output += chunk));
		child.once('error', (error) => done({ status: 1, output: String(error) }));
		child.once('close', (status) => {
			running.delete(child);
			done({ status: status ?? 1, output });
		});
	});
}

let passed = 0;
let failed = 0;

function report(name, since, ok, counts, output) {
	console.log(`${ok ? 'ok    ' : 'FAILED'}  ${name}${counts ? `, ${counts}` : ''}  (${seconds(since)})`);
	if (!ok) console.log(output.trim().split('\n').slice(-120).join('\n'));
}

/** A check that passes or fails as a whole. */
async function check(name, command, args, env) {
	const since = Date.now();
	const { status, output } = await run(command, args, env);
	if (status === 0) passed++;
	else failed++;
	report(name, since, status === 0, '', output);
}

/** A Vitest project, whose tests are counted one by one. */
async function vitest(project, folder, env = {}) {
	const since = Date.now();
	const file = join(folder, `${project}.json`);
	const { status, output } = await run(
		bin('vitest'),
		['run', '--project', project, '--reporter=default', '--reporter=json', `--outputFile.json=${file}`],
		env
	);
	let counts = '';
	try {
		const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(file, 'utf8'));
		passed += numPassedTests;
		failed += numFailedTests + (status !== 0 && numFailedTests === 0 ? 1 : 0);
		counts = `${numPassedTests} passed, ${numFailedTests} failed`;
	} catch {
		failed++;
	}
	report(`${project} tests`, since, status === 0, counts, output);
}

const end = () => {
	for (const child of running) {
		try {
			process.kill(-child.pid, 'SIGTERM');
		} catch {
			// It has just ended by itself.
		}
	}
};
for (const signal of ['SIGINT', 'SIGTERM']) {
	process.on(signal, () => {
		end();
		process.exit(1);
	});
}

await main(async () => {
	const since = Date.now();
	ensureRoom();
	ensurePrograms('mariadb', 'chromium');
	ensurePackages();
	mkdirSync(join(ROOT, '.test'), { recursive: true });
	const folder = mkdtempSync(join(ROOT, '.test/run-'));
	try {
		await run(bin('svelte-kit'), ['sync']);
		const { build } = await import('./application.mjs');
		const own = join(folder, 'build');
		const quick = async () => {
			await check('formatting', bin('prettier'), ['--check', '.']);
			await check('import rules', bin('depcruise'), [
				'src',
				'tests',
				'scripts',
				'--config',
				'.dependency-cruiser.cjs'
			]);
			await check('types of the core, which knows no browser and no Node', bin('tsc'), [
				'-p',
				'tsconfig.core.json'
			]);
			await check('types', bin('svelte-check'), ['--threshold', 'error', '--fail-on-warnings']);
			await check('lint', bin('eslint'), ['.']);
			await check('unused files and packages', bin('knip'), [
				'--no-progress',
				'--no-config-hints',
				'--include',
				'files,dependencies,unlisted,exports,duplicates'
			]);
			await check('schema and migrations fit', process.execPath, ['scripts/check-migrations.mjs']);
			await vitest('unit', folder);
		};
		const whole = async () => {
			await vitest('integration', folder);
			const built = Date.now();
			build(own, join(folder, 'kit'));
			console.log(`ok      build  (${seconds(built)})`);
			await vitest('e2e', folder, { TEVRIK_TEST_BUILD: own });
		};
		await Promise.all([quick(), whole()]);
	} finally {
		end();
		rmSync(folder, { recursive: true, force: true });
	}
	console.log(`\nEverything took ${seconds(since)}.`);
	console.log(`${passed} passed, ${failed} failed`);
	if (failed > 0 || passed === 0) process.exitCode = 1;
});
