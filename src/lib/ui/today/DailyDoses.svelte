<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import type { TodayAnswer } from '$lib/contract/today';
	import { dailyDoseWords } from '$lib/format/log/event';
	import Button from '$lib/ui/kit/Button.svelte';
	import { KeptTicks } from '$lib/ui/shared/kept-ticks.svelte';

	interface Props {
		doses: TodayAnswer['doses'];
		/** Address of the water. */
		base: string;
		/** Water and day: the ticks of another day are others. */
		list: string;
	}
	let { doses, base, list }: Props = $props();

	const ticks = untrack(() => new KeptTicks(list));
	onMount(() => void ticks.open());
</script>

<h2 class="label mt-8">Daily doses</h2>
<ul class="small mt-1" aria-label="Daily doses of today">
	{#each doses.map(dailyDoseWords) as line (line)}
		{@const given = ticks.ticked.includes(line)}
		<li class="flex items-center justify-between gap-3 border-t py-1">
			<span class="figures {given ? 'text-muted' : ''}">{line}</span>
			<Button kind="choice" pressed={given} onclick={() => ticks.toggle(line)}>Given</Button>
		</li>
	{/each}
</ul>
<p class="small mt-1 text-muted">
	Ticks stay on this device. A day that was left out changes the reckoning: <a
		class="link"
		href="{base}/log/new?kind=recurring-dose-missed">say so</a
	>.
</p>
