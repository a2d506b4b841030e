<script lang="ts">
	import type { TrendRow } from '$lib/contract/trends';
	import type { UnitId } from '$lib/core/quantity';
	import { tellsUse } from '$lib/core/trend';
	import { standardUncertaintyOf } from '$lib/core/uncertainty';
	import { inUnit, ratePerDay } from '$lib/format/quantity';
	import { rateSentence } from '$lib/format/judgement/verdict';

	interface Props {
		row: TrendRow;
		unit: UnitId;
	}
	let { row, unit }: Props = $props();

	const estimate = $derived(row.estimate);
	const shown = $derived(
		estimate && inUnit(row.parameter, estimate.now.value, standardUncertaintyOf(estimate.now), unit)
	);
	const use = $derived(
		estimate && tellsUse(row.parameter, estimate)
			? ratePerDay(row.parameter, estimate.consumptionPerDay.value, estimate.consumptionPerDay.u, unit)
			: null
	);
</script>

<div class="figures max-md:text-right">
	{#if estimate && shown}
		<p class="text-2xl leading-tight font-bold whitespace-nowrap">
			{shown.value} <span class="text-lg font-normal">± {shown.plusMinus}</span>
		</p>
		<p class="small text-muted">
			{estimate.mostlyBounds
				? 'Mostly bounds: no rate to tell from these.'
				: rateSentence({ parameter: row.parameter, ...estimate, leavesInDays: null }, unit)}
		</p>
		{#if use}
			<p class="small text-muted">
				{estimate.consumptionPerDay.value < 0 ? 'Gains' : 'Uses'}
				{use.value} ± {use.plusMinus} a day.
			</p>
		{/if}
	{:else}
		<p class="small text-muted">Too little for an estimate yet.</p>
	{/if}
</div>
