<script lang="ts">
	import type { KeptPlan } from '$lib/core/correction';

	let { supplements }: { supplements: KeptPlan['supplements'] } = $props();
	/** What a label forbids matters once something else goes in besides. */
	const told = $derived(supplements.length > 1 ? supplements.filter((s) => s.notWith !== '') : []);
</script>

{#each told as { id, name, notWith } (id)}
	<p class="mt-4 border-l-4 border-warn pl-3">
		<strong class="text-warn">Not together.</strong> The label of {name} forbids: {notWith}.
	</p>
{/each}
