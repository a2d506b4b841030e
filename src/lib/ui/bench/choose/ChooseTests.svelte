<script lang="ts">
	import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
	import type { OpenSession } from '$lib/contract/session';
	import { HAPPENINGS, type Happening } from '$lib/core/judgement';
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { HAPPENING_NAMES } from '$lib/format/bench/bench';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Late from '$lib/ui/kit/late/Late.svelte';
	import ChooseMethod from './ChooseMethod.svelte';
	import type { StartChoice } from '../make-draft';
	import type { BenchAsked } from './asked';
	import type { Chosen } from './chosen';
	import { ChooseState } from './ChooseState.svelte';
	import MethodPanel from './MethodPanel.svelte';
	import OpenSessions from './OpenSessions.svelte';
	import ProposalRow from './ProposalRow.svelte';
	import { LIMITS, type Limit } from './propose';
	import { readySets, type ReadySet } from './ready-sets';
	import SetsBar from './SetsBar.svelte';
	import SessionBox from './SessionBox.svelte';

	interface Props {
		waterId: string;
		bench: BenchAnswer;
		/** Other waters of the same site, and what is known of those that were asked for. */
		siblings: readonly { readonly id: string; readonly name: string }[];
		benchOf: (waterId: string) => BenchAnswer | undefined;
		onwater: (waterId: string) => Promise<void>;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		asked: BenchAsked;
		onstart: (offer: BenchOffer, choice: StartChoice) => void;
		onlayout: (tests: readonly Chosen[], inOrder?: boolean) => void;
		/** What does not fit today is planned for tomorrow. */
		ontomorrow: (tests: readonly Chosen[]) => void;
		/** What is planned for tomorrow, once it is. */
		planned: string | null;
		ongoon: (session: OpenSession) => void;
		ondrop: (session: OpenSession) => void;
	}
	let {
		waterId,
		bench,
		siblings,
		benchOf,
		onwater,
		units,
		timeZone,
		now,
		asked,
		onstart,
		onlayout,
		ontomorrow,
		planned,
		ongoon,
		ondrop
	}: Props = $props();

	const LIMIT_NAMES: Readonly<Record<Limit, string>> = {
		all: 'all that is due',
		ten: 'only ten minutes',
		one: 'one test only'
	};
	const choosing = new ChooseState(() => ({ waterId, bench, benchOf, timeZone, now, asked }));
	const offer = $derived(choosing.offer);
	const open = $derived(siblings.filter((s) => s.id !== waterId && !choosing.also.includes(s.id)));

	const sets = $derived(readySets(bench, waterId, benchOf, now, timeZone));
	/** A set may be about other waters as well: these are asked for first. */
	async function layOutSet(one: ReadySet): Promise<void> {
		const others = (one.set?.tests ?? [])
			.map((t) => t.waterId)
			.filter((id) => id !== waterId && !benchOf(id));
		for (const id of new Set(others)) await onwater(id);
		const ready = sets.find((s) => s.set?.id === one.set?.id) ?? one;
		onlayout(ready.tests, ready.set?.inOrder ?? false);
	}

	async function alsoWater(id: string): Promise<void> {
		if (!id) return;
		await onwater(id);
		choosing.also = [...choosing.also, id];
	}
</script>

<div class="page max-w-[76rem]!">
	<div class="flex flex-wrap items-baseline justify-between gap-x-6">
		<h1 class="text-3xl">What do you test?</h1>
		<p class="flex flex-wrap gap-x-6">
			<a class="link flex min-h-11 items-center" href="/waters/{waterId}/bench/taken">Readings taken</a>
			<a class="link flex min-h-11 items-center" href="/waters/{waterId}/methods">Methods and kits</a>
		</p>
	</div>
	{#if bench.offers.length === 0}
		<div class="mt-4 border-l-4 border-ink pl-4">
			<p class="text-lg font-semibold">Nothing to test with is ticked yet.</p>
			<p class="mt-2">
				<Button kind="primary" size="large" href="/waters/{waterId}/kits">What do you test with?</Button>
			</p>
		</div>
	{/if}
	<SetsBar
		{waterId}
		{sets}
		leads={choosing.proposed.every((w) => w.fitting.size === 0)}
		{timeZone}
		{now}
		onlayout={(one) => void layOutSet(one)}
	/>
	<OpenSessions sessions={bench.sessions} {now} {timeZone} {ongoon} {ondrop} />
	<div class="mt-4 grid gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_26rem]">
		<div class={offer ? 'hidden lg:block' : ''}>
			<Late class="flex flex-wrap gap-3">
				<Choice
					label="What has happened"
					quiet
					large
					class="min-w-48 grow"
					value={choosing.what}
					items={[
						{ value: '', name: 'Nothing: a testing day' },
						...HAPPENINGS.map((h) => ({ value: h, name: HAPPENING_NAMES[h] }))
					]}
					onpick={(picked) => choosing.change(picked as Happening | '', choosing.limit)}
				/>
				<Choice
					label="There is time for"
					quiet
					large
					class="min-w-40 grow"
					value={choosing.limit}
					items={LIMITS.map((l) => ({ value: l, name: LIMIT_NAMES[l] }))}
					onpick={(picked) => choosing.change(choosing.what, picked as Limit)}
				/>
			</Late>
			{#each choosing.proposed as w (w.id)}
				{#if choosing.waters.length > 1}<h2 class="mt-6 text-xl">{w.name}</h2>{/if}
				{@const dueNow = w.proposals.filter((p) => p.isDue)}
				{@const later = w.proposals.filter((p) => !p.isDue)}
				{#if dueNow.length > 0}
					<ul class="mt-4 border-t" aria-label="Proposed tests of {w.name}">
						{#each dueNow as p (p.key)}<Late tag="li" class="border-b py-3"
								><ProposalRow {choosing} proposal={p} kits={bench.kits} {timeZone} {now} /></Late
							>{/each}
					</ul>
				{:else}
					<p class="mt-4 border-y py-4 text-lg">Nothing is due today.</p>
				{/if}
				{#if later.length > 0}
					<svelte:element this={choosing.waters.length > 1 ? 'h3' : 'h2'} class="label mt-5"
						>Not due yet</svelte:element
					>
					<ul class="mt-1 border-t" aria-label="Tests of {w.name} that are not due yet">
						{#each later as p (p.key)}<Late tag="li" class="border-b py-3"
								><ProposalRow {choosing} proposal={p} kits={bench.kits} {timeZone} {now} /></Late
							>{/each}
					</ul>
				{/if}
			{/each}
			{#if open.length > 0}
				<Choice
					label="Another water in the same session"
					quiet
					class="mt-4"
					value=""
					items={[{ value: '', name: 'none' }, ...open.map((s) => ({ value: s.id, name: s.name }))]}
					onpick={(id) => void alsoWater(id)}
				/>
			{/if}
			<Disclosure
				class="mt-6 border-t"
				open={asked.method !== null || bench.due.length === 0}
				title="Any test, with its own settings"
				look="min-h-11 py-3 text-lg font-semibold"
			>
				<Late
					><ChooseMethod
						{bench}
						{timeZone}
						{now}
						picked={choosing.method}
						onpick={(code) => (choosing.method = code)}
					/></Late
				>
			</Disclosure>
		</div>
		<div class="lg:sticky lg:top-4 lg:self-start">
			{#if offer}
				<Button kind="text" class="mb-2 min-h-11" onclick={() => (choosing.method = null)}
					><span class="lg:hidden">Another test</span><span class="hidden lg:inline">Close</span></Button
				>
				{#key offer.method.code}
					<MethodPanel
						{offer}
						{bench}
						{asked}
						{units}
						{timeZone}
						{now}
						onstart={(choice) => onstart(offer, choice)}
						onadd={(choice) => choosing.add(choice)}
					/>
				{/key}
			{/if}
			<Late
				><SessionBox
					{choosing}
					waterName={(id) => benchOf(id)?.waterName ?? bench.waterName}
					{onlayout}
					{ontomorrow}
					{planned}
					class={choosing.offer ? 'mt-4 hidden lg:block' : ''}
				/></Late
			>
		</div>
	</div>
</div>
