<script lang="ts">
	import type { ParameterToday } from '$lib/contract/today';
	import type { UnitId } from '$lib/core/quantity';
	import { reasonsOf } from '$lib/format/reasons';

	let { row, unit }: { row: ParameterToday; unit: UnitId } = $props();
	const reasons = $derived(reasonsOf(row, unit));
</script>

<details class="col-span-2 md:col-span-4">
	<summary class="link small inline-block min-h-9 py-1">Why, and beside what</summary>
	<ul class="small figures max-w-[48rem] pb-2">
		{#each reasons as reason (reason)}<li class="border-t py-1.5">{reason}</li>{/each}
	</ul>
</details>
