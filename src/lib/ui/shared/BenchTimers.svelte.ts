import {
	progressOf,
	type Overdue,
	type Plan,
	type planOfOrder,
	type PlanProblem,
	type Progress,
	type remainingProblem
} from '$lib/core/bench';
import { stepsFor } from '$lib/core/method';
import { PARAMETERS } from '$lib/core/quantity';
import type { Clock, Instant } from '$lib/core/time';
import { underWay, type BenchDraft, type BenchSession } from './bench-session';

/** A wait that runs, or has run out. */
export interface RunningTimer {
	readonly runId: string;
	readonly label: string;
	readonly leftMs: number;
	readonly over: boolean;
	readonly dueAt: Instant;
}

/** Lays out what is left of a session. Brought by the bench: other views show waits alone, and need not be sent it. */
export interface Planner {
	readonly remainingProblem: typeof remainingProblem;
	readonly planOfOrder: typeof planOfOrder;
}

/** The page was not awake for so long: what came due meanwhile is told first. */
const ASLEEP_MS = 20_000;

/** By what was noted of it, which is replaced whole: the plunger may move as it likes meanwhile. */
const known = new WeakMap<
	BenchDraft['log'],
	{ readonly of: BenchDraft; readonly timer: Progress['timer'] }
>();

function timerOf(test: BenchDraft): Progress['timer'] {
	const last = known.get(test.log);
	if (last?.of.method === test.method && last.of.portion === test.portion) return last.timer;
	const { timer } = progressOf(stepsFor(test.method, test.portion), test.log);
	known.set(test.log, { of: test, timer });
	return timer;
}

/** What of a session depends on the time: its waits, what is left of it, and whether the page slept. */
export class BenchTimers {
	/** What came due while the page was not awake; shown first, until it was read. */
	missed = $state.raw<{ readonly sleptMs: number; readonly overdue: readonly Overdue[] } | null>(null);
	#planner = $state.raw<Planner | null>(null);
	/** It slept while nobody could say what came due: told once somebody can. */
	#sleptMs = 0;
	#now = $state(0);
	#second = $state(0);
	readonly #clock: Clock;
	readonly #session: () => BenchSession | null;

	constructor(clock: Clock, session: () => BenchSession | null) {
		this.#clock = clock;
		this.#session = session;
	}

	/** The time of the last tick. */
	get now(): number {
		return this.#now;
	}

	readonly all: readonly RunningTimer[] = $derived.by(() =>
		(this.#session()?.tests ?? []).flatMap((test) => {
			if (test.readAt !== null) return [];
			const timer = timerOf(test);
			if (!timer) return [];
			const leftMs = timer.dueAt - Math.max(this.#now, timer.startedAt);
			const label = PARAMETERS[test.method.parameter].name;
			return [{ runId: test.runId, label, leftMs, over: leftMs <= 0, dueAt: timer.dueAt }];
		})
	);
	/** Of the test at hand. */
	readonly atHand: RunningTimer | null = $derived.by(
		() => this.all.find((t) => t.runId === this.#session()?.at) ?? null
	);

	/** What is left to do, by the second. */
	readonly remaining: { readonly problem: PlanProblem; readonly overdue: readonly Overdue[] } | null =
		$derived.by(() => {
			const session = this.#session();
			const planner = this.#planner;
			if (!session || !planner) return null;
			const { wishes, changeoverS, vials, at, startedAt } = session;
			const laying = {
				wishes,
				changeoverS,
				at: startedAt === null ? null : at,
				startedAt,
				...(vials === null ? {} : { equipment: { vial: vials } })
			};
			return planner.remainingProblem(underWay(session), laying, (this.#second * 1000) as Instant);
		});
	/** The planned order with times from now; null while there is none that fits. */
	readonly plan: Plan | null = $derived.by(() => {
		const session = this.#session();
		const planner = this.#planner;
		return session && planner && this.remaining
			? planner.planOfOrder(this.remaining.problem, session.order)
			: null;
	});

	/** From now on there is a plan. */
	usePlanner(planner: Planner): void {
		this.#planner = planner;
		if (this.#sleptMs > 0) this.#noteSlept(this.#sleptMs);
	}
	#noteSlept(sleptMs: number): void {
		this.#sleptMs = 0;
		const overdue = this.remaining?.overdue ?? [];
		if (overdue.length > 0) this.missed = { sleptMs, overdue };
	}
	/** Begins where the session was last seen. */
	begin(): void {
		this.#now = this.#session()?.seenAt ?? 0;
		this.tick();
	}
	/** Lets the waits go on. Notices when it was not called for long. */
	tick(): void {
		const before = this.#now;
		this.#now = this.#clock.now();
		const second = Math.floor(this.#now / 1000);
		if (second !== this.#second) this.#second = second;
		const slept = this.#now - before;
		const session = this.#session();
		if (before > 0 && slept > ASLEEP_MS && session?.startedAt != null && !session.pausedAt) {
			if (this.#planner) this.#noteSlept(slept);
			else this.#sleptMs = slept;
		}
	}
}
