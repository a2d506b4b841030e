import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { Piscina } from 'piscina';
import { errorOf, type Failed } from './failed.ts';
import type { Done, Task } from './reckon.ts';

/** While one waits for the records, the other reckons. */
const TASKS_PER_THREAD = 2;
/** Each holds the programs and some waters in memory; more than the machine has processors are of no use. */
const MOST_THREADS = 4;
const IDLE_MS = 60_000;

export interface Pool {
	run(task: Task): Promise<Done>;
	close(): Promise<void>;
}

/** Where the build puts the thread's program: beside the program that was started. Null where there is none. */
export function workerFile(started: string | undefined): string | null {
	const file = join(dirname(started ?? ''), 'reckon', 'worker.js');
	return existsSync(file) ? file : null;
}

/** Threads that reckon with connections of their own. Any number may ask at once; they take their turn. */
export function openPool(file: string, url: string): Pool {
	const program = createHash('sha256').update(readFileSync(file)).digest('hex').slice(0, 16);
	// One core is left to who answers.
	const threads = Math.max(1, Math.min(MOST_THREADS, availableParallelism() - 1));
	const pool = new Piscina<Task, Done | Failed>({
		filename: file,
		minThreads: Math.min(2, threads),
		maxThreads: threads,
		concurrentTasksPerWorker: TASKS_PER_THREAD,
		idleTimeout: IDLE_MS,
		// A thread that slept on a lock could not hear its own connections.
		atomics: 'disabled',
		workerData: { url, program }
	});
	let closing = false;
	return {
		async run(task) {
			// Whoever asks while the program ends is told no more; that its thread was ended is no fault of its own.
			const done = await pool
				.run(task)
				.catch((fault: unknown) =>
					closing ? new Promise<never>(() => undefined) : Promise.reject(fault as Error)
				);
			if ('failed' in done) throw errorOf(done);
			return done;
		},
		close: () => {
			closing = true;
			return pool.destroy();
		}
	};
}
