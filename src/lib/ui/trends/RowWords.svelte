<script lang="ts">
	import type { TrendRow } from '$lib/contract/trends';
	import type { UnitId } from '$lib/core/quantity';
	import type { Instant } from '$lib/core/time';
	import { tellsUse } from '$lib/core/trend';
	import { standardUncertaintyOf } from '$lib/core/uncertainty';
	import { inUnit, ratePerDay } from '$lib/format/quantity';
	import { estimateShown, readingShown, readingWhen } from '$lib/format/trends/trend';
	import { rateSentence } from '$lib/format/judgement/verdict';
	import { markWord } from './chart/mark-word';
	import type { Series } from './chart/series';
	import type { StackState } from './StackState.svelte';
	import { underCursor } from './under-cursor';

	interface Props {
		row: TrendRow;
		series: Series;
		stack: StackState;
		unit: UnitId;
		timeZone: string;
		now: Instant;
	}
	let { row, series, stack, unit, timeZone, now }: Props = $props();

	const under = $derived(
		stack.cursor === null ? null : underCursor(series, stack.cursor, stack.to - stack.from)
	);
	const estimate = $derived(row.estimate);
	const shown = $derived(
		estimate && inUnit(row.parameter, estimate.now.value, standardUncertaintyOf(estimate.now), unit)
	);
</script>

<div class="figures min-h-20">
	{#if under}
		<p class="text-lg font-semibold">{estimateShown(under)}</p>
		<p class="small text-muted">
			{#if under.reading}
				{readingWhen(under.reading.at, timeZone, now)}: read {readingShown(under.reading, unit)}{row.kits
					.length > 1
					? `, ${under.reading.kit}`
					: ''}
			{:else}
				no reading near
			{/if}
		</p>
	{:else}
		{#if estimate && shown}
			<p class="text-2xl font-bold whitespace-nowrap">
				{shown.value} <span class="text-lg font-normal">± {shown.plusMinus}</span>
			</p>
			<p class="small text-muted">
				{estimate.mostlyBounds
					? 'Mostly bounds: no rate to tell from these.'
					: rateSentence({ parameter: row.parameter, ...estimate, leavesInDays: null }, unit)}
			</p>
			{#if tellsUse(row.parameter, estimate)}
				{@const use = ratePerDay(
					row.parameter,
					estimate.consumptionPerDay.value,
					estimate.consumptionPerDay.u,
					unit
				)}
				<p class="small text-muted">
					{estimate.consumptionPerDay.value < 0 ? 'Gains' : 'Uses'}
					{use.value} ± {use.plusMinus} a day in the last fortnight.
				</p>
			{/if}
		{:else}
			<p class="small text-muted">Too little for an estimate yet.</p>
		{/if}
		{#if row.kits.length > 1}
			<p class="small mt-1 text-muted">
				{#each row.kits as kit, k (kit.code)}<span class="mr-3 inline-block"
						>{markWord(series, k)} {kit.name}</span
					>{/each}
			</p>
		{/if}
	{/if}
</div>
