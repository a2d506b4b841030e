<script lang="ts">
	import { PARAMETERS } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import type { Series } from './chart/series';
	import { firstFrom } from '$lib/core/numeric';

	interface Props {
		rows: readonly Series[];
		from: Instant;
		to: Instant;
		timeZone: string;
		now: Instant;
	}
	let { rows, from, to, timeZone, now }: Props = $props();

	let opened = $state<Record<string, boolean>>({});

	/** Those of the span that count, newest first. */
	function seen(series: Series): number[] {
		const [start, end] = [firstFrom(series.at, from), firstFrom(series.at, to + 1)];
		const indices = Array.from({ length: end - start }, (_, k) => end - 1 - k);
		return indices.filter((i) => !series.superseded[i]);
	}
</script>

<section>
	<h2 class="label">The readings as tables</h2>
	{#each rows as series (series.parameter)}
		{@const all = seen(series)}
		<Disclosure
			class="mt-2 border-t pt-2"
			bind:open={() => opened[series.parameter] ?? false, (open) => (opened[series.parameter] = open)}
			look="min-h-8"
			>{#snippet title()}{PARAMETERS[series.parameter].name}, {all.length}
				{all.length === 1 ? 'reading' : 'readings'} in this time{/snippet}
			{#if opened[series.parameter]}
				<div class="mt-2">
					<!-- A table that sorts and is searched weighs more than all charts; it comes with the first that is opened. -->
					{#await import('./ReadingRows.svelte')}
						<p class="small text-muted" role="status">One moment …</p>
					{:then { default: ReadingRows }}
						<ReadingRows {series} indices={all} {timeZone} {now} />
					{:catch}
						<p class="small font-semibold text-warn" role="alert">
							The table cannot be fetched just now. Close it and open it again to try once more.
						</p>
					{/await}
				</div>
			{/if}
		</Disclosure>
	{/each}
</section>
