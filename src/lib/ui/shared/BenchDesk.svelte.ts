import { admit, progressOf, type BenchEntry, type Progress } from '$lib/core/bench';
import {
	methodByCode,
	stepsFor,
	type Portion,
	type ProtocolStep,
	type SyringeMethod
} from '$lib/core/method';
import { PARAMETERS } from '$lib/core/quantity';
import type { ScaleReading } from '$lib/core/reading';
import { fail, type Result } from '$lib/core/result';
import type { Clock, Instant } from '$lib/core/time';

/** One filling as it stands on the drawn syringe. */
export interface DraftFill {
	readonly startMl: number;
	/** Null until the plunger was set: nothing is assumed. */
	readonly end: ScaleReading | null;
}

/** An unfinished test, as it is kept in this browser. Its ids are made at the start and never change. */
export interface BenchDraft {
	readonly waterId: string;
	readonly methodCode: string;
	readonly portion: Portion;
	readonly runId: string;
	readonly sampleId: string;
	readonly readingId: string;
	readonly startedAt: Instant;
	readonly log: readonly BenchEntry[];
	readonly readAs: 'left' | 'used';
	/** Ends are in the sense of `readAs`. */
	readonly fills: readonly DraftFill[];
	readonly sure: boolean;
	readonly note: string;
	/** When the colour had turned and the reading was taken; from then on it is a result to look at. */
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

	readonly method: SyringeMethod | null = $derived.by(() =>
		this.draft ? methodByCode(this.draft.methodCode) : null
	);
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

	async open(waterId: string): Promise<void> {
		if (this.#waterId === waterId) return;
		this.#waterId = waterId;
		this.draft = null;
		this.ready = false;
		try {
			const draft = await this.#store.read<BenchDraft>(waterId);
			if (this.#waterId !== waterId) return;
			this.draft = draft && methodByCode(draft.methodCode) ? draft : null;
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
