<script lang="ts">
	import type { Snippet } from 'svelte';
	import { lacks } from '$lib/format/faults/access';
	import { mayHere, neededHere, roleHere } from './may';

	/** A page as it is to whoever may not write on it: what it says, and fields that cannot be filled in. */
	let { children }: { children: Snippet } = $props();
	const needed = $derived(neededHere());
	const lacking = $derived(needed !== null && !mayHere(needed) ? needed : null);
</script>

{#if lacking}
	<div class="border-b bg-paper">
		<p role="note" class="mx-auto max-w-[80rem] px-4 py-2.5 lg:px-8">
			<strong>To look at.</strong>
			{lacks(lacking, roleHere() ?? 'reader')}
		</p>
	</div>
	<fieldset disabled class="min-w-0 [&_:disabled]:opacity-60">{@render children()}</fieldset>
{:else}
	{@render children()}
{/if}
