import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '../..');
export const BUILD = process.env.TEVRIK_TEST_BUILD ?? join(ROOT, '.test/build');

/** Starts our commands as a person would, in a home of its own; `end` takes all of it away. */
export function commandsIn(name: string) {
	const home = mkdtempSync(join(tmpdir(), name));
	const started: ChildProcess[] = [];

	function command(script: string, args: string[], env: Record<string, string> = {}) {
		const child = spawn(process.execPath, [join(ROOT, 'scripts', script), ...args], {
			cwd: ROOT,
			env: { ...process.env, TEVRIK_HOME: home, TEVRIK_TEST_BUILD: BUILD, TEVRIK_LOG_LEVEL: 'silent', ...env }
		});
		started.push(child);
		let said = '';
		child.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
		child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
		// Not 'close': a server that is left behind holds the pipes open.
		const ended = once(child, 'exit').then(async ([code]) => {
			await new Promise((done) => setTimeout(done, 100));
			return code as number | null;
		});
		return {
			child,
			ended,
			said: () => said,
			async until(words: string) {
				for (let i = 0; i < 2400; i++) {
					if (said.includes(words)) return;
					if (child.exitCode !== null) throw new Error(`it ended: ${said}`);
					await new Promise((done) => setTimeout(done, 100));
				}
				throw new Error(`it never said "${words}": ${said}`);
			}
		};
	}
	/** What it says before it gives up, in one line, and how it ended. */
	async function refusal(script: string, args: string[], env: Record<string, string> = {}) {
		const run = command(script, args, env);
		const status = await run.ended;
		return { status, said: run.said().trim() };
	}
	function end(): void {
		for (const child of started) if (child.exitCode === null) child.kill('SIGTERM');
		// A database that is told to end takes a moment.
		rmSync(home, { recursive: true, force: true, maxRetries: 40, retryDelay: 250 });
	}
	return { home, command, refusal, end };
}
