import type { Guidance } from '$lib/contract/choices';
import {
	admit,
	endsByItself,
	entriesBack,
	progressOf,
	withWhatFollows,
	type BenchPress,
	type PlanOutcome,
	type Progress
} from '$lib/core/bench';
import { stepsFor, type Method, type ProtocolStep } from '$lib/core/method';
import type { TestResult } from '$lib/core/reading';
import { fail, type Result } from '$lib/core/result';
import type { Clock, Instant } from '$lib/core/time';
import { passOn, togetherOf, type BenchDraft, type BenchSession, type FinishedTest } from './bench-session';
import { BenchKeeper } from './BenchKeeper.svelte';
import { BenchTimers } from './BenchTimers.svelte';
import type { ReadingDraft, TitrationDraft } from './reading-draft';

/** A hand that counts does not stop at once. */
const BOUNCE_MS = 350;
/** Presses after which the plan may have another test next. */
const TURNS: ReadonlySet<BenchPress['kind']> = new Set(['step-done', 'step-left', 'ahead', 'by-heart']);

const isWaiting = (progress: Progress) =>
	progress.step !== null &&
	progress.timer !== null &&
	(progress.step.action.kind === 'stand' || progress.step.action.kind === 'filter');

/**
 * Holds the tests at the bench while one goes from view to view, and keeps them in the browser's own store: there is
 * one pair of hands, so there is one session, whatever waters it is about.
 */
export class BenchDesk {
	/** False until the store was asked, so that nothing flickers. */
	ready = $state(false);
	/** What the last plan had to give up. */
	conflicts = $state.raw<Pick<PlanOutcome, 'brokenWishes' | 'lateSteps'> | null>(null);
	readonly #clock: Clock;
	readonly #keeper: BenchKeeper;
	readonly #timers: BenchTimers;
	#opened = false;
	/** When a step was last ended by its last drop, ms of the page's own time. */
	#turnedAt = -Infinity;

	constructor(clock: Clock, store: ConstructorParameters<typeof BenchKeeper>[1]) {
		this.#clock = clock;
		this.#keeper = new BenchKeeper(clock, store);
		this.#timers = new BenchTimers(clock, () => this.#keeper.session);
	}

	get session(): BenchSession | null {
		return this.#keeper.session;
	}
	/** What is known of the waters that are tested, by id. */
	get waters(): BenchKeeper['waters'] {
		return this.#keeper.waters;
	}
	/** Why the session cannot be kept, when the browser has no room or no store. */
	get storeFault(): string | null {
		return this.#keeper.fault;
	}
	/** What came due while the page was not awake; shown first, until it was read. */
	get missed(): BenchTimers['missed'] {
		return this.#timers.missed;
	}
	/** It was read. */
	missedSeen(): void {
		this.#timers.missed = null;
	}
	get timers(): BenchTimers['all'] {
		return this.#timers.all;
	}
	get timer(): BenchTimers['atHand'] {
		return this.#timers.atHand;
	}
	get remaining(): BenchTimers['remaining'] {
		return this.#timers.remaining;
	}
	/** The bench brings what lays out a session. */
	usePlanner(...about: Parameters<BenchTimers['usePlanner']>): void {
		this.#timers.usePlanner(...about);
	}
	get plan(): BenchTimers['plan'] {
		return this.#timers.plan;
	}
	/** The time of the last tick. */
	get now(): number {
		return this.#timers.now;
	}

	/** The test whose screen is shown. */
	readonly draft: BenchDraft | null = $derived.by(
		() => this.session?.tests.find((t) => t.runId === this.session?.at) ?? null
	);
	readonly method: Method | null = $derived.by(() => this.draft?.method ?? null);
	// What a draft is read from moves with every press; what its steps follow from does not.
	readonly #portion = $derived.by(() => this.draft?.portion ?? null);
	readonly #log = $derived.by(() => this.draft?.log ?? null);
	readonly steps: readonly ProtocolStep[] = $derived.by(() =>
		this.method && this.#portion ? stepsFor(this.method, this.#portion) : []
	);
	readonly progress: Progress | null = $derived.by(() =>
		this.#log ? progressOf(this.steps, this.#log) : null
	);
	readonly isSession = $derived.by(() => this.session !== null && !this.session.alone);

	/** Finds what this browser kept; called once, by the page. */
	async open(): Promise<void> {
		if (this.#opened) return;
		this.#opened = true;
		await this.#keeper.open();
		this.#timers.begin();
		this.ready = true;
	}
	/** Lets the timers go on, and ends what is mixed; called a few times a second by the page. */
	tick(): void {
		this.#timers.tick();
		const { session, progress } = this;
		if (session && session.pausedAt === null && progress && endsByItself(progress, this.now))
			this.note('step-done');
	}
	storeWater(...about: Parameters<BenchKeeper['storeWater']>): Promise<void> {
		return this.#keeper.storeWater(...about);
	}
	keepWater(...about: Parameters<BenchKeeper['keepWater']>): Promise<void> {
		return this.#keeper.keepWater(...about);
	}

	/** Lays tests out; nothing runs yet. */
	layOut(session: BenchSession): void {
		this.missedSeen();
		this.conflicts = null;
		this.#keeper.keep(session);
	}
	/** One test alone, at once. */
	start(draft: BenchDraft, sessionId: string = draft.runId): void {
		const now = this.#clock.now();
		this.layOut({
			id: sessionId,
			waterId: draft.waterId,
			revision: 1,
			alone: true,
			startedAt: now,
			tests: [draft],
			finished: [],
			at: draft.runId,
			order: [],
			wishes: [],
			guidance: 'card',
			changeoverS: 8,
			vials: null,
			pausedAt: null,
			seenAt: now
		});
	}
	/** The first step begins now. */
	begin(): void {
		const { session } = this;
		if (!session) return;
		const now = this.#clock.now();
		const done = togetherOf(session);
		const tests = session.tests.map((t): BenchDraft => {
			const n = t.log.length === 0 ? (done.get(t.runId) ?? 0) : 0;
			const log = Array.from({ length: n }, () => ({ kind: 'together' as const, at: now }));
			// Drawn now; one whose vial was only rinsed is drawn when its turn comes.
			const drawnAt =
				n === 2 && t.earlier.length === 0 ? ((t.drawnAt + now - t.startedAt) as Instant) : t.drawnAt;
			return n === 0 ? t : { ...t, log, drawnAt, ...(n === 2 ? { startedAt: now } : {}) };
		});
		this.#keeper.keep({ ...session, tests, startedAt: now });
		this.follow();
	}
	changeSession(change: Partial<BenchSession>): void {
		if (this.session) this.#keeper.keep({ ...this.session, ...change });
	}
	/** A new order, from the planner. */
	arrange(outcome: PlanOutcome): void {
		this.conflicts = outcome;
		if (!this.session || !outcome.plan) return;
		this.#keeper.keep({ ...this.session, order: outcome.plan.placed.map(({ step }) => ({ step })) });
		if (this.progress && (isWaiting(this.progress) || this.progress.step === null)) this.follow();
	}
	/** Turns to another test. */
	select(runId: string): void {
		if (this.session?.tests.some((t) => t.runId === runId)) this.changeSession({ at: runId });
	}
	/** Turns to what the plan has next; where there is none, to what is left. */
	follow(): void {
		const { session } = this;
		if (!session) return;
		const waiting = session.tests.find((t) => t.readAt !== null);
		const next =
			this.plan?.placed[0]?.test ?? session.tests.find((t) => t.readAt === null)?.runId ?? waiting?.runId;
		if (next !== undefined && next !== session.at) this.#keeper.keep({ ...session, at: next });
	}
	pause(): void {
		if (this.session) this.#keeper.keep({ ...this.session, pausedAt: this.#clock.now() });
	}
	resume(): void {
		if (this.session) this.#keeper.keep({ ...this.session, pausedAt: null });
	}

	change(change: Partial<BenchDraft>): void {
		if (this.draft) this.#keeper.keepDraft({ ...this.draft, ...change });
	}
	/** Changes what is read, whatever its form. */
	read(change: Partial<ReadingDraft>): void {
		if (this.draft) this.change({ reading: { ...this.draft.reading, ...change } });
	}
	/** Changes what is read of one of the titrations. */
	readTitration(which: number, change: Partial<TitrationDraft>): void {
		if (!this.draft) return;
		// The planner reckons from when it was taken up.
		if (this.progress?.begunAt === null) this.note('timer-started');
		const titrations = this.draft.reading.titrations.map((t, i) => (i === which ? { ...t, ...change } : t));
		this.read({ titrations });
	}

	/** Appends to the step log if that is allowed now, and turns to what comes next when a step is done. */
	note(press: BenchPress | BenchPress['kind']): Result<unknown> {
		const { draft, steps } = this;
		if (!draft) return fail('unknown-item');
		this.#timers.tick();
		const now = this.#clock.now();
		const what = (typeof press === 'string' ? { kind: press } : press) as BenchPress;
		const outcome = admit(steps, draft.log, { ...what, at: now });
		if (!outcome.ok) return outcome;
		const log = what.kind === 'undone' ? outcome.value : withWhatFollows(steps, outcome.value, now);
		if (log.length > outcome.value.length) this.#turnedAt = performance.now();
		// The clock of a test begins with its first press, however long ago it was laid out.
		const untouched = draft.log.every((e) => e.kind === 'together');
		const isDrawn = draft.earlier.length > 0 || draft.log.length > 1;
		const late = untouched ? now - draft.startedAt : 0;
		this.#keeper.keepDraft({
			...draft,
			log,
			startedAt: (draft.startedAt + late) as Instant,
			drawnAt: (draft.drawnAt + (isDrawn ? 0 : late)) as Instant
		});
		if (TURNS.has(what.kind) || (what.kind === 'drop' && this.progress?.drops === 0)) this.#turn();
		if (what.kind === 'timer-started' && this.progress && isWaiting(this.progress)) this.#turn();
		return outcome;
	}
	/** A press just now is still meant for the step that its last drop has ended. */
	get isBounce(): boolean {
		return performance.now() - this.#turnedAt < BOUNCE_MS;
	}
	/** Takes the last press back, with what followed from it. */
	takeBack(): Result<unknown> {
		const { draft, steps } = this;
		if (!draft) return fail('unknown-item');
		let outcome: Result<unknown> = fail('nothing-to-undo');
		for (let n = entriesBack(steps, draft.log); n > 0; n--) outcome = this.note('undone');
		return outcome;
	}
	/** Back to the step before, whatever was pressed in this one. */
	back(): void {
		const from = this.progress?.stepIndex ?? 0;
		while (this.progress?.canUndo && this.progress.stepIndex >= from) {
			if (!this.note('undone').ok || from === 0) return;
		}
	}
	/** After a step: to the next test of the plan, or on with this one. */
	#turn(): void {
		if (this.isSession) this.follow();
	}

	/** The reading of a test is kept: it leaves the bench, and what it means for the others is passed on. */
	async finish(runId: string, results: readonly TestResult[] | null): Promise<void> {
		const { session } = this;
		const draft = session?.tests.find((t) => t.runId === runId);
		if (!session || !draft) return;
		const done: FinishedTest = {
			draft,
			results,
			deviations: progressOf(stepsFor(draft.method, draft.portion), draft.log).deviations,
			finishedAt: this.#clock.now()
		};
		const tests = passOn(session, done).filter((t) => t.runId !== draft.runId);
		const finished = [...session.finished, done];
		if (session.alone) {
			await this.clear();
			return;
		}
		const wasAtHand = session.at === runId;
		this.#keeper.keep({
			...session,
			tests,
			finished,
			at: wasAtHand ? (tests[0]?.runId ?? null) : session.at
		});
		if (wasAtHand) this.follow();
	}
	/** Gives up the test at hand; of a session the others stay. */
	async giveUp(): Promise<void> {
		if (this.isSession && this.draft) await this.finish(this.draft.runId, null);
		else await this.clear();
	}
	/** Another test in the running session: a repeat, or one that was forgotten. */
	add(draft: BenchDraft, atOnce: boolean): void {
		const { session } = this;
		if (!session) return;
		this.#keeper.keep({
			...session,
			alone: false,
			tests: [...session.tests, draft],
			...(atOnce ? { at: draft.runId } : {})
		});
	}
	guidanceOf(draft: BenchDraft): Guidance {
		return draft.guidance ?? this.session?.guidance ?? 'card';
	}

	/** The bench is empty. */
	async clear(): Promise<void> {
		this.missedSeen();
		this.conflicts = null;
		await this.#keeper.clear();
	}
}
