// npm run calibrate   long statistical tables, written to docs/calibration.md; hours of simulated years, minutes here.
import { fork } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { VISIONS, type Vision } from '../../src/lib/core/colour/index.ts';
import { TANK_KINDS } from '../../src/lib/core/tank/index.ts';
import { coverageRun, type RunTally } from './coverage.ts';
import { correctionRun, WORLDS, type CorrectionRun, type World } from './corrections.ts';
import { correctionsReport } from './corrections-report.ts';
import { cycleRun, type CycleRun } from './cycles.ts';
import { judgementReport, type JudgementTables } from './judgement-report.ts';
import {
	READER_BIASES,
	READER_LAPSES,
	READER_SPREADS,
	ROWS,
	stepCell,
	stopCells,
	type StepCell,
	type StopCell
} from './practice.ts';
import { beliefCells, type BeliefCell } from './practice-beliefs.ts';
import { practiceReport, type PracticeTables } from './practice-report.ts';
import { NEXT_TEST_KINDS, nextTestRuns, type NextTestRun } from './next-test.ts';
import { reportOf, type Tables } from './report.ts';
import { slipRuns, type SlipRun } from './slips.ts';
import { stepRuns, type StepRun } from './steps.ts';
import { BIASES, verdictTally, WAYS, type VerdictTally } from './two-methods.ts';

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
	| { readonly table: 'steps'; readonly factor: number; readonly seed: number }
	| { readonly table: 'cycles'; readonly seed: number }
	| { readonly table: 'next'; readonly kind: (typeof NEXT_TEST_KINDS)[number]; readonly seed: number }
	| { readonly table: 'corrections'; readonly world: World; readonly seed: number }
	| {
			readonly table: 'stops';
			readonly bias: number;
			readonly spread: number;
			readonly lapses: number;
			readonly runs: number;
	  }
	| { readonly table: 'pairs'; readonly row: string; readonly vision: Vision; readonly runs: number }
	| { readonly table: 'beliefs'; readonly runs: number }
	| { readonly table: 'methods'; readonly way: number; readonly bias: number; readonly seed: number };

/** All tables, or those of one document. */
const PARTS = ['judgement', 'corrections', 'practice'] as const;
type Part = 'all' | (typeof PARTS)[number];
/** Cases of wrong water in each world, and how many seeds are looked through for them. */
const CORRECTIONS = 200;
const CORRECTION_SEEDS = 320;
/** Independent readers in each cell. */
const PRACTICE_RUNS = 1000;

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
		case 'cycles':
			return { table: job.table, rows: [cycleRun(job.seed)] };
		case 'next':
			return { table: job.table, rows: nextTestRuns(job.kind, job.seed) };
		case 'corrections': {
			const run = correctionRun(job.seed, job.world);
			return { table: job.table, rows: run ? [run] : [] };
		}
		case 'stops':
			return { table: job.table, rows: stopCells(job.bias, job.spread, job.lapses, job.runs, FIRST_SEED) };
		case 'beliefs':
			return { table: job.table, rows: beliefCells(job.runs, FIRST_SEED) };
		case 'pairs':
			return { table: job.table, rows: [stepCell(job.row, job.vision, job.runs, FIRST_SEED)] };
		case 'methods':
			return { table: job.table, rows: [verdictTally(WAYS[job.way]!, job.bias, 10_000, job.seed)] };
	}
}

/** @param scale 1 is what the tables in docs are made with; less is a trial */
function jobsOf(scale: number, part: Part): Job[] {
	const times = (n: number) =>
		Array.from({ length: Math.max(1, Math.round(n * scale)) }, (_, i) => FIRST_SEED + i);
	const judgement: Job[] = [
		...times(500).map((seed) => ({ table: 'cycles' as const, seed })),
		...times(20).flatMap((seed) => NEXT_TEST_KINDS.map((kind) => ({ table: 'next' as const, kind, seed }))),
		...WAYS.flatMap((_, way) =>
			BIASES.map((bias) => ({ table: 'methods' as const, way, bias, seed: FIRST_SEED + way }))
		)
	];
	const corrections: Job[] = (Object.keys(WORLDS) as World[]).flatMap((world) =>
		times(CORRECTION_SEEDS).map((seed) => ({ table: 'corrections' as const, world, seed }))
	);
	const runs = Math.max(20, Math.round(PRACTICE_RUNS * scale));
	const practice: Job[] = [
		{ table: 'beliefs', runs },
		...ROWS.flatMap((row) => VISIONS.map((vision) => ({ table: 'pairs' as const, row, vision, runs }))),
		...READER_BIASES.flatMap((bias) =>
			READER_SPREADS.flatMap((spread) =>
				READER_LAPSES.map((lapses) => ({ table: 'stops' as const, bias, spread, lapses, runs }))
			)
		)
	];
	if (part === 'practice') return practice;
	if (part === 'judgement') return judgement;
	if (part === 'corrections') return corrections;
	return [
		...times(100).flatMap((seed) => TANK_KINDS.map((kind) => ({ table: 'coverage' as const, kind, seed }))),
		...times(30).flatMap((seed) => TANK_KINDS.map((kind) => ({ table: 'doubled' as const, kind, seed }))),
		...times(13).flatMap((seed) => TANK_KINDS.map((kind) => ({ table: 'slips' as const, kind, seed }))),
		...times(100).flatMap((seed) =>
			[1, 1.25, 1.5, 2].map((factor) => ({ table: 'steps' as const, factor, seed }))
		),
		...judgement,
		...corrections,
		...practice
	];
}

async function runAll(
	scale: number,
	part: Part
): Promise<Tables & JudgementTables & PracticeTables & { corrections: CorrectionRun[] }> {
	const jobs = jobsOf(scale, part);
	const all: Record<Job['table'], unknown[]> = {
		coverage: [],
		doubled: [],
		slips: [],
		steps: [],
		cycles: [],
		next: [],
		methods: [],
		corrections: [],
		stops: [],
		pairs: [],
		beliefs: []
	};
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
					console.log(`${done} of ${jobs.length} runs, ${Math.round((Date.now() - began) / 1000)} s`);
				}
			}
			worker.disconnect();
		})
	);
	return {
		coverage: all.coverage as RunTally[],
		doubled: all.doubled as RunTally[],
		slips: all.slips as SlipRun[],
		steps: all.steps as StepRun[],
		cycles: all.cycles as CycleRun[],
		next: all.next as NextTestRun[],
		methods: all.methods as VerdictTally[],
		stops: byCell(all.stops as StopCell[], (c) => [c.spread, c.lapses, c.bias, c.vials]),
		pairs: byCell(all.pairs as StepCell[], (c) => [
			ROWS.findIndex((r) => r === c.row),
			VISIONS.indexOf(c.vision)
		]),
		beliefs: all.beliefs as BeliefCell[],
		corrections: firstCases(all.corrections as CorrectionRun[], Math.round(CORRECTIONS * Math.min(1, scale)))
	};
}

/** Cells end in any order; the tables have them in theirs. */
function byCell<T>(cells: readonly T[], key: (cell: T) => readonly number[]): T[] {
	return [...cells].sort((a, b) => {
		const [ka, kb] = [key(a), key(b)];
		const at = ka.findIndex((k, i) => k !== kb[i]);
		return at < 0 ? 0 : ka[at]! - kb[at]!;
	});
}

/** As many cases of each world as the table has; runs end in any order, so by their own numbers. */
function firstCases(runs: readonly CorrectionRun[], count: number): CorrectionRun[] {
	return (Object.keys(WORLDS) as World[]).flatMap((world) =>
		runs
			.filter((r) => r.world === world)
			.sort((a, b) => a.seed - b.seed)
			.slice(0, Math.max(1, count))
	);
}

if (process.argv.includes('--worker')) {
	process.on('message', (job) => process.send?.(carryOut(job as Job)));
} else {
	const [first, second] = process.argv.slice(2);
	const part: Part = PARTS.find((p) => p === first) ?? 'all';
	const scale = Number((part === 'all' ? first : second) ?? 1);
	const tables = await runAll(scale, part);
	const docs = join(import.meta.dirname, '../../docs');
	const reports = [
		...(part === 'all' || part === 'practice'
			? [['calibration-practice.md', practiceReport(tables, FIRST_SEED)]]
			: []),
		...(part === 'all' || part === 'judgement'
			? [['calibration-judgement.md', judgementReport(tables, FIRST_SEED)]]
			: []),
		...(part === 'all' || part === 'corrections'
			? [['calibration-corrections.md', correctionsReport(tables.corrections, FIRST_SEED)]]
			: []),
		...(part === 'all' ? [['calibration.md', reportOf(tables, FIRST_SEED)]] : [])
	] as [string, string][];
	for (const [file, report] of reports) {
		if (scale === 1) writeFileSync(join(docs, file), report);
		console.log(report);
	}
}
