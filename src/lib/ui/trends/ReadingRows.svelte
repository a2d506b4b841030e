<script lang="ts">
	import { READING_KINDS } from '$lib/contract/trends';
	import { PARAMETERS } from '$lib/core/quantity';
	import { instant, type Instant } from '$lib/core/time';
	import { readingShown, readingWhen } from '$lib/format/trends/trend';
	import type { Column } from '$lib/ui/kit/data-table.svelte';
	import DataTable from '$lib/ui/kit/DataTable.svelte';
	import type { Series } from './chart/series';

	interface Props {
		series: Series;
		/** Which of its readings. */
		indices: readonly number[];
		timeZone: string;
		now: Instant;
	}
	let { series, indices, timeZone, now }: Props = $props();

	const reading = (i: number) => ({
		index: i,
		at: instant(series.at[i]!),
		value: series.value[i]!,
		lower: series.lower[i]!,
		upper: series.upper[i]!,
		kind: READING_KINDS[series.kind[i]!]!,
		kit: series.kits[series.kit[i]!]?.name ?? ''
	});
	type Reading = ReturnType<typeof reading>;
	const NEWEST_FIRST = { id: 'at', descending: true };
	const COLUMNS: readonly Column<Reading>[] = [
		{ id: 'at', name: 'Read', by: (one) => one.at },
		{ id: 'value', name: 'Result', by: (one) => one.value, figures: true },
		{ id: 'kit', name: 'Kit', by: (one) => one.kit, optional: 'shown' }
	];
</script>

<DataTable
	label="Readings of {PARAMETERS[series.parameter].name}"
	rows={indices.map(reading)}
	columns={COLUMNS}
	key={(one) => `${one.at} ${one.kit} ${one.index}`}
	words={(one) => `${readingWhen(one.at, timeZone, now)} ${readingShown(one, series.unit)} ${one.kit}`}
	initial={NEWEST_FIRST}
>
	{#snippet cell(one: Reading, column: string)}
		{#if column === 'at'}{readingWhen(one.at, timeZone, now)}
		{:else if column === 'value'}{readingShown(one, series.unit)}
		{:else}<span class="text-muted">{one.kit}</span>{/if}
	{/snippet}
</DataTable>
