import type { Outbox } from '$lib/client/outbox.svelte';
import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
import type { OpenSession, SessionState } from '$lib/contract/session';
import { CHANGEOVER_S, orderWishes, tomorrowInLight } from '$lib/core/bench';
import { nameWithin } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import { instant, type Clock, type Instant } from '$lib/core/time';
import { clockTime, shortDay } from '$lib/format/date';
import { sheetOf, type BenchDraft, type BenchSession } from '$lib/ui/shared/bench-session';
import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
import type { Habits } from '$lib/ui/shared/reading-draft';
import type { Chosen } from './choose/chosen';
import type { SessionPlanner } from './layout/SessionPlanner.svelte';
import { choiceOf, draftOfSheet, makeDraft, thinned, type SameSample, type StartChoice } from './make-draft';

/** What the bench stands on, and what is known of the water that is looked at. */
interface Input {
	readonly waterId: string;
	readonly bench: BenchAnswer;
	readonly habits: Habits;
	readonly timeZone: string;
	/** Asks the server again, so that the next reading is held against the one just saved. */
	readonly onsaved: () => Promise<void>;
	/** What the server knows of another water; null where it cannot be asked. */
	readonly askWater: (waterId: string) => Promise<BenchAnswer | null>;
}
interface Around {
	readonly desk: BenchDesk;
	readonly outbox: Outbox;
	readonly planner: SessionPlanner;
	readonly clock: Clock;
	readonly newId: () => string;
}

/** What one does at the bench: choose and lay out, begin, keep, repeat, go on elsewhere. */
export class BenchState {
	readonly #input: () => Input;
	readonly #around: Around;
	/** The one test that was just kept, so that its sample can be tested once more. */
	saved = $state.raw<{
		readonly draft: BenchDraft;
		readonly all: readonly (readonly TestResult[])[];
	} | null>(null);
	/** What is planned for tomorrow, once it is. */
	planned = $state<string | null>(null);

	constructor(around: Around, input: () => Input) {
		this.#around = around;
		this.#input = input;
	}

	readonly phase = $derived.by(() => {
		const { session } = this.#around.desk;
		if (session === null) return 'choose';
		if (session.startedAt === null) return 'lay-out';
		return session.tests.length === 0 ? 'finish' : 'run';
	});
	/** It waits in this browser for the server. */
	readonly savedHere = $derived.by(
		() => this.saved !== null && this.#around.outbox.waiting.some((w) => w.id === this.saved?.draft.runId)
	);

	benchOf(id: string): BenchAnswer | undefined {
		const { waterId, bench } = this.#input();
		return id === waterId ? bench : this.#around.desk.waters[id]?.bench;
	}
	waterName(id: string): string {
		return this.benchOf(id)?.waterName ?? 'another water';
	}
	/** Of the water whose test is at hand. */
	get at(): BenchAnswer {
		const { draft } = this.#around.desk;
		const { bench } = this.#input();
		return draft ? (this.benchOf(draft.waterId) ?? bench) : bench;
	}

	#making() {
		const { newId, clock } = this.#around;
		const { habits, bench } = this.#input();
		return { habits, newId, now: clock.now(), decisions: bench.readerDecisions };
	}
	/** The water looked at stays known while its tests are at the bench. */
	#keepThis(): void {
		const { waterId, bench, timeZone } = this.#input();
		void this.#around.desk.keepWater(waterId, bench, timeZone);
	}
	async askFor(id: string): Promise<void> {
		const { askWater, timeZone } = this.#input();
		const answer = await askWater(id);
		if (answer) await this.#around.desk.keepWater(id, answer, timeZone);
	}

	/** One test alone, at once. */
	start(offer: BenchOffer, choice: StartChoice): void {
		this.saved = null;
		this.#keepThis();
		this.#around.desk.start(makeDraft(this.#input().waterId, offer.method, choice, null, this.#making()));
	}
	#repeatOf(old: BenchDraft, same: SameSample, how: 'same' | 'thinned'): BenchDraft {
		const choice = choiceOf(old);
		const parts = old.method.dilutions[0] ?? 5;
		const dilution = how === 'thinned' ? thinned(old.method, old.portion, parts) : choice.dilution;
		return makeDraft(old.waterId, old.method, { ...choice, dilution }, same, this.#making());
	}
	/** Instead of the test at hand, the same anew. */
	again(old: BenchDraft): void {
		const { desk, planner } = this.#around;
		const fresh = this.#repeatOf(old, old, 'same');
		const { session } = desk;
		if (!session || !desk.isSession) desk.start(fresh);
		else {
			const tests = session.tests.map((t) => (t.runId === old.runId ? fresh : t));
			desk.changeSession({ tests, at: fresh.runId });
			void planner.plan();
		}
	}
	/** A reading was kept; `more` of the same sample, as it is or thinned. */
	async kept(
		old: BenchDraft,
		results: readonly TestResult[],
		onServer: boolean,
		more: 'same' | 'thinned' | null
	): Promise<void> {
		const { desk, planner } = this.#around;
		const all = [...old.earlier, results];
		// In a session the desk passes on what the sample gave, to this repeat as to every other.
		const earlier = desk.isSession ? old.earlier : all;
		const next = more && this.#repeatOf(old, { ...old, earlier }, more);
		if (desk.isSession) {
			if (next) desk.add(next, false);
			await desk.finish(old.runId, results);
			void planner.plan();
			this.#tell(desk.session?.tests.length === 0 ? 'finished' : 'under-way');
		} else {
			this.saved = { draft: old, all };
			await desk.clear();
			if (next) {
				this.saved = null;
				desk.start(next);
			}
		}
		if (onServer) await this.#input().onsaved();
	}
	repeatSaved(): void {
		if (!this.saved) return;
		const { draft, all } = this.saved;
		const next = this.#repeatOf(draft, { ...draft, earlier: all }, 'same');
		this.saved = null;
		this.#around.desk.start(next);
	}

	#testsOf(chosen: readonly Chosen[]): BenchDraft[] {
		return chosen.flatMap(({ waterId, offer, choice, times }) => {
			const first = makeDraft(waterId, offer.method, choice, null, this.#making());
			// Replicates are of one sample.
			const others = Array.from({ length: times - 1 }, () =>
				makeDraft(waterId, offer.method, choice, first, this.#making())
			);
			return [first, ...others];
		});
	}
	#practised(t: BenchDraft): boolean {
		const offer = this.benchOf(t.waterId)?.offers.find((o) => o.method.code === t.method.code);
		return offer?.practised ?? false;
	}
	#sessionOf(tests: readonly BenchDraft[], id: string, inOrder = false): BenchSession {
		// Calcium comes before what is reckoned with it.
		const wishes = tests.flatMap((t) => {
			if (t.method.kind !== 'difference') return [];
			const { parameter } = t.method.subtract;
			const other = tests.find((o) => o.waterId === t.waterId && o.method.parameter === parameter);
			return other ? [{ kind: 'first', test: other.runId, before: t.runId } as const] : [];
		});
		return {
			id,
			waterId: this.#input().waterId,
			revision: 1,
			alone: false,
			startedAt: null,
			tests: tests.map((t, i) => {
				const before = tests.slice(0, i).some((o) => o.method.code === t.method.code);
				const isFirst = !this.#practised(t) && !before;
				return isFirst ? { ...t, guidance: 'full' as const } : t;
			}),
			finished: [],
			at: tests[0]?.runId ?? null,
			order: [],
			wishes: inOrder ? orderWishes(tests.map((t) => t.runId)) : wishes,
			guidance: 'card',
			changeoverS: CHANGEOVER_S,
			vials: null,
			together: tests.length > 1,
			pausedAt: null,
			seenAt: this.#around.clock.now()
		};
	}
	/** @param inOrder the tests begin one after another as they stand */
	layOut(chosen: readonly Chosen[], inOrder = false): void {
		this.#keepThis();
		this.saved = null;
		this.planned = null;
		this.#around.desk.layOut(this.#sessionOf(this.#testsOf(chosen), this.#around.newId(), inOrder));
	}
	/** Tells the server where the session stands, so that it can be gone on with elsewhere. */
	#tell(state: SessionState, session = this.#around.desk.session, dueAt: Instant | null = null): void {
		if (!session) return;
		const { outbox, newId, clock } = this.#around;
		const id = newId();
		const command = sheetOf(session, id, state, dueAt, clock.now());
		void outbox
			.put({ id, url: `/api/waters/${session.waterId}/sessions`, command, label: 'The session' })
			.then((answer) => {
				// An older device is told so once; what it reads is sent all the same.
				if (answer.kind === 'refused') void outbox.forget(id);
			});
	}
	begin(): void {
		this.#around.desk.begin();
		this.#tell('under-way');
	}
	tomorrow(chosen: readonly Chosen[]): void {
		const { clock, newId } = this.#around;
		const { timeZone, bench } = this.#input();
		const dueAt = tomorrowInLight(clock.now(), bench.lights ?? null, timeZone);
		this.#tell('planned', this.#sessionOf(this.#testsOf(chosen), newId()), dueAt);
		const names = chosen.map((c) => nameWithin(c.offer.method.parameter)).join(', ');
		this.planned = `Planned for ${shortDay(dueAt, timeZone, clock.now())} at ${clockTime(dueAt, timeZone)}${bench.lights ? ', with the light on' : ''}: ${names}.`;
	}
	async goOn(sheet: OpenSession): Promise<void> {
		const { desk, planner } = this.#around;
		for (const { id } of sheet.waters) if (!this.benchOf(id)) await this.askFor(id);
		const tests = sheet.tests
			.filter((t) => !t.over)
			.flatMap((t) => draftOfSheet(t, this.benchOf(t.waterId), this.#input().habits) ?? []);
		if (tests.length === 0) return;
		this.#keepThis();
		const begun = sheet.state === 'under-way';
		desk.layOut({
			...this.#sessionOf(tests, sheet.sessionId),
			revision: sheet.revision,
			startedAt: begun ? instant(sheet.startedAt) : null
		});
		this.saved = null;
		await planner.plan();
		if (begun) desk.follow();
	}
	drop(sheet: OpenSession): void {
		const { outbox, newId } = this.#around;
		const { waterId, onsaved } = this.#input();
		const id = newId();
		const { waters: _, by: __, savedAt: ___, ...rest } = sheet;
		const command = { ...rest, id, waterId, revision: sheet.revision + 1, state: 'dropped' as const };
		void outbox
			.put({ id, url: `/api/waters/${waterId}/sessions`, command, label: 'The session' })
			.then(() => onsaved());
	}
	async close(): Promise<void> {
		await this.#around.desk.clear();
		if (this.#around.outbox.waiting.length === 0) await this.#input().onsaved();
	}
}
