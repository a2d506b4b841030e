// Runs the stages of a check, each in a process group of its own, and says what each took: seconds by the wall, and
// seconds of the processor with all that it started and waited for.
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './bootstrap.mjs';

export const bin = (name) => join(ROOT, 'node_modules/.bin', name);

/** Checkers make much that is soon forgotten: with more room for it they take a sixth less of the processor. */
const ROOMY = `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=64`.trim();

/** The shell's own `times`: the last line is what its children took, "1m2.5s 0m3.1s". */
const TIMED = '"$@"; status=$?; times >&3; exit $status';

function processorSeconds(times) {
	const last = times.trim().split('\n').at(-1) ?? '';
	return [...last.matchAll(/(\d+)m([\d.]+)s/g)].reduce(
		(sum, [, m, s]) => sum + 60 * Number(m) + Number(s),
		0
	);
}

export function createStages(say = console.log) {
	const running = new Set();
	const table = [];
	let passed = 0;
	let failed = 0;

	function run(command, args, env = {}) {
		return new Promise((done) => {
			const child = spawn('sh', ['-c', TIMED, 'sh', command, ...args], {
				cwd: ROOT,
				env: { ...process.env, NODE_OPTIONS: ROOMY, ...env },
				stdio: ['ignore', 'pipe', 'pipe', 'pipe'],
				detached: true
			});
			running.add(child);
			let output = '';
			let times = '';
			child.stdout.on('data', (chunk) => (output += chunk));
			child.stderr.on('data', (chunk) => (output += chunk));
			child.stdio[3].on('data', (chunk) => (times += chunk));
			child.once('error', (error) => done({ status: 1, output: String(error), cpuS: 0 }));
			child.once('close', (status) => {
				running.delete(child);
				done({ status: status ?? 1, output, cpuS: processorSeconds(times) });
			});
		});
	}
	function report(name, since, { status, output, cpuS }, counts = '') {
		const wallS = (Date.now() - since) / 1000;
		table.push({ name, wallS, cpuS });
		const took = `${wallS.toFixed(0)} s, processor ${cpuS.toFixed(0)} s`;
		say(`${status === 0 ? 'ok    ' : 'FAILED'}  ${name}${counts ? `, ${counts}` : ''}  (${took})`);
		if (status !== 0) say(output.trim().split('\n').slice(-160).join('\n'));
	}
	return {
		/** A check that passes or fails as a whole. */
		async check(name, command, args, env) {
			const since = Date.now();
			const outcome = await run(command, args, env);
			if (outcome.status === 0) passed++;
			else failed++;
			report(name, since, outcome);
			return outcome.status === 0;
		},
		/** A Vitest project, whose tests are counted one by one. */
		async vitest(project, folder, env = {}) {
			const since = Date.now();
			const file = join(folder, `${project}.json`);
			const outcome = await run(
				bin('vitest'),
				['run', '--project', project, '--reporter=default', '--reporter=json', `--outputFile.json=${file}`],
				env
			);
			let counts = '';
			try {
				const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(file, 'utf8'));
				passed += numPassedTests;
				failed += numFailedTests + (outcome.status !== 0 && numFailedTests === 0 ? 1 : 0);
				counts = `${numPassedTests} passed, ${numFailedTests} failed`;
			} catch {
				failed++;
			}
			report(`${project} tests`, since, outcome, counts);
		},
		/** Ends whatever still runs. */
		end() {
			for (const child of running) {
				try {
					process.kill(-child.pid, 'SIGTERM');
				} catch {
					// It has just ended by itself.
				}
			}
		},
		/** The last lines: what all took, and how many passed and failed. */
		close(since) {
			const cpuS = table.reduce((sum, t) => sum + t.cpuS, 0);
			const wallS = (Date.now() - since) / 1000;
			say(`\nEverything took ${wallS.toFixed(0)} s; the processor was busy for ${cpuS.toFixed(0)} s.`);
			say(`${passed} passed, ${failed} failed`);
			if (failed > 0 || passed === 0) process.exitCode = 1;
		}
	};
}

/**
 * What needs neither a database nor a browser. The last of each are added in the small loop, which remembers what was
 * fine and has not changed since; a whole run looks at everything anew.
 */
export const QUICK = [
	// What reads the generated types comes first: each run of tests writes them anew as it starts.
	['lint by types', 'oxlint', ['--type-aware', 'src', 'tests', 'scripts']],
	['types of the core, which knows no browser and no Node', 'tsgo', ['-p', 'tsconfig.core.json']],
	['types', 'svelte-check', ['--tsgo', '--threshold', 'error', '--fail-on-warnings'], ['--incremental']],
	['import rules', 'depcruise', ['src', 'tests', 'scripts', '--config', '.dependency-cruiser.cjs']],
	[
		'formatting',
		'prettier',
		['--check', '.'],
		['--cache', '--cache-strategy', 'content', '--cache-location', '.test/cache/prettier']
	],
	[
		'lint',
		'eslint',
		['.'],
		['--cache', '--cache-strategy', 'content', '--cache-location', '.test/cache/eslint']
	],
	[
		'unused files and packages',
		'knip',
		['--no-progress', '--no-config-hints', '--include', 'files,dependencies,unlisted,exports,duplicates']
	]
];
