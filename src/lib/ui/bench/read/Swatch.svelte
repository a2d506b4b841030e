<script lang="ts">
	import type { NamedColour } from '$lib/core/method';

	/** A colour to expect, with its name; SVG, since a colour of data is no class. */
	let { colour, label }: { colour: NamedColour; label: string } = $props();
</script>

<span class="inline-flex items-center gap-2 sm:gap-3">
	<svg class="h-8 w-8 shrink-0 sm:h-11 sm:w-11" viewBox="0 0 44 44" aria-hidden="true"
		><rect x="1" y="1" width="42" height="42" rx="3" fill={colour.css} stroke="var(--line-strong)" /></svg
	>
	<span
		><span class="small block text-muted">{label}</span><strong class="leading-tight">{colour.name}</strong
		></span
	>
</span>
