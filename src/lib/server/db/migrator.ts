import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { digestOf } from '../digest.ts';

/** What the server answers when a step was done already but not noted, because the machine stopped in between. */
const ALREADY_DONE = new Set([
	1050, // table exists
	1060, // column exists
	1051, // a table to be dropped is gone
	1061, // key name exists
	1091, // a column or key to be dropped is gone
	1826 // foreign key exists
]);
const DUPLICATE_FOREIGN_KEY_IN_TABLE = /errno: 121/;

interface Step {
	readonly migration: string;
	readonly index: number;
	readonly sql: string;
	readonly digest: string;
}

async function stepsIn(folder: string): Promise<Step[]> {
	const journal = JSON.parse(await readFile(join(folder, 'meta/_journal.json'), 'utf8')) as {
		entries: { tag: string }[];
	};
	const steps: Step[] = [];
	for (const { tag } of journal.entries) {
		const text = await readFile(join(folder, `${tag}.sql`), 'utf8');
		text.split('--> statement-breakpoint').forEach((part, index) => {
			const sql = part.trim();
			if (sql) {
				steps.push({ migration: tag, index, sql, digest: digestOf(sql) });
			}
		});
	}
	return steps;
}

async function doneSteps(connection: mysql.Connection): Promise<Map<string, string>> {
	await connection.query(
		`create table if not exists schema_step (
			migration varchar(120) not null, step int not null, digest char(64) not null,
			done_at datetime(3) not null default current_timestamp(3), primary key (migration, step))`
	);
	const [rows] = await connection.query<mysql.RowDataPacket[]>(
		'select migration, step, digest from schema_step'
	);
	return new Map(rows.map((r) => [`${r.migration}#${r.step}`, String(r.digest)]));
}

/** Runs one step; MariaDB's DDL commits by itself, so a step that was done before it was noted is taken as done. */
async function runStep(connection: mysql.Connection, step: Step): Promise<void> {
	try {
		await connection.query(step.sql);
	} catch (error) {
		const { errno, message } = error as { errno?: number; message: string };
		const done =
			(errno !== undefined && ALREADY_DONE.has(errno)) ||
			(errno === 1005 && DUPLICATE_FOREIGN_KEY_IN_TABLE.test(message));
		if (!done)
			throw new Error(`migration ${step.migration}, step ${step.index}: ${message}`, { cause: error });
	}
	await connection.query('insert into schema_step (migration, step, digest) values (?, ?, ?)', [
		step.migration,
		step.index,
		step.digest
	]);
}

/** How many steps a database still lacks. */
export async function pendingSteps(url: string, folder: string): Promise<{ pending: number; done: number }> {
	const connection = await mysql.createConnection(url);
	try {
		const done = await doneSteps(connection);
		const steps = await stepsIn(folder);
		return { pending: steps.filter((s) => !done.has(`${s.migration}#${s.index}`)).length, done: done.size };
	} finally {
		await connection.end();
	}
}

/**
 * Brings a database to the newest schema: every statement of every migration is one step, noted when done, so
 * that a run that was cut off goes on where it stopped. Two processes at once take turns.
 *
 * @throws when a step fails, or when one that was done has been edited since
 */
export async function migrate(url: string, folder: string): Promise<number> {
	const connection = await mysql.createConnection(url);
	try {
		const [locked] = await connection.query<mysql.RowDataPacket[]>(
			"select get_lock('tevrik_migrate', 60) as got"
		);
		if (locked[0]?.got !== 1) throw new Error('another process has been migrating for more than a minute');
		const done = await doneSteps(connection);
		let count = 0;
		for (const step of await stepsIn(folder)) {
			const digest = done.get(`${step.migration}#${step.index}`);
			if (digest === undefined) {
				await runStep(connection, step);
				count++;
			} else if (digest !== step.digest) {
				throw new Error(`migration ${step.migration}, step ${step.index} was edited after it had been run`);
			}
		}
		await connection.query("select release_lock('tevrik_migrate')");
		return count;
	} finally {
		await connection.end();
	}
}
