<script lang="ts">
	import type { ParameterId, UnitId } from '$lib/core/quantity';
	import { mostWords, testingWords, wantedWords, type Outset } from '$lib/format/start/outset';

	interface Props {
		/** Null as long as nobody said what it is. */
		outset: Outset | null;
		units: Readonly<Record<ParameterId, UnitId>>;
	}
	let { outset, units }: Props = $props();
	const parts = $derived(
		outset
			? [
					{ title: 'Wanted', words: wantedWords(outset, units).join(', ') },
					{ title: 'To test', words: `${testingWords(outset)}. Less once it is known.` },
					{
						title: 'Most in a day',
						words: mostWords(outset, units).join(', ') || 'What chemistry bears: nothing lives in it yet.'
					}
				]
			: []
	);
</script>

<h2 class="small font-semibold text-muted">What follows from it</h2>
<div aria-live="polite" class="mt-1">
	{#each parts as { title, words } (title)}
		<section class="border-t py-3">
			<h3 class="font-semibold">{title}</h3>
			<p class="figures small mt-1">{words}</p>
		</section>
	{:else}
		<p class="small border-t py-3 text-muted">
			Say what it is, and here stands what is wanted of its water, what to test how often, and what a day may
			change at most.
		</p>
	{/each}
</div>
<p class="small mt-4 text-muted">
	These are the usual starting bands. Everything can be changed later; what was before stays as it was.
</p>
