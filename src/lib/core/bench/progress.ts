import { isReading, timerSecondsOf, windowOf, type ProtocolStep } from '../method/index.ts';
import type { Deviation, Mishap } from '../reading/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { addSeconds, type Instant } from '../time/index.ts';
import { mayBeAhead } from './plan/index.ts';

/** What was pressed, and when. Entries are only ever appended; "undone" takes the one before it back. */
export type BenchEntry = { readonly at: Instant } &
	/** `step-left`: the step was left although its count or time was not reached; kept with the result. */
	(
		| { readonly kind: 'drop' | 'timer-started' | 'step-done' | 'step-left' | 'undone' }
		/** What is left until the reading is done by heart, as a practised hand does: a way of working, no deviation. */
		| { readonly kind: 'by-heart' }
		/** The step was done for all tests at once, while they were laid out. */
		| { readonly kind: 'together' }
		/** A later step was done before its turn: a titration syringe loaded while something stands. */
		| { readonly kind: 'ahead'; readonly step: string }
		/** Something went wrong in this step, said when it happened. */
		| { readonly kind: 'mishap'; readonly what: Mishap }
	);

/** An entry before the clock has put its time to it. */
export type BenchPress =
	| { readonly kind: 'drop' | 'timer-started' | 'step-done' | 'step-left' | 'undone' | 'by-heart' }
	| { readonly kind: 'ahead'; readonly step: string }
	| { readonly kind: 'mishap'; readonly what: Mishap };

export interface Progress {
	/** Index of the step to do now; equal to the number of steps when all are done. */
	readonly stepIndex: number;
	readonly step: ProtocolStep | null;
	/** Drops counted in this step. */
	readonly drops: number;
	/** A wait begins by itself when the step before it is done; what the hands do is started. */
	readonly timer: { readonly startedAt: Instant; readonly dueAt: Instant } | null;
	/** When this step was begun: a timer started, a titration taken up; null where it was not yet. */
	readonly begunAt: Instant | null;
	/** When the step became the one to do; null before the first press. */
	readonly since: Instant | null;
	/** Later steps that are done already. */
	readonly ahead: ReadonlySet<string>;
	readonly deviations: readonly Deviation[];
	/** Steps that were done by heart: neither counted nor timed here, which is a habit and no fault. */
	readonly byHeart: readonly string[];
	readonly canUndo: boolean;
}

/** The entries of a log that were not taken back. */
export function standing(log: readonly BenchEntry[]): readonly BenchEntry[] {
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

/** A run as it goes on, entry by entry. */
class Run {
	readonly deviations: Deviation[] = [];
	readonly ahead = new Set<string>();
	readonly byHeart: string[] = [];
	stepIndex = 0;
	drops = 0;
	startedAt: Instant | null = null;
	since: Instant | null = null;

	constructor(private readonly steps: readonly ProtocolStep[]) {}

	get step(): ProtocolStep | null {
		return this.steps[this.stepIndex] ?? null;
	}

	take(entry: BenchEntry, step: ProtocolStep): void {
		switch (entry.kind) {
			case 'drop':
				this.drops++;
				break;
			case 'timer-started':
				this.startedAt = entry.at;
				break;
			case 'ahead':
				this.ahead.add(entry.step);
				break;
			case 'mishap': {
				const planned = step.action.kind === 'drops' ? step.action.count : null;
				const counts = { planned: planned ?? 0, actual: planned === null ? 0 : this.drops };
				this.deviations.push({ stepId: step.id, ...counts, what: entry.what });
				break;
			}
			case 'step-done':
			case 'step-left':
			case 'together':
				this.#leave(step, entry.at);
				break;
			case 'by-heart':
				while (this.step && !isReading(this.step)) {
					if (!this.ahead.has(this.step.id)) this.byHeart.push(this.step.id);
					this.stepIndex++;
				}
				this.#arrive(entry.at);
				break;
			case 'undone':
				// Taken back already.
				break;
		}
	}

	#leave(step: ProtocolStep, at: Instant): void {
		const deviation = deviationOf(step, this.drops, this.startedAt, at);
		if (deviation) this.deviations.push(deviation);
		do this.stepIndex++;
		while (this.step && this.ahead.has(this.step.id));
		this.#arrive(at);
	}

	#arrive(at: Instant): void {
		this.drops = 0;
		this.since = at;
		// A wait begins by itself; what the hands do is started.
		this.startedAt = this.step?.action.kind === 'stand' ? at : null;
	}
}

/** Where a run stands, given its log. The same log gives the same place on every device and after every reload. */
export function progressOf(steps: readonly ProtocolStep[], log: readonly BenchEntry[]): Progress {
	const entries = standing(log);
	const run = new Run(steps);
	for (const entry of entries) {
		if (!run.step) break;
		run.take(entry, run.step);
	}
	const { step, startedAt } = run;
	const seconds = step ? timerSecondsOf(step) : null;
	const runs = startedAt !== null && seconds !== null;
	return {
		stepIndex: run.stepIndex,
		step,
		drops: run.drops,
		timer: runs ? { startedAt, dueAt: addSeconds(startedAt, seconds) } : null,
		begunAt: startedAt,
		since: run.since,
		ahead: run.ahead,
		deviations: run.deviations,
		byHeart: run.byHeart,
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
	if (entry.kind === 'by-heart' && isReading(step)) return fail('no-such-step', step.id);
	if (entry.kind === 'ahead') {
		const index = steps.findIndex((s) => s.id === entry.step);
		const later = steps[index];
		if (!later || index <= progress.stepIndex || !mayBeAhead(later) || progress.ahead.has(later.id)) {
			return fail('no-such-step', entry.step);
		}
	}
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
