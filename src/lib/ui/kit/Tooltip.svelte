<script lang="ts">
	import FlowbiteTooltip from 'flowbite-svelte/Tooltip.svelte';
	import type { Snippet } from 'svelte';

	/** Of the element before it. What it says is help, never the only place where something is said. */
	let { children }: { children: Snippet } = $props();
</script>

<FlowbiteTooltip arrow={false} transitionParams={{ duration: 0 }}>{@render children()}</FlowbiteTooltip>
