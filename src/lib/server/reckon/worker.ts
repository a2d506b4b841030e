import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { workerData } from 'node:worker_threads';
import { connect } from '../db/connect.ts';
import { createMemory } from './memory.ts';
import { failedOf, type Failed } from './failed.ts';
import { reckon, type Done, type Task } from './reckon.ts';

/** Two tasks at once, of which one waits for the records, and what was learned is kept beside. */
const CONNECTIONS = 3;

const { url, program } = workerData as { url: string; program: string };
const { db } = connect(url, CONNECTIONS);
const report = (fault: Error, about: string) =>
	process.stderr.write(
		`${JSON.stringify({ name: 'tevrik', about, message: fault.message, stack: fault.stack })}\n`
	);
const memory = createMemory(db, program, report);
/** What is reckoned begins nothing: it has no need of an id of its own. */
const newId = () => {
	throw new Error('what only reads makes no ids');
};

/** Whoever answers goes first: a thread that reckons takes what is left of the processors. */
const REST = 10;
try {
	setPriority(Number(/task\/(\d+)$/.exec(readlinkSync('/proc/thread-self'))![1]), REST);
} catch {
	// Where threads have no priority of their own, all are equal.
}

/** Reckons one thing in this thread. */
export default async function work(task: Task): Promise<Done | Failed> {
	try {
		return await reckon(db, task, { newId, report, memory });
	} catch (fault) {
		return failedOf(fault);
	}
}
