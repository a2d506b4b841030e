<script lang="ts">
	import type { ShelfAnswer } from '$lib/contract/shelf-view';
	import type { Instant } from '$lib/core/time';
	import { longDay } from '$lib/format/date';
	import { fixed } from '$lib/format/number';
	import { toBuyWords } from '$lib/format/shelf/shelf';
	import PrintButton from '$lib/ui/kit/PrintButton.svelte';

	interface Props {
		waterId: string;
		shelf: ShelfAnswer;
		timeZone: string;
		now: Instant;
	}
	let { waterId, shelf, timeZone, now }: Props = $props();

	/** What was paid last, for an idea of the sum. */
	const priceOf = (code: string) =>
		shelf.things.findLast((t) => t.method?.code === code && t.price !== null)?.price ?? null;
	const sum = $derived(shelf.toBuy.reduce((total, b) => total + (priceOf(b.methodCode) ?? 0), 0));
	const perMonth = (perDay: number) => Math.round(perDay * 30);
</script>

<main class="page max-w-[44rem]!">
	<p class="label print:hidden"><a class="link" href="/waters/{waterId}/shelf">Shelf</a></p>
	<div class="flex flex-wrap items-baseline justify-between gap-4">
		<h1 class="mt-2 text-3xl">Shopping list</h1>
		<PrintButton />
	</div>
	<p class="mt-1 text-muted">
		{longDay(now, timeZone)}. What ends within four weeks at the pace of the last eight, with nothing on the
		shelf to follow it.
	</p>
	<ul class="mt-6 border-t-2 border-ink">
		{#each shelf.toBuy as buy (buy.methodCode)}
			{@const price = priceOf(buy.methodCode)}
			<li class="grid grid-cols-[2rem_1fr_auto] items-start gap-3 border-b py-4">
				<svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true"
					><rect
						x="1"
						y="1"
						width="20"
						height="20"
						rx="2"
						fill="none"
						stroke="var(--ink)"
						stroke-width="1.5"
					/></svg
				>
				<span>
					<strong class="text-lg">{buy.name}</strong>
					<span class="small figures block text-muted"
						>{toBuyWords(buy, timeZone, now)}; about {perMonth(buy.perDay)} tests a month</span
					>
				</span>
				<span class="figures text-muted">{price === null ? '' : `paid ${fixed(price, 2)}`}</span>
			</li>
		{:else}
			<li class="py-6 text-muted">Nothing is needed within four weeks.</li>
		{/each}
	</ul>
	{#if sum > 0}<p class="figures mt-3 text-right">About {fixed(sum, 2)} by what was paid last.</p>{/if}
</main>
