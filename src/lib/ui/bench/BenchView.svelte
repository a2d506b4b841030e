<script lang="ts">
	import { onDestroy, untrack } from 'svelte';
	import { idMaker } from '$lib/client/ids';
	import type { Handling } from '$lib/contract/handling';
	import type { BenchAnswer } from '$lib/contract/bench';
	import { planOfOrder, remainingProblem } from '$lib/core/bench';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import type { BenchDraft } from '$lib/ui/shared/bench-session';
	import { benchDeskOf, clockOf, outboxOf } from '$lib/ui/shared/context';
	import type { Habits } from '$lib/ui/shared/reading-draft';
	import { planInWorker } from '$lib/workers/plan.client';
	import { BenchState } from './BenchState.svelte';
	import type { BenchAsked } from './choose/asked';
	import ChooseTests from './choose/ChooseTests.svelte';
	import RefusedNotice from './RefusedNotice.svelte';
	import { SessionPlanner } from './layout/SessionPlanner.svelte';
	import { fetchedScreens, type Screens } from './screens';

	interface Props {
		waterId: string;
		bench: BenchAnswer;
		/** Other waters of the same site. */
		siblings: readonly { readonly id: string; readonly name: string }[];
		units: Readonly<Record<ParameterId, UnitId>>;
		habits: Habits & Handling & { readonly unused: 'discard' | 'put-back' };
		timeZone: string;
		now: Instant;
		/** Asks the server again, so that the next reading is held against the one just saved. */
		onsaved: () => Promise<void>;
		/** Another view asks for a test. */
		asked: BenchAsked;
		/** What the server knows of another water; null where it cannot be asked. */
		askWater: (waterId: string) => Promise<BenchAnswer | null>;
		/** The screens of a test, where they are here already. */
		screens?: Screens | null;
	}
	let {
		waterId,
		bench,
		siblings,
		units,
		habits,
		timeZone,
		now,
		onsaved,
		asked,
		askWater,
		screens = null
	}: Props = $props();

	const desk = benchDeskOf();
	untrack(() => desk.usePlanner({ remainingProblem, planOfOrder }));
	const outbox = outboxOf();
	const clock = clockOf();
	const newId = idMaker(untrack(() => clock));
	const planner = new SessionPlanner(desk, (problem, ms, signal, onbetter) =>
		planInWorker({ problem, ms, seed: Math.floor(clock.now() / 1000) % 2 ** 31 }, signal, onbetter)
	);
	onDestroy(() => planner.end());

	const atBench = new BenchState({ desk, outbox, planner, clock: untrack(() => clock), newId }, () => ({
		waterId,
		bench,
		habits,
		timeZone,
		onsaved,
		askWater
	}));

	/** The screens of a test, which nobody needs who only chooses; fetched as soon as a hand moves. */
	let shown = $state.raw<Screens | null>(untrack(() => screens));
	let unfetched = $state(false);
	async function fetchScreens(): Promise<void> {
		if (shown) return;
		try {
			shown = await fetchedScreens();
			unfetched = false;
		} catch {
			unfetched = true;
		}
	}
	$effect(() => {
		if (desk.ready && (atBench.phase !== 'choose' || atBench.saved)) void fetchScreens();
	});

	$effect(() => {
		void desk.storeWater(waterId, bench, timeZone);
	});

	const draft = $derived(desk.draft);

	/** Changes with every screen; each begins at its top. */
	const screen = $derived(
		`${atBench.phase}/${draft?.runId ?? ''}/${desk.progress?.stepIndex ?? ''}/${draft?.readAt != null}/${atBench.saved !== null}`
	);
	$effect(() => {
		if (screen) window.scrollTo({ top: 0 });
	});

	const practised = (t: BenchDraft) => t.guidance !== 'full';
	/** Where the leaflet in the box was not entered yet, and the kit was never used. */
	const unread = (t: BenchDraft) => {
		const offer = atBench.benchOf(t.waterId)?.offers.find((o) => o.method.code === t.method.code);
		return offer?.common === true && offer.lastUsedAt === null;
	};
</script>

<svelte:window onpointerdown={() => void fetchScreens()} onkeydown={() => void fetchScreens()} />

<main>
	{#if desk.storeFault}<p class="page py-2! font-semibold text-warn">{desk.storeFault}</p>{/if}
	<RefusedNotice {outbox} />
	{#if desk.ready && atBench.phase !== 'choose' && !shown}
		<p class="page text-muted" role="status">
			{unfetched
				? 'This screen cannot be fetched just now. What was begun is kept here; it is tried again with the next press.'
				: 'One moment …'}
		</p>
	{:else if desk.ready && shown && atBench.phase === 'lay-out'}
		<shown.LayOutView
			{desk}
			{planner}
			{timeZone}
			waterName={(id) => atBench.waterName(id)}
			{practised}
			{unread}
			rinse={habits.rinse}
			onbegin={() => atBench.begin()}
			onback={() => void desk.clear()}
		/>
	{:else if desk.ready && shown && atBench.phase === 'finish' && desk.session}
		<shown.FinishView
			session={desk.session}
			{units}
			benchOf={(id) => atBench.benchOf(id)}
			unused={habits.unused}
			{timeZone}
			now={desk.now as Instant}
			onclose={() => void atBench.close()}
		/>
	{:else if desk.ready && shown && atBench.phase === 'run' && desk.isSession}
		<shown.SessionFrame
			{desk}
			{planner}
			{timeZone}
			unused={habits.unused}
			waterName={(id) => atBench.waterName(id)}
		>
			<shown.RunBench
				bench={atBench.at}
				{units}
				handling={habits}
				{timeZone}
				{now}
				onkept={(...about) => atBench.kept(...about)}
				onrepeat={(old) => atBench.again(old)}
			/>
		</shown.SessionFrame>
	{:else if desk.ready && shown && atBench.phase === 'run'}
		<shown.RunBench
			bench={atBench.at}
			{units}
			handling={habits}
			{timeZone}
			{now}
			onkept={(...about) => atBench.kept(...about)}
			onrepeat={(old) => atBench.again(old)}
		/>
	{:else}
		{#if atBench.saved && shown}
			<shown.SavedNotice
				{...atBench.saved}
				here={atBench.savedHere}
				{waterId}
				{units}
				onagain={() => atBench.repeatSaved()}
			/>
		{/if}
		<!-- Until it is known whether a test was left unfinished nothing can be begun; it takes a moment. -->
		<div inert={!desk.ready}>
			<ChooseTests
				{waterId}
				{bench}
				{siblings}
				benchOf={(id) => atBench.benchOf(id)}
				onwater={(id) => atBench.askFor(id)}
				{units}
				{timeZone}
				{now}
				{asked}
				onstart={(offer, choice) => atBench.start(offer, choice)}
				onlayout={(chosen, inOrder) => atBench.layOut(chosen, inOrder)}
				ontomorrow={(chosen) => atBench.tomorrow(chosen)}
				planned={atBench.planned}
				ongoon={(sheet) => void atBench.goOn(sheet)}
				ondrop={(sheet) => atBench.drop(sheet)}
			/>
		</div>
	{/if}
</main>
