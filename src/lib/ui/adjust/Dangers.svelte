<script lang="ts">
	import { DANGERS, type DangerId } from '$lib/format/adjust/danger';

	let { dangers }: { dangers: readonly DangerId[] } = $props();
</script>

{#if dangers.length > 0}
	<section aria-labelledby="dangers" class="mt-8 border-l-4 border-warn pl-4">
		<h2 id="dangers" class="text-lg">Before you add anything</h2>
		<ul class="mt-1">
			{#each dangers as id (id)}<li class="py-0.5">{DANGERS[id]}</li>{/each}
		</ul>
	</section>
{/if}
