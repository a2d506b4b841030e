import type { BenchKit, BenchStandard } from '$lib/contract/bench';
import type { SlipAnswer } from '$lib/contract/test-run';
import { admit, progressOf, type BenchEntry, type Progress } from '$lib/core/bench';
import { stepsFor, type Method, type Portion, type ProtocolStep } from '$lib/core/method';
import { PARAMETERS } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import { fail, type Result } from '$lib/core/result';
import type { Clock, Instant } from '$lib/core/time';
import type { ReadingDraft, TitrationDraft } from './reading-draft';

/**
 * An unfinished test, as it is kept in this browser, with the method as it was when it began. Its ids are made at the
 * start and never change.
 */
export interface BenchDraft {
	readonly waterId: string;
	readonly method: Method;
	readonly portion: Portion;
	readonly runId: string;
	readonly sampleId: string;
	readonly readingId: string;
	readonly drawnAt: Instant;
	readonly startedAt: Instant;
	readonly log: readonly BenchEntry[];
	readonly reading: ReadingDraft;
	/** How a sample that was drawn earlier was kept. */
	readonly keptHow: string;
	/** What the same sample gave before, when this is a repeat. */
	readonly earlier: readonly (readonly TestResult[])[];
	readonly note: string;
	/** What on the shelf it is made with, as it was when the test began. */
	readonly kit?: BenchKit | null;
	/** The standard that is tested instead of the water, to check the kit. */
	readonly standard?: BenchStandard | null;
	/** What was answered when a slip was asked about. */
	readonly slip?: SlipAnswer | null;
	/** When the reading was taken; from then on it is a result to look at. */
	readonly readAt: Instant | null;
}

interface Store {
	read<T>(waterId: string): Promise<T | null>;
	write(waterId: string, draft: unknown): Promise<void>;
	remove(waterId: string): Promise<void>;
}

/** Holds the unfinished test while one goes from view to view, and keeps it in the browser's own store. */
export class BenchDesk {
	draft = $state.raw<BenchDraft | null>(null);
	/** False until the store was asked, so that nothing flickers. */
	ready = $state(false);
	/** Why the draft cannot be kept, when the browser has no room or no store. */
	storeFault = $state<string | null>(null);
	#now = $state(0);
	#clock: Clock;
	#store: Store;
	#waterId: string | null = null;

	constructor(clock: Clock, store: Store) {
		this.#clock = clock;
		this.#store = store;
	}

	readonly method: Method | null = $derived.by(() => this.draft?.method ?? null);
	readonly steps: readonly ProtocolStep[] = $derived.by(() =>
		this.draft && this.method ? stepsFor(this.method, this.draft.portion) : []
	);
	readonly progress: Progress | null = $derived.by(() =>
		this.draft ? progressOf(this.steps, this.draft.log) : null
	);
	readonly timer = $derived.by(() => {
		const timer = this.progress?.timer;
		if (!timer || !this.method) return null;
		const leftMs = timer.dueAt - Math.max(this.#now, timer.startedAt);
		return { label: PARAMETERS[this.method.parameter].name, leftMs, over: leftMs <= 0, dueAt: timer.dueAt };
	});

	/** The time of the last tick. */
	get now(): number {
		return this.#now;
	}

	async open(waterId: string): Promise<void> {
		if (this.#waterId === waterId) return;
		this.#waterId = waterId;
		this.draft = null;
		this.ready = false;
		try {
			const draft = await this.#store.read<BenchDraft>(waterId);
			if (this.#waterId !== waterId) return;
			// A draft of an earlier version of the bench has no method of its own and cannot be gone on with.
			this.draft = draft?.reading && draft.method ? draft : null;
		} catch {
			this.storeFault =
				'This browser keeps nothing for Tevrik. An unfinished test is lost when the page is closed.';
		}
		this.tick();
		this.ready = true;
	}

	/** Lets the timers go on; called a few times a second by the page. */
	tick(): void {
		this.#now = this.#clock.now();
	}

	start(draft: BenchDraft): void {
		this.#keep(draft);
	}

	change(change: Partial<BenchDraft>): void {
		if (this.draft) this.#keep({ ...this.draft, ...change });
	}

	/** Changes what is read, whatever its form. */
	read(change: Partial<ReadingDraft>): void {
		if (this.draft) this.change({ reading: { ...this.draft.reading, ...change } });
	}

	/** Changes what is read of one of the titrations. */
	readTitration(which: number, change: Partial<TitrationDraft>): void {
		if (!this.draft) return;
		const titrations = this.draft.reading.titrations.map((t, i) => (i === which ? { ...t, ...change } : t));
		this.read({ titrations });
	}

	/** Appends to the step log if that is allowed now. */
	note(kind: BenchEntry['kind']): Result<readonly BenchEntry[]> {
		if (!this.draft) return fail('unknown-item');
		this.tick();
		const outcome = admit(this.steps, this.draft.log, { at: this.#clock.now(), kind });
		if (outcome.ok) this.#keep({ ...this.draft, log: outcome.value });
		return outcome;
	}

	async clear(): Promise<void> {
		const { draft } = this;
		this.draft = null;
		if (draft) await this.#store.remove(draft.waterId).catch(() => undefined);
	}

	#keep(draft: BenchDraft): void {
		this.draft = draft;
		this.#store.write(draft.waterId, draft).catch(() => {
			this.storeFault =
				'This browser has no room to keep the unfinished test. Finish it before closing the page.';
		});
	}
}
