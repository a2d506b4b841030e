<script lang="ts">
	import type { Titration } from '$lib/core/method';
	import Swatch from './Swatch.svelte';

	/** From which colour to which a titration goes, and the shade that announces the end. */
	let { colours }: { colours: Titration['colours'] } = $props();
</script>

<p class="mt-2 flex justify-between gap-x-2 gap-y-3 sm:mt-5 sm:justify-start sm:gap-x-8">
	<Swatch colour={colours.start} label="from" />
	<Swatch colour={colours.passing} label="nearly" />
	<Swatch colour={colours.end} label="stop at" />
</p>
<p class="small mt-2 hidden text-muted sm:block">
	The swatches only help to find the place. Judge the vial itself, against white, in daylight.
</p>
