<script lang="ts">
	import type { Snippet } from 'svelte';

	/** What a late part holds, as a component of its own. */
	let { children }: { children: Snippet } = $props();
</script>

{@render children()}
