<script lang="ts">
	import { untrack } from 'svelte';
	import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
	import type { OpenSession } from '$lib/contract/session';
	import { HAPPENINGS, type Happening } from '$lib/core/judgement';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { HAPPENING_NAMES, whyDue } from '$lib/format/bench';
	import { aboutMinutes, shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import ChooseMethod from './ChooseMethod.svelte';
	import { usualKit, type StartChoice } from '../make-draft';
	import MethodPanel, { type BenchAsked } from './MethodPanel.svelte';
	import OpenSessions from './OpenSessions.svelte';
	import { lengthOf, LIMITS, proposalsFor, type Limit, type Proposal } from './propose';

	/** A test for the session to lay out. */
	export interface Chosen {
		readonly waterId: string;
		readonly offer: BenchOffer;
		readonly choice: StartChoice;
		/** Replicates of the same sample. */
		readonly times: number;
	}
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
		onlayout: (tests: readonly Chosen[]) => void;
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
	function plainChoice(own: BenchAnswer, offer: BenchOffer): StartChoice {
		return {
			portion: 'full',
			dilution: null,
			ageH: 0,
			keptHow: '',
			kit: usualKit(own, offer.method),
			standard: null
		};
	}
	let what = $state<Happening | ''>(untrack(() => HAPPENINGS.find((h) => h === asked.what) ?? ''));
	let limit = $state<Limit>('all');
	let also = $state<readonly string[]>([]);
	/** What the keeper changed against the proposal, by key. */
	let picked = $state<Readonly<Record<string, boolean>>>({});
	let methodOf = $state<Readonly<Record<string, string>>>({});
	let timesOf = $state<Readonly<Record<string, number>>>({});
	let added = $state.raw<readonly Chosen[]>(
		untrack(() =>
			(asked.tests ?? []).flatMap((code): Chosen[] => {
				const found = bench.offers.find((o) => o.method.code === code);
				return found
					? [{ waterId, offer: found, choice: plainChoice(bench, found), times: asked.times ?? 1 }]
					: [];
			})
		)
	);
	/** Picked in the list of all tests; until then nothing is. */
	let method = $state<string | null>(untrack(() => asked.method));

	const waters = $derived(
		[waterId, ...also].flatMap((id) => {
			const own = id === waterId ? bench : benchOf(id);
			return own ? [{ id, bench: own }] : [];
		})
	);
	const proposed = $derived(
		waters.map(({ id, bench: own }) => ({
			id,
			name: own.waterName,
			...proposalsFor(own, id, what === '' ? null : what, limit, now, timeZone)
		}))
	);
	const isOn = (p: Proposal) =>
		picked[p.key] ??
		// Who comes to compare two methods tests these, and not what is due besides.
		((asked.tests ?? []).length === 0 &&
			(proposed.find((w) => w.id === p.waterId)?.fitting.has(p.key) ?? false));
	const offerOf = (p: Proposal) => p.offers.find((o) => o.method.code === methodOf[p.key]) ?? p.offers[0]!;
	const chosenOf = (p: Proposal): Chosen => ({
		waterId: p.waterId,
		offer: offerOf(p),
		choice: plainChoice(waters.find((w) => w.id === p.waterId)!.bench, offerOf(p)),
		times: timesOf[p.key] ?? 1
	});
	const all = $derived(proposed.flatMap((w) => w.proposals));
	const chosen = $derived([...all.filter(isOn).map(chosenOf), ...added]);
	const rest = $derived(all.filter((p) => p.isDue && !isOn(p)).map(chosenOf));
	const lengthS = $derived(
		chosen.length === 0 ? 0 : lengthOf(chosen.flatMap((c) => Array.from({ length: c.times }, () => c.offer)))
	);
	const open = $derived(siblings.filter((s) => s.id !== waterId && !also.includes(s.id)));
	const offer = $derived(bench.offers.find((o) => o.method.code === method) ?? null);

	const TIMES = [
		{ value: '1', name: 'once' },
		{ value: '2', name: 'twice' },
		{ value: '3', name: '3 times' }
	];
	function change(next: Happening | '', nextLimit: Limit): void {
		what = next;
		limit = nextLimit;
		picked = {};
	}
	async function alsoWater(id: string): Promise<void> {
		if (!id) return;
		await onwater(id);
		also = [...also, id];
	}
	function add(choice: StartChoice): void {
		if (offer) added = [...added, { waterId, offer, choice, times: 1 }];
		method = null;
	}
</script>

{#snippet row(p: Proposal)}
	<li class="border-b py-3">
		<div class="flex items-start gap-3">
			<Checkbox
				checked={isOn(p)}
				class="min-w-0 grow"
				large
				onchange={(e) => (picked = { ...picked, [p.key]: e.currentTarget.checked })}
			>
				<strong class="text-lg">{PARAMETERS[p.due.parameter].name}</strong>
				<span class="small block text-muted"
					>{whyDue(p.due)}{p.isDue ? '' : `, so on ${shortDay(p.due.dueAt, timeZone, now)}`}.</span
				>
			</Checkbox>
		</div>
		{#if isOn(p)}
			<div class="mt-2 flex gap-2 pl-9">
				<Choice
					label="Method for {PARAMETERS[p.due.parameter].name}"
					bare
					class="min-w-0 grow"
					value={offerOf(p).method.code}
					items={p.offers.map((o) => ({ value: o.method.code, name: o.method.name }))}
					onpick={(code) => (methodOf = { ...methodOf, [p.key]: code })}
				/>
				<Choice
					label="How often {PARAMETERS[p.due.parameter].name} is tested"
					bare
					class="w-28 shrink-0"
					value={String(timesOf[p.key] ?? 1)}
					items={TIMES}
					onpick={(times) => (timesOf = { ...timesOf, [p.key]: Number(times) })}
				/>
			</div>
		{/if}
	</li>
{/snippet}

<div class="page max-w-[76rem]!">
	<div class="flex flex-wrap items-baseline justify-between gap-x-6">
		<h1 class="text-3xl">What do you test?</h1>
		<a class="link flex min-h-11 items-center" href="/waters/{waterId}/methods">Methods and kits</a>
	</div>
	<OpenSessions sessions={bench.sessions} {now} {timeZone} {ongoon} {ondrop} />
	<div class="mt-4 grid gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_26rem]">
		<div class={offer ? 'hidden lg:block' : ''}>
			<div class="flex flex-wrap gap-3">
				<Choice
					label="What has happened"
					quiet
					large
					class="min-w-48 grow"
					value={what}
					items={[
						{ value: '', name: 'Nothing: a testing day' },
						...HAPPENINGS.map((h) => ({ value: h, name: HAPPENING_NAMES[h] }))
					]}
					onpick={(picked) => change(picked as Happening | '', limit)}
				/>
				<Choice
					label="There is time for"
					quiet
					large
					class="min-w-40 grow"
					value={limit}
					items={LIMITS.map((l) => ({ value: l, name: LIMIT_NAMES[l] }))}
					onpick={(picked) => change(what, picked as Limit)}
				/>
			</div>
			{#each proposed as w (w.id)}
				{#if waters.length > 1}<h2 class="mt-6 text-xl">{w.name}</h2>{/if}
				{@const dueNow = w.proposals.filter((p) => p.isDue)}
				{@const later = w.proposals.filter((p) => !p.isDue)}
				{#if dueNow.length > 0}
					<ul class="mt-4 border-t" aria-label="Proposed tests of {w.name}">
						{#each dueNow as p (p.key)}{@render row(p)}{/each}
					</ul>
				{:else}
					<p class="mt-4 border-y py-4 text-lg">Nothing is due today.</p>
				{/if}
				{#if later.length > 0}
					<h3 class="label mt-5">Not due yet</h3>
					<ul class="mt-1 border-t" aria-label="Tests of {w.name} that are not due yet">
						{#each later as p (p.key)}{@render row(p)}{/each}
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
			<details class="mt-6 border-t" open={asked.method !== null || bench.due.length === 0}>
				<summary class="min-h-11 py-3 text-lg font-semibold">Any test, with its own settings</summary>
				<ChooseMethod {bench} {timeZone} {now} picked={method} onpick={(code) => (method = code)} />
			</details>
		</div>
		<div class="lg:sticky lg:top-4 lg:self-start">
			{#if offer}
				<Button kind="text" class="mb-2 min-h-11" onclick={() => (method = null)}
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
						onadd={add}
					/>
				{/key}
			{/if}
			<section
				aria-labelledby="session"
				class="border-2 border-ink p-5 {offer ? 'mt-4 hidden lg:block' : ''}"
			>
				<h2 id="session" class="text-2xl leading-tight">
					{chosen.length === 0
						? 'No test chosen'
						: chosen.length === 1
							? 'One test'
							: `${chosen.length} tests in one session`}
				</h2>
				{#if chosen.length > 0}
					<p class="figures mt-1 text-muted">
						{aboutMinutes(lengthS)} in all, laid out for one pair of hands.
					</p>
					<ul class="mt-3">
						{#each chosen as c, i (i)}
							<li class="flex justify-between gap-3 border-t py-1.5">
								<span
									>{PARAMETERS[c.offer.method.parameter].name}{c.times > 1 ? `, ${c.times} times` : ''}{c
										.choice.standard
										? `, ${c.choice.standard.name}`
										: waters.length > 1
											? `, ${benchOf(c.waterId)?.waterName ?? bench.waterName}`
											: ''}</span
								>
								{#if added.includes(c)}
									<Button
										kind="text"
										class="small min-h-8"
										onclick={() => (added = added.filter((a) => a !== c))}>Leave out</Button
									>
								{/if}
							</li>
						{/each}
					</ul>
					<div class="mt-4">
						<Button
							kind={offer ? 'secondary' : 'primary'}
							size="large"
							class="w-full"
							onclick={() => onlayout(chosen)}
							>Lay out {chosen.length === 1 ? 'this test' : `these ${chosen.length} tests`}</Button
						>
					</div>
				{:else}
					<p class="mt-1 text-muted">Tick what you want to test, or choose any test from the list.</p>
				{/if}
				{#if rest.length > 0}
					<p class="mt-3">
						<Button kind="text" class="min-h-11" onclick={() => ontomorrow(rest)}
							>The rest tomorrow ({rest.map((r) => nameWithin(r.offer.method.parameter)).join(', ')})</Button
						>
					</p>
				{/if}
				{#if planned}<p class="small mt-2" role="status">{planned}</p>{/if}
			</section>
		</div>
	</div>
</div>
