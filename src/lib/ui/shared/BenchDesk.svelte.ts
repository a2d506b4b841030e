import type { BenchAnswer } from '$lib/contract/bench';
import type { Guidance } from '$lib/contract/session';
import {
	admit,
	planOfOrder,
	progressOf,
	remainingProblem,
	type BenchPress,
	type Overdue,
	type Plan,
	type PlanOutcome,
	type PlanProblem,
	type Progress
} from '$lib/core/bench';
import { stepsFor, type Method, type ProtocolStep } from '$lib/core/method';
import { PARAMETERS } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import { fail, type Result } from '$lib/core/result';
import type { Clock, Instant } from '$lib/core/time';
import {
	passOn,
	underWay,
	watersIn,
	type BenchDraft,
	type BenchSession,
	type FinishedTest,
	type KeptWater
} from './bench-session';
import type { ReadingDraft, TitrationDraft } from './reading-draft';

interface Store {
	read<T>(key: string): Promise<T | null>;
	write(key: string, value: unknown): Promise<void>;
	remove(key: string): Promise<void>;
}

/** A wait that runs, or has run out. */
export interface RunningTimer {
	readonly runId: string;
	readonly label: string;
	readonly leftMs: number;
	readonly over: boolean;
	readonly dueAt: Instant;
}

/** The page was not awake for so long: what came due meanwhile is told first. */
const ASLEEP_MS = 20_000;
const SESSION = 'session';
const waterKey = (id: string) => `water:${id}`;

const isWaiting = (progress: Progress) =>
	progress.step !== null &&
	progress.timer !== null &&
	(progress.step.action.kind === 'stand' || progress.step.action.kind === 'filter');

/**
 * Holds the tests at the bench while one goes from view to view, and keeps them in the browser's own store: there is
 * one pair of hands, so there is one session, whatever waters it is about.
 */
export class BenchDesk {
	session = $state.raw<BenchSession | null>(null);
	/** What is known of the waters that are tested, by id. */
	waters = $state.raw<Readonly<Record<string, KeptWater>>>({});
	/** False until the store was asked, so that nothing flickers. */
	ready = $state(false);
	/** Why the session cannot be kept, when the browser has no room or no store. */
	storeFault = $state<string | null>(null);
	/** What came due while the page was not awake; shown first, until it was read. */
	missed = $state.raw<{ readonly sleptMs: number; readonly overdue: readonly Overdue[] } | null>(null);
	/** What the last plan had to give up. */
	conflicts = $state.raw<Pick<PlanOutcome, 'brokenWishes' | 'lateSteps'> | null>(null);
	#now = $state(0);
	#second = $state(0);
	#clock: Clock;
	#store: Store;
	#opened = false;

	constructor(clock: Clock, store: Store) {
		this.#clock = clock;
		this.#store = store;
	}

	/** The test whose screen is shown. */
	readonly draft: BenchDraft | null = $derived.by(
		() => this.session?.tests.find((t) => t.runId === this.session?.at) ?? null
	);
	readonly method: Method | null = $derived.by(() => this.draft?.method ?? null);
	readonly steps: readonly ProtocolStep[] = $derived.by(() =>
		this.draft && this.method ? stepsFor(this.method, this.draft.portion) : []
	);
	readonly progress: Progress | null = $derived.by(() =>
		this.draft ? progressOf(this.steps, this.draft.log) : null
	);
	readonly timers: readonly RunningTimer[] = $derived.by(() =>
		(this.session?.tests ?? []).flatMap((test) => {
			if (test.readAt !== null) return [];
			const { timer } = progressOf(stepsFor(test.method, test.portion), test.log);
			if (!timer) return [];
			const leftMs = timer.dueAt - Math.max(this.#now, timer.startedAt);
			const label = PARAMETERS[test.method.parameter].name;
			return [{ runId: test.runId, label, leftMs, over: leftMs <= 0, dueAt: timer.dueAt }];
		})
	);
	readonly timer: RunningTimer | null = $derived.by(
		() => this.timers.find((t) => t.runId === this.session?.at) ?? null
	);
	readonly isSession = $derived.by(() => this.session !== null && !this.session.alone);

	/** What is left to do, by the second. */
	readonly remaining: { readonly problem: PlanProblem; readonly overdue: readonly Overdue[] } | null =
		$derived.by(() => {
			const { session } = this;
			if (!session) return null;
			const { wishes, changeoverS, vials, at, startedAt } = session;
			const laying = {
				wishes,
				changeoverS,
				at: startedAt === null ? null : at,
				startedAt,
				...(vials === null ? {} : { equipment: { vial: vials } })
			};
			return remainingProblem(underWay(session), laying, (this.#second * 1000) as Instant);
		});
	/** The planned order with times from now; null while there is none that fits. */
	readonly plan: Plan | null = $derived.by(() => {
		const { session, remaining } = this;
		return session && remaining ? planOfOrder(remaining.problem, session.order) : null;
	});

	/** The time of the last tick. */
	get now(): number {
		return this.#now;
	}

	/** Finds what this browser kept; called once, by the page. */
	async open(): Promise<void> {
		if (this.#opened) return;
		this.#opened = true;
		try {
			const session = await this.#store.read<BenchSession>(SESSION);
			if (session) {
				const ids = watersIn(session);
				const kept = await Promise.all(ids.map((id) => this.#store.read<KeptWater>(waterKey(id))));
				this.waters = Object.fromEntries(ids.flatMap((id, i) => (kept[i] ? [[id, kept[i]]] : [])));
			}
			this.session = session;
		} catch {
			this.storeFault =
				'This browser keeps nothing for Tevrik. An unfinished test is lost when the page is closed.';
		}
		this.#now = this.session?.seenAt ?? 0;
		this.tick();
		this.ready = true;
	}

	/** Lets the timers go on; called a few times a second by the page. Notices when it was not called for long. */
	tick(): void {
		const before = this.#now;
		this.#now = this.#clock.now();
		const second = Math.floor(this.#now / 1000);
		if (second !== this.#second) this.#second = second;
		const slept = this.#now - before;
		if (before > 0 && slept > ASLEEP_MS && this.session?.startedAt != null && !this.session.pausedAt) {
			const overdue = this.remaining?.overdue ?? [];
			if (overdue.length > 0) this.missed = { sleptMs: slept, overdue };
		}
	}

	/** Keeps what is known of a water for the time without a network. */
	async storeWater(waterId: string, bench: BenchAnswer, timeZone: string): Promise<void> {
		await this.#store.write(waterKey(waterId), { bench, timeZone }).catch(() => undefined);
	}
	/** The same, of a water that the session is about: its tests are judged by it wherever one looks. */
	async keepWater(waterId: string, bench: BenchAnswer, timeZone: string): Promise<void> {
		this.waters = { ...this.waters, [waterId]: { bench, timeZone } };
		await this.storeWater(waterId, bench, timeZone);
	}

	/** Lays tests out; nothing runs yet. */
	layOut(session: BenchSession): void {
		this.missed = null;
		this.conflicts = null;
		this.#keep(session);
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
		if (!this.session) return;
		this.#keep({ ...this.session, startedAt: this.#clock.now() });
		this.follow();
	}
	changeSession(change: Partial<BenchSession>): void {
		if (this.session) this.#keep({ ...this.session, ...change });
	}
	/** A new order, from the planner. */
	arrange(outcome: PlanOutcome): void {
		this.conflicts = outcome;
		if (!this.session || !outcome.plan) return;
		this.#keep({ ...this.session, order: outcome.plan.placed.map(({ step }) => ({ step })) });
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
		if (next !== undefined && next !== session.at) this.#keep({ ...session, at: next });
	}
	pause(): void {
		if (this.session) this.#keep({ ...this.session, pausedAt: this.#clock.now() });
	}
	resume(): void {
		if (this.session) this.#keep({ ...this.session, pausedAt: null });
	}

	change(change: Partial<BenchDraft>): void {
		if (this.draft) this.#keepDraft({ ...this.draft, ...change });
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
		this.tick();
		const now = this.#clock.now();
		const what = (typeof press === 'string' ? { kind: press } : press) as BenchPress;
		const outcome = admit(steps, draft.log, { ...what, at: now });
		if (!outcome.ok) return outcome;
		// The clock of a test begins with its first press, however long ago it was laid out.
		const late = draft.log.length === 0 ? now - draft.startedAt : 0;
		this.#keepDraft({
			...draft,
			log: outcome.value,
			startedAt: (draft.startedAt + late) as Instant,
			drawnAt: (draft.drawnAt + (draft.earlier.length > 0 ? 0 : late)) as Instant
		});
		if (what.kind === 'step-done' || what.kind === 'step-left' || what.kind === 'ahead') this.#turn();
		if (what.kind === 'timer-started' && this.progress && isWaiting(this.progress)) this.#turn();
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
		this.#keep({ ...session, tests, finished, at: wasAtHand ? (tests[0]?.runId ?? null) : session.at });
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
		this.#keep({
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
		this.session = null;
		this.missed = null;
		this.conflicts = null;
		await this.#store.remove(SESSION).catch(() => undefined);
	}

	#keepDraft(draft: BenchDraft): void {
		if (!this.session) return;
		const tests = this.session.tests.map((t) => (t.runId === draft.runId ? draft : t));
		this.#keep({ ...this.session, tests });
	}
	#keep(session: BenchSession): void {
		this.session = { ...session, seenAt: this.#clock.now(), revision: session.revision + 1 };
		this.#store.write(SESSION, this.session).catch(() => {
			this.storeFault =
				'This browser has no room to keep the unfinished test. Finish it before closing the page.';
		});
	}
}
