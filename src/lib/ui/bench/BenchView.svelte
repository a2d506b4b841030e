<script lang="ts">
	import { onDestroy, untrack } from 'svelte';
	import { idMaker } from '$lib/client/ids';
	import type { BenchAnswer } from '$lib/contract/bench';
	import type { OpenSession, SessionState } from '$lib/contract/session';
	import { CHANGEOVER_S } from '$lib/core/bench';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { TestResult } from '$lib/core/reading';
	import { addDays, instant, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { faultText } from '$lib/format/faults';
	import { resultInUnit } from '$lib/format/quantity';
	import Button from '$lib/ui/kit/Button.svelte';
	import { sheetOf, type BenchDraft, type BenchSession } from '$lib/ui/shared/bench-session';
	import { benchDeskOf, clockOf, outboxOf } from '$lib/ui/shared/context';
	import Photographs from '$lib/ui/shared/Photographs.svelte';
	import type { Habits } from '$lib/ui/shared/reading-draft';
	import { planInWorker } from '$lib/workers/plan.client';
	import ChooseTests, { type Chosen } from './choose/ChooseTests.svelte';
	import FinishView from './finish/FinishView.svelte';
	import LayOutView from './layout/LayOutView.svelte';
	import { choiceOf, draftOfSheet, makeDraft, thinned, type SameSample } from './make-draft';
	import type { BenchAsked } from './choose/MethodPanel.svelte';
	import RunBench from './run/RunBench.svelte';
	import SessionFrame from './run/SessionFrame.svelte';
	import { SessionPlanner } from './layout/SessionPlanner.svelte';

	interface Props {
		waterId: string;
		bench: BenchAnswer;
		/** Other waters of the same site. */
		siblings: readonly { readonly id: string; readonly name: string }[];
		units: Readonly<Record<ParameterId, UnitId>>;
		habits: Habits & { readonly unused: 'discard' | 'put-back' };
		timeZone: string;
		now: Instant;
		/** Asks the server again, so that the next reading is held against the one just saved. */
		onsaved: () => Promise<void>;
		/** Another view asks for a test. */
		asked: BenchAsked;
		/** What the server knows of another water; null where it cannot be asked. */
		askWater: (waterId: string) => Promise<BenchAnswer | null>;
	}
	let { waterId, bench, siblings, units, habits, timeZone, now, onsaved, asked, askWater }: Props = $props();

	const desk = benchDeskOf();
	const outbox = outboxOf();
	const clock = clockOf();
	const newId = idMaker(untrack(() => clock));
	const planner = new SessionPlanner(desk, (problem, ms, signal, onbetter) =>
		planInWorker({ problem, ms, seed: Math.floor(clock.now() / 1000) % 2 ** 31 }, signal, onbetter)
	);
	onDestroy(() => planner.end());

	/** The one test that was just kept, so that its sample can be tested once more. */
	let saved = $state.raw<{
		readonly draft: BenchDraft;
		readonly all: readonly (readonly TestResult[])[];
	} | null>(null);
	let planned = $state<string | null>(null);

	$effect(() => {
		void desk.storeWater(waterId, bench, timeZone);
	});

	const benchOf = (id: string) => (id === waterId ? bench : desk.waters[id]?.bench);
	const waterName = (id: string) => benchOf(id)?.waterName ?? 'another water';
	const making = () => ({ habits, newId, now: clock.now() });
	const phase = $derived(
		desk.session === null
			? 'choose'
			: desk.session.startedAt === null
				? 'lay-out'
				: desk.session.tests.length === 0
					? 'finish'
					: 'run'
	);
	const draft = $derived(desk.draft);
	const at = $derived(draft ? (benchOf(draft.waterId) ?? bench) : bench);
	const savedHere = $derived(saved !== null && outbox.waiting.some((w) => w.id === saved?.draft.runId));

	/** Changes with every screen; each begins at its top. */
	const screen = $derived(
		`${phase}/${draft?.runId ?? ''}/${desk.progress?.stepIndex ?? ''}/${draft?.readAt != null}/${saved !== null}`
	);
	$effect(() => {
		if (screen) window.scrollTo({ top: 0 });
	});

	function repeatOf(old: BenchDraft, same: SameSample, how: 'same' | 'thinned'): BenchDraft {
		const choice = choiceOf(old);
		const parts = old.method.dilutions[0] ?? 5;
		const dilution = how === 'thinned' ? thinned(old.method, old.portion, parts) : choice.dilution;
		return makeDraft(old.waterId, old.method, { ...choice, dilution }, same, making());
	}
	/** Instead of the test at hand, the same anew. */
	function again(old: BenchDraft): void {
		const fresh = repeatOf(old, old, 'same');
		const { session } = desk;
		if (!session || !desk.isSession) desk.start(fresh);
		else {
			const tests = session.tests.map((t) => (t.runId === old.runId ? fresh : t));
			desk.changeSession({ tests, at: fresh.runId });
			void planner.plan();
		}
	}
	async function kept(
		old: BenchDraft,
		results: readonly TestResult[],
		onServer: boolean,
		more: 'same' | 'thinned' | null
	): Promise<void> {
		const all = [...old.earlier, results];
		// In a session the desk passes on what the sample gave, to this repeat as to every other.
		const earlier = desk.isSession ? old.earlier : all;
		const next = more && repeatOf(old, { ...old, earlier }, more);
		if (desk.isSession) {
			if (next) desk.add(next, false);
			await desk.finish(old.runId, results);
			void planner.plan();
			tell(desk.session?.tests.length === 0 ? 'finished' : 'under-way');
		} else {
			saved = { draft: old, all };
			await desk.clear();
			if (next) {
				saved = null;
				desk.start(next);
			}
		}
		if (onServer) await onsaved();
	}
	function repeatSaved(): void {
		if (!saved) return;
		const next = repeatOf(saved.draft, { ...saved.draft, earlier: saved.all }, 'same');
		saved = null;
		desk.start(next);
	}

	const testsOf = (chosen: readonly Chosen[]): BenchDraft[] =>
		chosen.flatMap(({ waterId: id, offer, choice, times }) => {
			const first = makeDraft(id, offer.method, choice, null, making());
			// Replicates are of one sample.
			const others = Array.from({ length: times - 1 }, () =>
				makeDraft(id, offer.method, choice, first, making())
			);
			return [first, ...others];
		});
	function sessionOf(tests: readonly BenchDraft[], id: string): BenchSession {
		const practised = (t: BenchDraft) =>
			benchOf(t.waterId)?.offers.find((o) => o.method.code === t.method.code)?.practised ?? false;
		// Calcium comes before what is reckoned with it.
		const wishes = tests.flatMap((t) => {
			if (t.method.kind !== 'difference') return [];
			const { parameter } = t.method.subtract;
			const other = tests.find((o) => o.waterId === t.waterId && o.method.parameter === parameter);
			return other ? [{ kind: 'first', test: other.runId, before: t.runId } as const] : [];
		});
		return {
			id,
			waterId,
			revision: 1,
			alone: false,
			startedAt: null,
			tests: tests.map((t, i) => {
				const before = tests.slice(0, i).some((o) => o.method.code === t.method.code);
				const isFirst = !practised(t) && !before;
				return isFirst ? { ...t, guidance: 'full' as const } : t;
			}),
			finished: [],
			at: tests[0]?.runId ?? null,
			order: [],
			wishes,
			guidance: 'card',
			changeoverS: CHANGEOVER_S,
			vials: null,
			pausedAt: null,
			seenAt: clock.now()
		};
	}
	/** The water looked at stays known while its tests are at the bench. */
	const keepThis = () => void desk.keepWater(waterId, bench, timeZone);
	function layOut(chosen: readonly Chosen[]): void {
		keepThis();
		saved = null;
		planned = null;
		desk.layOut(sessionOf(testsOf(chosen), newId()));
	}
	/** Tells the server where the session stands, so that it can be gone on with elsewhere. */
	function tell(state: SessionState, session = desk.session, dueAt: Instant | null = null): void {
		if (!session) return;
		const id = newId();
		const command = sheetOf(session, id, state, dueAt, clock.now());
		void outbox
			.put({ id, url: `/api/waters/${session.waterId}/sessions`, command, label: 'The session' })
			.then((answer) => {
				// An older device is told so once; what it reads is sent all the same.
				if (answer.kind === 'refused') void outbox.forget(id);
			});
	}
	function begin(): void {
		desk.begin();
		tell('under-way');
	}
	function tomorrow(chosen: readonly Chosen[]): void {
		const dueAt = addDays(clock.now(), 1);
		tell('planned', sessionOf(testsOf(chosen), newId()), dueAt);
		const names = chosen.map((c) => nameWithin(c.offer.method.parameter)).join(', ');
		planned = `Planned for ${shortDay(dueAt, timeZone, clock.now())}: ${names}.`;
	}
	async function goOn(sheet: OpenSession): Promise<void> {
		for (const { id } of sheet.waters) if (!benchOf(id)) await askFor(id);
		const tests = sheet.tests
			.filter((t) => !t.over)
			.flatMap((t) => draftOfSheet(t, benchOf(t.waterId), habits) ?? []);
		if (tests.length === 0) return;
		keepThis();
		const session = sessionOf(tests, sheet.sessionId);
		const begun = sheet.state === 'under-way';
		desk.layOut({
			...session,
			revision: sheet.revision,
			startedAt: begun ? instant(sheet.startedAt) : null
		});
		saved = null;
		await planner.plan();
		if (begun) desk.follow();
	}
	function drop(sheet: OpenSession): void {
		const id = newId();
		const { waters: _, by: __, savedAt: ___, ...rest } = sheet;
		const command = { ...rest, id, waterId, revision: sheet.revision + 1, state: 'dropped' as const };
		void outbox
			.put({ id, url: `/api/waters/${waterId}/sessions`, command, label: 'The session' })
			.then(() => onsaved());
	}
	async function askFor(id: string): Promise<void> {
		const answer = await askWater(id);
		if (answer) await desk.keepWater(id, answer, timeZone);
	}
	async function close(): Promise<void> {
		await desk.clear();
		if (outbox.waiting.length === 0) await onsaved();
	}
	const practised = (t: BenchDraft) => t.guidance !== 'full';
</script>

<main>
	{#if desk.storeFault}<p class="page py-2! font-semibold text-warn">{desk.storeFault}</p>{/if}
	{#each outbox.refused as { item, fault } (item.id)}
		<div class="border-b">
			<p class="page flex flex-wrap items-center gap-3 py-3!" role="alert">
				<span class="grow"
					><strong class="text-warn">{item.label} was not taken.</strong>
					{faultText(fault)} It is kept here.</span
				>
				{#if fault.code === 'in-the-future' && fault.details?.minutes !== undefined}
					{@const minutes = Number(fault.details.minutes)}
					<Button onclick={() => void outbox.putRight(item.id, minutes)}
						>Put right by {minutes} {minutes === 1 ? 'minute' : 'minutes'}</Button
					>
				{:else}
					<Button onclick={() => void outbox.tryAgain(item.id)}>Send it again</Button>
				{/if}
				<Button kind="quiet" onclick={() => void outbox.forget(item.id)}>Throw it away</Button>
			</p>
		</div>
	{/each}
	{#if !desk.ready}
		<p class="page text-muted">Looking for an unfinished test …</p>
	{:else if phase === 'lay-out'}
		<LayOutView
			{desk}
			{planner}
			{timeZone}
			{waterName}
			{practised}
			onbegin={begin}
			onback={() => void desk.clear()}
		/>
	{:else if phase === 'finish' && desk.session}
		<FinishView
			session={desk.session}
			{units}
			{benchOf}
			unused={habits.unused}
			{timeZone}
			now={desk.now as Instant}
			onclose={close}
		/>
	{:else if phase === 'run' && desk.isSession}
		<SessionFrame {desk} {planner} {timeZone} {waterName}>
			<RunBench bench={at} {units} {timeZone} {now} onkept={kept} onrepeat={again} />
		</SessionFrame>
	{:else if phase === 'run'}
		<RunBench bench={at} {units} {timeZone} {now} onkept={kept} onrepeat={again} />
	{:else}
		{#if saved}
			<div role="status" class="border-b bg-paper">
				<div class="page flex max-w-[76rem]! flex-wrap items-center gap-x-6 gap-y-3 py-5!">
					<p class="figures text-xl">
						<strong>{savedHere ? 'Kept on this device.' : 'Saved.'}</strong>
						{#each saved.all.at(-1) ?? [] as result (result.parameter)}
							{PARAMETERS[result.parameter].name}
							{resultInUnit(result, units[result.parameter])}.
						{/each}
						{#if savedHere}The server cannot be reached; it is sent when it is back.{/if}
					</p>
					{#if saved.draft.standard && saved.draft.kit}
						<Button kind="primary" href="/waters/{waterId}/shelf/{saved.draft.kit.id}#check"
							>Go on with the check</Button
						>
					{/if}
					<Button onclick={repeatSaved}>Test the same sample again</Button>
					<Button href="/waters/{waterId}/today">See Today</Button>
					<Button href="/waters/{waterId}/adjust">What to put right</Button>
					<Button href="/waters/{waterId}/trends">See the trend</Button>
					{#if !savedHere}
						<div class="basis-full">
							<Photographs {waterId} of={{ run: saved.draft.runId }} photographs={[]} what="this test" />
						</div>
					{/if}
				</div>
			</div>
		{/if}
		<ChooseTests
			{waterId}
			{bench}
			{siblings}
			{benchOf}
			onwater={askFor}
			{units}
			{timeZone}
			{now}
			{asked}
			onstart={(offer, choice) => {
				saved = null;
				keepThis();
				desk.start(makeDraft(waterId, offer.method, choice, null, making()));
			}}
			onlayout={layOut}
			ontomorrow={tomorrow}
			{planned}
			ongoon={(s) => void goOn(s)}
			ondrop={drop}
		/>
	{/if}
</main>
