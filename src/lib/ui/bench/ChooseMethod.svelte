<script lang="ts">
	import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
	import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { ago } from '$lib/format/date';
	import { untrack } from 'svelte';
	import MethodPanel, { type BenchAsked, type StartChoice } from './MethodPanel.svelte';

	interface Props {
		waterId: string;
		bench: BenchAnswer;
		units: Readonly<Record<ParameterId, UnitId>>;
		timeZone: string;
		now: Instant;
		asked: BenchAsked;
		onstart: (offer: BenchOffer, choice: StartChoice) => void;
	}
	let { waterId, bench, units, timeZone, now, asked, onstart }: Props = $props();

	/** Picked by hand; until then the one used last stands ready on a wide screen. */
	let picked = $state<string | null>(untrack(() => asked.method));

	const lastFirst = (a: BenchOffer, b: BenchOffer) => (b.lastUsedAt ?? 0) - (a.lastUsedAt ?? 0);
	const groupsOf = (parameters: readonly ParameterId[]) =>
		parameters
			.map((parameter) => ({
				parameter,
				offers: bench.offers.filter((o) => o.method.parameter === parameter).sort(lastFirst)
			}))
			.filter((g) => g.offers.length > 0);
	const usual = $derived(groupsOf(bench.usual.length > 0 ? bench.usual : PARAMETER_IDS));
	const others = $derived(
		bench.usual.length > 0 ? groupsOf(PARAMETER_IDS.filter((p) => !bench.usual.includes(p))) : []
	);
	const offer = $derived(
		bench.offers.find((o) => o.method.code === picked) ?? usual[0]?.offers[0] ?? bench.offers[0] ?? null
	);
	/** "by syringe" where the name begins with the parameter, which stands beside it already. */
	function shortName(o: BenchOffer): string {
		const { name, parameter } = o.method;
		const full = PARAMETERS[parameter].name;
		return name.startsWith(full) ? name.slice(full.length).replace(/^[, ]+/, '') : name;
	}
</script>

{#snippet group(g: { parameter: ParameterId; offers: BenchOffer[] })}
	<li class="border-t py-3">
		<p class="flex flex-wrap items-baseline justify-between gap-x-4">
			<strong class="text-lg">{PARAMETERS[g.parameter].name}</strong>
			<span class="small text-muted"
				>{g.offers[0]!.lastAt === null
					? 'not read yet'
					: `read ${ago(g.offers[0]!.lastAt, timeZone, now)}`}</span
			>
		</p>
		<div class="mt-2 flex flex-wrap gap-2">
			{#each g.offers as o (o.method.code)}
				{@const on = offer?.method.code === o.method.code}
				<button
					type="button"
					value={o.method.code}
					aria-pressed={on}
					class="min-h-11 rounded-md border-2 px-3 text-left {on
						? 'border-ink font-semibold'
						: 'border-line hover:border-line-strong'}"
					onclick={() => (picked = o.method.code)}>{shortName(o)}</button
				>
			{/each}
		</div>
	</li>
{/snippet}

<div class="page max-w-[76rem]!">
	<div class="flex flex-wrap items-baseline justify-between gap-x-6">
		<h1 class="text-3xl">What do you test?</h1>
		<a class="link flex min-h-11 items-center" href="/waters/{waterId}/methods">Methods and kits</a>
	</div>
	<div class="mt-4 grid gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_26rem]">
		<div class={picked === null ? '' : 'hidden lg:block'}>
			<ul>
				{#each usual as g (g.parameter)}{@render group(g)}{/each}
			</ul>
			{#if others.length > 0}
				<details class="border-t">
					<summary class="min-h-11 py-3">Other tests</summary>
					<ul>
						{#each others as g (g.parameter)}{@render group(g)}{/each}
					</ul>
				</details>
			{/if}
		</div>
		{#if offer}
			<div class="{picked === null ? 'hidden lg:block' : ''} lg:sticky lg:top-4 lg:self-start">
				{#if picked !== null}
					<button type="button" class="link mb-2 min-h-11 lg:hidden" onclick={() => (picked = null)}
						>Another test</button
					>
				{/if}
				{#key offer.method.code}
					<MethodPanel
						{offer}
						{bench}
						{asked}
						{units}
						{timeZone}
						{now}
						onstart={(choice) => onstart(offer, choice)}
					/>
				{/key}
			</div>
		{/if}
	</div>
</div>
