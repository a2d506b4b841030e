<script lang="ts">
	import type { ParameterToday } from '$lib/core/judgement/water';
	import { PARAMETERS, type UnitId } from '$lib/core/quantity';
	import { reasonsOf } from '$lib/format/judgement/reasons';

	interface Props {
		row: ParameterToday;
		unit: UnitId;
		/** What stands in the row; the reasons open below all of it. */
		open: boolean;
	}
	let { row, unit, open }: Props = $props();
	const reasons = $derived(reasonsOf(row, unit));
</script>

{#if open}
	<ul
		id="why-{row.parameter}"
		class="small figures col-span-2 max-w-[48rem] pb-2 md:col-span-4"
		aria-label="Why, for {PARAMETERS[row.parameter].name}"
	>
		{#each reasons as reason (reason)}<li class="border-t py-1.5">{reason}</li>{/each}
	</ul>
{/if}
