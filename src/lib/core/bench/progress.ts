import { timerSecondsOf, windowOf, type ProtocolStep } from '../method/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { addSeconds, type Instant } from '../time/index.ts';

/** What was pressed, and when. Entries are only ever appended; "undone" takes the one before it back. */
export type BenchEntry = { readonly at: Instant } & (
	| { readonly kind: 'drop' }
	| { readonly kind: 'timer-started' }
	| { readonly kind: 'step-done' }
	/** The step was left although its count or time was not reached; kept with the result. */
	| { readonly kind: 'step-left' }
	| { readonly kind: 'undone' }
);

/** A step that was not done as written. */
export interface Deviation {
	readonly stepId: string;
	readonly planned: number;
	readonly actual: number;
	readonly what: 'count' | 'seconds';
}

export interface Progress {
	/** Index of the step to do now; equal to the number of steps when all are done. */
	readonly stepIndex: number;
	readonly step: ProtocolStep | null;
	/** Drops counted in this step. */
	readonly drops: number;
	readonly timer: { readonly startedAt: Instant; readonly dueAt: Instant } | null;
	readonly deviations: readonly Deviation[];
	readonly canUndo: boolean;
}

function withoutUndone(log: readonly BenchEntry[]): BenchEntry[] {
	const kept: BenchEntry[] = [];
	for (const entry of log) {
		if (entry.kind === 'undone') kept.pop();
		else kept.push(entry);
	}
	return kept;
}

function deviationOf(
	step: ProtocolStep,
	drops: number,
	startedAt: Instant | null,
	at: Instant
): Deviation | null {
	if (step.action.kind === 'drops') {
		return drops === step.action.count
			? null
			: { stepId: step.id, planned: step.action.count, actual: drops, what: 'count' };
	}
	const planned = timerSecondsOf(step);
	const window = windowOf(step);
	if (planned === null || window === null) return null;
	const actual = startedAt === null ? 0 : Math.round((at - startedAt) / 1000);
	return actual < window.from || actual > window.to
		? { stepId: step.id, planned, actual, what: 'seconds' }
		: null;
}

/** Where a run stands, given its log. The same log gives the same place on every device and after every reload. */
export function progressOf(steps: readonly ProtocolStep[], log: readonly BenchEntry[]): Progress {
	const entries = withoutUndone(log);
	const deviations: Deviation[] = [];
	let stepIndex = 0;
	let drops = 0;
	let startedAt: Instant | null = null;
	for (const entry of entries) {
		const step = steps[stepIndex];
		if (!step) break;
		if (entry.kind === 'drop') drops++;
		else if (entry.kind === 'timer-started') startedAt = entry.at;
		else {
			const deviation = deviationOf(step, drops, startedAt, entry.at);
			if (deviation) deviations.push(deviation);
			stepIndex++;
			drops = 0;
			startedAt = null;
		}
	}
	const step = steps[stepIndex] ?? null;
	const seconds = step ? timerSecondsOf(step) : null;
	return {
		stepIndex,
		step,
		drops,
		timer:
			startedAt !== null && seconds !== null ? { startedAt, dueAt: addSeconds(startedAt, seconds) } : null,
		deviations,
		canUndo: entries.length > 0
	};
}

/**
 * Appends an entry if it is allowed where the run stands: a step is not done before its count is reached or its
 * time is over. It can be left all the same, which is kept as a deviation.
 */
export function admit(
	steps: readonly ProtocolStep[],
	log: readonly BenchEntry[],
	entry: BenchEntry
): Result<readonly BenchEntry[]> {
	const progress = progressOf(steps, log);
	if (entry.kind === 'undone') return progress.canUndo ? ok([...log, entry]) : fail('nothing-to-undo');
	const { step } = progress;
	if (!step) return fail('already-finished');
	if (entry.kind === 'step-done') {
		if (step.action.kind === 'drops' && progress.drops < step.action.count) {
			return fail('count-not-reached', step.id, { count: step.action.count, drops: progress.drops });
		}
		const seconds = timerSecondsOf(step);
		// A filter has run through when it has run through.
		if (
			step.action.kind !== 'filter' &&
			seconds !== null &&
			(progress.timer === null || entry.at < progress.timer.dueAt)
		) {
			return fail('timer-running', step.id, { seconds });
		}
	}
	return ok([...log, entry]);
}
