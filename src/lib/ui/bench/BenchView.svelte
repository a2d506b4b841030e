<script lang="ts">
	import { onDestroy, untrack } from 'svelte';
	import { idMaker } from '$lib/client/ids';
	import type { BenchAnswer } from '$lib/contract/bench';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import type { BenchDraft } from '$lib/ui/shared/bench-session';
	import { benchDeskOf, clockOf, outboxOf } from '$lib/ui/shared/context';
	import type { Habits } from '$lib/ui/shared/reading-draft';
	import { planInWorker } from '$lib/workers/plan.client';
	import { BenchState } from './BenchState.svelte';
	import type { BenchAsked } from './choose/asked';
	import ChooseTests from './choose/ChooseTests.svelte';
	import FinishView from './finish/FinishView.svelte';
	import LayOutView from './layout/LayOutView.svelte';
	import RefusedNotice from './RefusedNotice.svelte';
	import SavedNotice from './SavedNotice.svelte';
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

	const atBench = new BenchState({ desk, outbox, planner, clock: untrack(() => clock), newId }, () => ({
		waterId,
		bench,
		habits,
		timeZone,
		onsaved,
		askWater
	}));

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

<main>
	{#if desk.storeFault}<p class="page py-2! font-semibold text-warn">{desk.storeFault}</p>{/if}
	<RefusedNotice {outbox} />
	{#if !desk.ready}
		<p class="page text-muted">Looking for an unfinished test …</p>
	{:else if atBench.phase === 'lay-out'}
		<LayOutView
			{desk}
			{planner}
			{timeZone}
			waterName={(id) => atBench.waterName(id)}
			{practised}
			{unread}
			onbegin={() => atBench.begin()}
			onback={() => void desk.clear()}
		/>
	{:else if atBench.phase === 'finish' && desk.session}
		<FinishView
			session={desk.session}
			{units}
			benchOf={(id) => atBench.benchOf(id)}
			unused={habits.unused}
			{timeZone}
			now={desk.now as Instant}
			onclose={() => void atBench.close()}
		/>
	{:else if atBench.phase === 'run' && desk.isSession}
		<SessionFrame {desk} {planner} {timeZone} waterName={(id) => atBench.waterName(id)}>
			<RunBench
				bench={atBench.at}
				{units}
				{timeZone}
				{now}
				onkept={(...about) => atBench.kept(...about)}
				onrepeat={(old) => atBench.again(old)}
			/>
		</SessionFrame>
	{:else if atBench.phase === 'run'}
		<RunBench
			bench={atBench.at}
			{units}
			{timeZone}
			{now}
			onkept={(...about) => atBench.kept(...about)}
			onrepeat={(old) => atBench.again(old)}
		/>
	{:else}
		{#if atBench.saved}
			<SavedNotice
				{...atBench.saved}
				here={atBench.savedHere}
				{waterId}
				{units}
				onagain={() => atBench.repeatSaved()}
			/>
		{/if}
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
			onlayout={(chosen) => atBench.layOut(chosen)}
			ontomorrow={(chosen) => atBench.tomorrow(chosen)}
			planned={atBench.planned}
			ongoon={(sheet) => void atBench.goOn(sheet)}
			ondrop={(sheet) => atBench.drop(sheet)}
		/>
	{/if}
</main>
