<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A table that may be wider than a phone: it is moved by itself, with a finger or with the arrow keys. */
	let { label, children }: { label: string; children: Snippet } = $props();
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div role="region" aria-label={label} tabindex="0" class="overflow-x-auto">
	{@render children()}
</div>
