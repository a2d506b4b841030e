<script lang="ts">
	import { addDays, instant, type CivilDate } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import { fixed } from '$lib/format/number';
	import type { Column } from '../data-table.svelte';
	import DataTable from '../DataTable.svelte';
	import Table from '../Table.svelte';

	let { today }: { today: CivilDate } = $props();

	interface Row {
		readonly id: string;
		readonly at: ReturnType<typeof instant>;
		readonly name: string;
		readonly value: number;
		readonly note: string;
	}
	const NAMES = ['Alkalinity', 'Calcium', 'Magnesium', 'Nitrate'];
	const now = $derived(instant(Date.parse(`${today}T18:00Z`)));
	/** More than a screen holds. */
	const rows = $derived(
		Array.from({ length: 400 }, (_, i): Row => ({
			id: String(i),
			at: addDays(now, -i / 2),
			name: NAMES[i % 4]!,
			value: 8 + ((i * 7) % 13) / 10,
			note: i % 9 === 0 ? 'poor light' : ''
		}))
	);
	const COLUMNS: readonly Column<Row>[] = [
		{ id: 'at', name: 'When', by: (r) => r.at },
		{ id: 'name', name: 'What', by: (r) => r.name },
		{ id: 'value', name: 'Value', by: (r) => r.value, figures: true },
		{ id: 'note', name: 'Note', optional: 'shown' },
		{ id: 'row', name: 'Row', by: (r) => Number(r.id), figures: true, optional: 'hidden' }
	];
</script>

<div class="mt-4 max-w-[36rem]">
	<Table>
		<thead
			><tr class="small border-b text-muted"
				><th class="py-1.5 pr-4">Source</th><th class="text-right">alone, ±</th></tr
			></thead
		>
		<tbody>
			<tr class="border-b"
				><td class="py-1.5 pr-4">the mark on the syringe</td><td class="text-right">0.38</td></tr
			>
			<tr class="border-b"><td class="py-1.5 pr-4">the sample</td><td class="text-right">0.12</td></tr>
		</tbody>
	</Table>
</div>
<div class="mt-8">
	<DataTable
		label="Readings"
		{rows}
		columns={COLUMNS}
		key={(r) => r.id}
		words={(r) => `${r.name} ${r.note} ${fixed(r.value, 1)} ${shortDay(r.at, 'UTC', now)}`}
		initial={{ id: 'at', descending: true }}
		group={(r) => new Date(r.at).toISOString().slice(0, 7)}
	>
		{#snippet cell(row: Row, column: string)}
			{#if column === 'at'}{shortDay(row.at, 'UTC', now)}
			{:else if column === 'name'}<strong>{row.name}</strong>
			{:else if column === 'value'}{fixed(row.value, 1)}
			{:else if column === 'note'}<span class="text-muted">{row.note}</span>
			{:else}{row.id}{/if}
		{/snippet}
	</DataTable>
</div>
