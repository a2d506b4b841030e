<script lang="ts">
	import FlowbiteBadge from 'flowbite-svelte/Badge.svelte';
	import type { Snippet } from 'svelte';

	/** A state in one or two words; a warning has the colour of warnings, and always a word. */
	let { warns = false, children }: { warns?: boolean; children: Snippet } = $props();
</script>

<FlowbiteBadge params={{ duration: 0 }} class={warns ? 'border-warn! font-semibold text-warn' : ''}>
	{@render children()}
</FlowbiteBadge>
