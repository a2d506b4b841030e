<script lang="ts">
	import { untrack } from 'svelte';
	import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
	import type { OpenSession } from '$lib/contract/session';
	import { HAPPENINGS, type Happening } from '$lib/core/judgement';
	import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { HAPPENING_NAMES, whyDue } from '$lib/format/bench';
	import { aboutMinutes, shortDay } from '$lib/format/date';
	import Action from '$lib/ui/shared/Action.svelte';
	import ChooseMethod from './ChooseMethod.svelte';
	import { usualKit, type StartChoice } from './make-draft';
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
			<input
				type="checkbox"
				id="test-{p.key}"
				class="mt-1 h-6 w-6 shrink-0 accent-[var(--ink)]"
				checked={isOn(p)}
				onchange={(e) => (picked = { ...picked, [p.key]: e.currentTarget.checked })}
			/>
			<label for="test-{p.key}" class="min-w-0 grow cursor-pointer">
				<strong class="text-lg">{PARAMETERS[p.due.parameter].name}</strong>
				<span class="small block text-muted"
					>{whyDue(p.due)}{p.isDue ? '' : `, so on ${shortDay(p.due.dueAt, timeZone, now)}`}.</span
				>
			</label>
		</div>
		{#if isOn(p)}
			<div class="mt-2 flex gap-2 pl-9">
				<select
					aria-label="Method for {PARAMETERS[p.due.parameter].name}"
					class="min-h-11 min-w-0 grow rounded-md border border-line-strong bg-surface"
					value={offerOf(p).method.code}
					onchange={(e) => (methodOf = { ...methodOf, [p.key]: e.currentTarget.value })}
				>
					{#each p.offers as o (o.method.code)}<option value={o.method.code}>{o.method.name}</option>{/each}
				</select>
				<select
					aria-label="How often {PARAMETERS[p.due.parameter].name} is tested"
					class="min-h-11 w-28 rounded-md border border-line-strong bg-surface"
					value={String(timesOf[p.key] ?? 1)}
					onchange={(e) => (timesOf = { ...timesOf, [p.key]: Number(e.currentTarget.value) })}
				>
					<option value="1">once</option>
					<option value="2">twice</option>
					<option value="3">3 times</option>
				</select>
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
				<label class="min-w-48 grow">
					<span class="small block text-muted">What has happened</span>
					<select
						class="min-h-12 w-full rounded-md border border-line-strong bg-surface"
						value={what}
						onchange={(e) => change(e.currentTarget.value as Happening | '', limit)}
					>
						<option value="">Nothing: a testing day</option>
						{#each HAPPENINGS as h (h)}<option value={h}>{HAPPENING_NAMES[h]}</option>{/each}
					</select>
				</label>
				<label class="min-w-40 grow">
					<span class="small block text-muted">There is time for</span>
					<select
						class="min-h-12 w-full rounded-md border border-line-strong bg-surface"
						value={limit}
						onchange={(e) => change(what, e.currentTarget.value as Limit)}
					>
						{#each LIMITS as l (l)}<option value={l}>{LIMIT_NAMES[l]}</option>{/each}
					</select>
				</label>
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
				<label class="mt-4 flex flex-wrap items-center gap-3">
					<span class="text-muted">Another water in the same session</span>
					<select
						class="min-h-11 grow rounded-md border border-line-strong bg-surface"
						value=""
						onchange={(e) => void alsoWater(e.currentTarget.value)}
					>
						<option value="">none</option>
						{#each open as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
					</select>
				</label>
			{/if}
			<details class="mt-6 border-t" open={asked.method !== null || bench.due.length === 0}>
				<summary class="min-h-11 py-3 text-lg font-semibold">Any test, with its own settings</summary>
				<ChooseMethod {bench} {timeZone} {now} picked={method} onpick={(code) => (method = code)} />
			</details>
		</div>
		<div class="lg:sticky lg:top-4 lg:self-start">
			{#if offer}
				<button type="button" class="link mb-2 min-h-11" onclick={() => (method = null)}
					><span class="lg:hidden">Another test</span><span class="hidden lg:inline">Close</span></button
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
									<button
										type="button"
										class="link small min-h-8"
										onclick={() => (added = added.filter((a) => a !== c))}>Leave out</button
									>
								{/if}
							</li>
						{/each}
					</ul>
					<div class="mt-4">
						<Action
							kind={offer ? 'secondary' : 'primary'}
							size="large"
							class="w-full"
							onclick={() => onlayout(chosen)}
							>Lay out {chosen.length === 1 ? 'this test' : `these ${chosen.length} tests`}</Action
						>
					</div>
				{:else}
					<p class="mt-1 text-muted">Tick what you want to test, or choose any test from the list.</p>
				{/if}
				{#if rest.length > 0}
					<p class="mt-3">
						<button type="button" class="link min-h-11" onclick={() => ontomorrow(rest)}
							>The rest tomorrow ({rest.map((r) => nameWithin(r.offer.method.parameter)).join(', ')})</button
						>
					</p>
				{/if}
				{#if planned}<p class="small mt-2" role="status">{planned}</p>{/if}
			</section>
		</div>
	</div>
</div>
