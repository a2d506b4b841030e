<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What is not there yet. */
		title: string;
		/** How it comes. */
		children: Snippet;
		/** What to do first. */
		action?: Snippet;
	}
	let { title, children, action }: Props = $props();
</script>

<div class="py-8">
	<h2 class="text-2xl">{title}</h2>
	<div class="mt-1 max-w-[40rem] text-muted">{@render children()}</div>
	{#if action}<div class="mt-4">{@render action()}</div>{/if}
</div>
