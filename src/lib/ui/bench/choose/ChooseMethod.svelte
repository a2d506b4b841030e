<script lang="ts">
	import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
	import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { ago } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';

	interface Props {
		bench: BenchAnswer;
		timeZone: string;
		now: Instant;
		picked: string | null;
		onpick: (code: string) => void;
	}
	let { bench, timeZone, now, picked, onpick }: Props = $props();

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
			<strong>{PARAMETERS[g.parameter].name}</strong>
			<span class="small text-muted"
				>{g.offers[0]!.lastAt === null
					? 'not read yet'
					: `read ${ago(g.offers[0]!.lastAt, timeZone, now)}`}</span
			>
		</p>
		<div class="mt-2 flex flex-wrap gap-2">
			{#each g.offers as o (o.method.code)}
				{@const on = picked === o.method.code}
				<Button
					kind="bare"
					value={o.method.code}
					aria-pressed={on}
					class="min-h-11 rounded-md border-2 px-3 text-left {on
						? 'border-ink font-semibold'
						: 'border-line hover:border-line-strong'}"
					onclick={() => onpick(o.method.code)}>{shortName(o)}</Button
				>
			{/each}
		</div>
	</li>
{/snippet}

<ul>
	{#each usual as g (g.parameter)}{@render group(g)}{/each}
</ul>
{#if others.length > 0}
	<Disclosure class="border-t" title="Other tests" look="min-h-11 py-3">
		<ul>
			{#each others as g (g.parameter)}{@render group(g)}{/each}
		</ul>
	</Disclosure>
{/if}
