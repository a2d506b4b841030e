<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import Checkbox from '$lib/ui/kit/Checkbox.svelte';
	import { KeptTicks } from './kept-ticks.svelte';

	interface Props {
		/** The list and its occasion: its ticks are kept under it in this browser. */
		list: string;
		lines: readonly string[];
		label: string;
		class?: string;
	}
	let { list, lines, label, class: extra = '' }: Props = $props();

	const ticks = untrack(() => new KeptTicks(list));
	onMount(() => void ticks.open());
</script>

<ul class={extra} aria-label={label} aria-busy={ticks.keeping > 0 ? true : undefined}>
	{#each lines as line (line)}
		{@const done = ticks.ticked.includes(line)}
		<li>
			<Checkbox checked={done} onchange={() => ticks.toggle(line)} class="min-h-11 items-start py-2"
				><span class={done ? 'text-muted line-through decoration-line-strong' : ''}>{line}</span></Checkbox
			>
		</li>
	{/each}
</ul>
