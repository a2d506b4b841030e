<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { Permission } from '$lib/core/access';
	import { lacks } from '$lib/format/faults/access';
	import { mayHere, roleHere } from './may';

	interface Props {
		what: Permission;
		/** Where somebody looks for it, it is said why it is not there. */
		said?: boolean;
		children: Snippet;
	}
	let { what, said = false, children }: Props = $props();
</script>

{#if mayHere(what)}
	{@render children()}
{:else if said}
	<p role="note" class="mt-4 text-muted">{lacks(what, roleHere() ?? 'reader')}</p>
{/if}
