// npm run calibrate   long statistical tables, written to docs/calibration.md; hours of simulated years, minutes here.
import { fork } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { TANK_KINDS } from '../../src/lib/core/tank/index.ts';
import { coverageRun, type RunTally } from './coverage.ts';
import { reportOf, type Tables } from './report.ts';
import { slipRuns, type SlipRun } from './slips.ts';
import { stepRuns, type StepRun } from './steps.ts';

/** Seeds below this were used while the conventions were chosen; the tables are made with others. */
const FIRST_SEED = 10_000;
const STEP_PARAMETERS = ['alkalinity', 'calcium', 'magnesium', 'potassium', 'nitrate', 'phosphate'] as const;

type Job =
	| {
			readonly table: 'coverage' | 'doubled';
			readonly kind: (typeof TANK_KINDS)[number];
			readonly seed: number;
	  }
	| { readonly table: 'slips'; readonly kind: (typeof TANK_KINDS)[number]; readonly seed: number }
	| { readonly table: 'steps'; readonly factor: number; readonly seed: number };

interface Done {
	readonly table: Job['table'];
	readonly rows: readonly unknown[];
}

function carryOut(job: Job): Done {
	switch (job.table) {
		case 'coverage':
			return {
				table: job.table,
				rows: coverageRun(job.kind, { seed: job.seed, disturbed: 1, everyDays: 1, days: 365 })
			};
		case 'doubled':
			return {
				table: job.table,
				rows: coverageRun(job.kind, { seed: job.seed, disturbed: 2, everyDays: 5, days: 365 })
			};
		case 'slips':
			return { table: job.table, rows: slipRuns(job.kind, job.seed) };
		case 'steps':
			return {
				table: job.table,
				rows: stepRuns(job.seed, job.factor, job.factor === 1 ? ['alkalinity'] : STEP_PARAMETERS)
			};
	}
}

/** @param scale 1 is what the tables in docs are made with; less is a trial */
function jobsOf(scale: number): Job[] {
	const times = (n: number) =>
		Array.from({ length: Math.max(1, Math.round(n * scale)) }, (_, i) => FIRST_SEED + i);
	return [
		...times(100).flatMap((seed) => TANK_KINDS.map((kind) => ({ table: 'coverage' as const, kind, seed }))),
		...times(30).flatMap((seed) => TANK_KINDS.map((kind) => ({ table: 'doubled' as const, kind, seed }))),
		...times(13).flatMap((seed) => TANK_KINDS.map((kind) => ({ table: 'slips' as const, kind, seed }))),
		...times(100).flatMap((seed) =>
			[1, 1.25, 1.5, 2].map((factor) => ({ table: 'steps' as const, factor, seed }))
		)
	];
}

async function runAll(scale: number): Promise<Tables> {
	const jobs = jobsOf(scale);
	const all: Record<Job['table'], unknown[]> = { coverage: [], doubled: [], slips: [], steps: [] };
	let next = 0;
	let done = 0;
	const began = Date.now();
	await Promise.all(
		Array.from({ length: availableParallelism() }, async () => {
			const worker = fork(join(import.meta.dirname, 'run.ts'), ['--worker'], { execArgv: process.execArgv });
			for (let job = jobs[next++]; job; job = jobs[next++]) {
				const answer = await new Promise<Done>((resolve, reject) => {
					worker.once('message', (message) => resolve(message as Done));
					worker.once('error', reject);
					worker.once('exit', (code) => reject(new Error(`a worker ended with ${code}`)));
					worker.send(job);
				});
				worker.removeAllListeners();
				all[answer.table].push(...answer.rows);
				if (++done % 50 === 0) {
					console.log(`${done} of ${jobs.length} years, ${Math.round((Date.now() - began) / 1000)} s`);
				}
			}
			worker.disconnect();
		})
	);
	return {
		coverage: all.coverage as RunTally[],
		doubled: all.doubled as RunTally[],
		slips: all.slips as SlipRun[],
		steps: all.steps as StepRun[]
	};
}

if (process.argv.includes('--worker')) {
	process.on('message', (job) => process.send?.(carryOut(job as Job)));
} else {
	const scale = Number(process.argv[2] ?? 1);
	const report = reportOf(await runAll(scale), FIRST_SEED);
	if (scale === 1) writeFileSync(join(import.meta.dirname, '../../docs/calibration.md'), report);
	console.log(report);
}
